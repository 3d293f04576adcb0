package dev.lastcut.core.ticket;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;

/** Says in words what a choice changed: "headroom on clearance 0.05 mm". */
public final class TicketWords {
    private static final int MOST = 3;

    private TicketWords() {}

    /**
     * @param shopName the name of a sheet by its id
     * @return what is other in the later ticket, in one line; empty when nothing is
     */
    public static String changed(Ticket before, Ticket after, UnaryOperator<String> shopName) {
        List<String> all = new ArrayList<>();
        if (!before.shop().equals(after.shop())) {
            all.add(after.shop().map(s -> "shop: " + shopName.apply(s)).orElse("no shop"));
        }
        files(before, after, all);
        headroom(before.headroom(), after.headroom(), all);
        options(before, after, all);
        quantity(before, after, all);
        currents(before, after, all);
        if (before.shop().equals(after.shop())) {
            MillWords.changed(before.mill(), after.mill(), all);
            if (!before.millsAside().equals(after.millsAside())) {
                all.add("set-ups of other mills");
            }
        }
        for (Side side : Side.values()) {
            if (!same(before.probed().get(side), after.probed().get(side))) {
                boolean has = after.probed().containsKey(side);
                all.add(
                        (has ? "probed surface of the " : "no probed surface of the ")
                                + side.word());
            }
        }
        PartsWords.changed(before.parts(), after.parts(), all);
        StencilWords.changed(before.stencil(), after.stencil(), all);
        PanelWords.changed(before.panel(), after.panel(), all);
        TouchWords.changed(before.touches(), after.touches(), all);
        StripWords.changed(before.strip(), after.strip(), all);
        signOffs(before.signOffs(), after.signOffs(), all);
        for (String subject : different(before.reviewed(), after.reviewed())) {
            Reviewed now = after.reviewed().get(subject);
            all.add(
                    now == null
                            ? "review of the " + subject + " taken back"
                            : subject + " reviewed by " + now.by());
        }
        return joined(all);
    }

    private static String joined(List<String> all) {
        if (all.size() <= MOST) {
            return String.join("; ", all);
        }
        return String.join("; ", all.subList(0, MOST)) + "; and " + (all.size() - MOST) + " more";
    }

    private static boolean same(Object a, Object b) {
        return a == null ? b == null : a.equals(b);
    }

    private static void files(Ticket before, Ticket after, List<String> all) {
        var b = before.files();
        var a = after.files();
        all.addAll(
                byPath(
                        b.roles(),
                        a.roles(),
                        (file, role) ->
                                file + role.map(r -> " is " + r.words()).orElse(" as proposed")));
        all.addAll(
                byPath(
                        b.corrections(),
                        a.corrections(),
                        (file, move) ->
                                file + " " + move.map(Correction::words).orElse("back as it was")));
        all.addAll(
                byPath(
                        b.formats(),
                        a.formats(),
                        (file, f) ->
                                file
                                        + " read as "
                                        + f.map(DrillFormat::words).orElse("it says itself")));
        all.addAll(
                byPath(
                        b.columns(),
                        a.columns(),
                        (file, columns) ->
                                file
                                        + (columns.isPresent()
                                                ? " with columns chosen"
                                                : " with the columns it shows itself")));
        all.addAll(
                byPath(
                        b.toolSizes(),
                        a.toolSizes(),
                        (file, sizes) ->
                                file
                                        + (sizes.isPresent()
                                                ? " with tool sizes chosen"
                                                : " without tool sizes chosen")));
        all.addAll(
                byPath(
                        b.unitsNm(),
                        a.unitsNm(),
                        (file, u) ->
                                file
                                        + u.map(nm -> " in units of " + length(nm))
                                                .orElse(" in the unit it says itself")));
    }

    private static <T> List<String> byPath(
            Map<String, T> before,
            Map<String, T> after,
            BiFunction<String, Optional<T>, String> words) {
        List<String> all = new ArrayList<>();
        for (String path : different(before, after)) {
            String leaf = path.substring(path.lastIndexOf('/') + 1);
            all.add(words.apply(leaf, Optional.ofNullable(after.get(path))));
        }
        return all;
    }

    /** The keys whose values differ, in order. */
    public static <K extends Comparable<K>, V> List<K> different(Map<K, V> a, Map<K, V> b) {
        TreeSet<K> keys = new TreeSet<>(a.keySet());
        keys.addAll(b.keySet());
        return keys.stream().filter(k -> !same(a.get(k), b.get(k))).toList();
    }

    private static void headroom(Headroom before, Headroom after, List<String> all) {
        if (before.percent() != after.percent()) {
            all.add("headroom " + number(after.percent()) + " % on every number");
        }
        TreeSet<LimitKey> keys = new TreeSet<>(different(before.absolute(), after.absolute()));
        keys.addAll(different(before.ownPercent(), after.ownPercent()));
        for (LimitKey key : keys) {
            Double own = after.absolute().get(key);
            Double share = after.ownPercent().get(key);
            String on = "headroom on " + key.id().replace('-', ' ');
            if (own != null) {
                all.add(on + " " + (key.isRatio() ? number(own) : length(own)));
            } else {
                all.add(share != null ? on + " " + number(share) + " %" : on + " as on the rest");
            }
        }
    }

    private static void options(Ticket before, Ticket after, List<String> all) {
        for (OrderOption o : different(before.order().chosen(), after.order().chosen())) {
            String title = o.title().toLowerCase(Locale.ROOT);
            all.add(
                    after.order()
                            .value(o)
                            .map(v -> (title + " " + v + " " + o.unit()).strip())
                            .orElse(title + " as usual"));
        }
    }

    private static void quantity(Ticket before, Ticket after, List<String> all) {
        if (!before.order().mark().equals(after.order().mark())) {
            all.add(
                    after.order()
                            .mark()
                            .map(m -> "order mark " + m.words())
                            .orElse("no place for the order mark"));
        }
        if (!before.order().carriage().equals(after.order().carriage())) {
            all.add(
                    after.order()
                            .carriage()
                            .map(way -> "carriage " + way)
                            .orElse("the usual carriage"));
        }
        int boards = after.order().quantity();
        if (before.order().quantity() != boards) {
            all.add(boards + (boards == 1 ? " board" : " boards"));
        }
    }

    private static void currents(Ticket before, Ticket after, List<String> all) {
        Map<String, NetCurrent> a = byNet(before);
        Map<String, NetCurrent> b = byNet(after);
        for (String net : different(a, b)) {
            NetCurrent c = b.get(net);
            all.add(c == null ? "no current on " + net : number(c.amps()) + " A on " + net);
        }
    }

    private static Map<String, NetCurrent> byNet(Ticket t) {
        Map<String, NetCurrent> all = new LinkedHashMap<>();
        t.currents().forEach(c -> all.put(c.net(), c));
        return all;
    }

    private static void signOffs(
            List<Acceptance> before, List<Acceptance> after, List<String> all) {
        List<Acceptance> given = after.stream().filter(a -> !before.contains(a)).toList();
        List<Acceptance> taken =
                before.stream()
                        .filter(a -> !after.contains(a))
                        .filter(a -> given.stream().noneMatch(a::isOfSameFinding))
                        .toList();
        if (!given.isEmpty()) {
            all.add("signed off " + findings(given));
        }
        if (!taken.isEmpty()) {
            all.add("took back the sign-off of " + findings(taken));
        }
    }

    private static String findings(List<Acceptance> some) {
        List<String> rules = some.stream().map(Acceptance::rule).distinct().toList();
        String of = rules.size() == 1 ? " of " + rules.get(0).replace('-', ' ') : "";
        return some.size() + (some.size() == 1 ? " finding" : " findings") + of;
    }

    static String length(double nm) {
        return number(Length.toMm(nm)) + " mm";
    }

    static String number(double n) {
        return n == Math.rint(n) ? String.valueOf((long) n) : String.valueOf(n);
    }
}
