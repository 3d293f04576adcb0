package dev.lastcut.core.ticket;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/** Says in words what a choice changed about parts: "R5-R8 left off in Lite". */
final class PartsWords {
    private PartsWords() {}

    static void changed(PartsPlan before, PartsPlan after, List<String> all) {
        Variants b = before.variants();
        Variants a = after.variants();
        after(a.names(), b.names()).forEach(v -> all.add("variant " + v + " added"));
        after(b.names(), a.names()).forEach(v -> all.add("variant " + v + " taken away"));
        if (!a.built().equals(b.built())) {
            all.add(a.built().map(v -> "builds variant " + v).orElse("builds the base"));
        }
        fittings("", b.base(), a.base(), all);
        for (String v : a.names()) {
            if (b.named().containsKey(v)) {
                fittings(" in " + v, b.named().get(v), a.named().get(v), all);
            }
        }
        placing(before, after, all);
        heights(before.heights(), after.heights(), all);
        int known = TicketWords.different(before.known(), after.known()).size();
        if (known > 0 && a.equals(b)) {
            all.add(known + (known == 1 ? " part" : " parts") + " asked of the counter anew");
        }
        for (String d : TicketWords.different(before.needs(), after.needs())) {
            List<String> said = after.needs().getOrDefault(d, List.of());
            all.add(
                    said.isEmpty()
                            ? d + " needs nothing"
                            : d + " needs " + said.get(said.size() - 1));
        }
    }

    private static void heights(Heights before, Heights after, List<String> all) {
        for (HeightZone z : after.zones()) {
            if (!before.zones().contains(z)) {
                all.add(
                        String.format(
                                Locale.ROOT,
                                "%s at most %s high under %s",
                                z.side().word(),
                                Length.text(z.atMostMm() * 1e6),
                                z.name()));
            }
        }
        for (HeightZone z : before.zones()) {
            if (after.zones().stream().noneMatch(n -> n.name().equals(z.name()))) {
                all.add("no height zone " + z.name());
            }
        }
        for (String d : TicketWords.different(before.unshaded(), after.unshaded())) {
            all.add(after.unshaded().containsKey(d) ? d + " unshaded" : d + " may be shaded");
        }
    }

    private static void placing(PartsPlan before, PartsPlan after, List<String> all) {
        turns(before.turns().packages(), after.turns().packages(), all);
        turns(before.turns().parts(), after.turns().parts(), all);
        ByHand b = before.byHand();
        ByHand a = after.byHand();
        hand(after(a.packages(), b.packages()), after(b.packages(), a.packages()), all);
        for (Side side : Side.values()) {
            if (a.sides().contains(side) != b.sides().contains(side)) {
                String who = a.sides().contains(side) ? " by hand" : " as the shop fits it";
                all.add("the " + side.word() + who);
            }
        }
        List<String> hand = new ArrayList<>();
        List<String> house = new ArrayList<>();
        for (String d : TicketWords.different(b.parts(), a.parts())) {
            (Boolean.TRUE.equals(a.parts().get(d)) ? hand : house).add(d);
        }
        hand(
                hand.isEmpty() ? hand : List.of(Designators.fold(hand)),
                house.isEmpty() ? house : List.of(Designators.fold(house)),
                all);
        TicketWords.different(before.notes(), after.notes()).forEach(d -> all.add("note to " + d));
        if (!before.guide().equals(after.guide())) {
            all.add("order of the bench guide");
        }
        for (String f : TicketWords.different(before.polarity(), after.polarity())) {
            String pin = after.polarity().get(f);
            all.add("polarity of " + f + (pin == null ? " not told" : ": pin " + pin));
        }
        List<String> looked = TicketWords.different(before.looked(), after.looked());
        looked.stream()
                .filter(after.looked()::containsKey)
                .forEach(p -> all.add("looked at every " + p));
        looked.stream()
                .filter(p -> !after.looked().containsKey(p))
                .forEach(p -> all.add(p + " to be looked at again"));
    }

    private static void turns(
            Map<String, Double> before, Map<String, Double> after, List<String> all) {
        for (String name : TicketWords.different(before, after)) {
            Double turn = after.get(name);
            all.add(name + (turn == null ? " not turned" : " turned by " + degrees(turn)));
        }
    }

    private static String degrees(double turn) {
        return TicketWords.number(turn) + "°";
    }

    private static void hand(List<String> hand, List<String> house, List<String> all) {
        hand.forEach(p -> all.add(p + " by hand"));
        house.forEach(p -> all.add(p + " as the shop fits it"));
    }

    private static List<String> after(Collection<String> one, Collection<String> other) {
        return one.stream().filter(v -> !other.contains(v)).toList();
    }

    /** What is chosen alike for several designators is said once. */
    private static void fittings(
            String where,
            Map<String, Fitting> before,
            Map<String, Fitting> after,
            List<String> all) {
        Map<String, TreeSet<String>> by = new LinkedHashMap<>();
        for (String d : TicketWords.different(before, after)) {
            Fitting f = after.getOrDefault(d, Fitting.AS_LISTED);
            Fitting old = before.getOrDefault(d, Fitting.AS_LISTED);
            by.computeIfAbsent(words(old, f), k -> new TreeSet<>(Designators.ORDER)).add(d);
        }
        by.forEach((words, names) -> all.add(Designators.fold(names) + " " + words + where));
    }

    private static String words(Fitting old, Fitting f) {
        if (!f.fitted().equals(old.fitted())) {
            return f.fitted().map(on -> on ? "fitted" : "left off").orElse("fitted as listed");
        }
        if (!f.footprint().equals(old.footprint())) {
            return f.footprint().map(x -> "on footprint " + x).orElse("on its first footprint");
        }
        if (!f.value().equals(old.value())) {
            return said(f.value(), "is ", "has its listed value");
        }
        return said(f.partNumber(), "is part ", "has its listed part");
    }

    private static String said(Optional<String> value, String is, String usual) {
        return value.map(v -> is + v).orElse(usual);
    }
}
