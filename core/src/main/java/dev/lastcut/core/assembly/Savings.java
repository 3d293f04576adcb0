package dev.lastcut.core.assembly;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Comparison;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.value.Amount;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.PreferredNumbers;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What could be chosen otherwise to pay less, each with what it saves. */
public final class Savings {
    /** Values further apart than this are not proposed to be made one (common practice). */
    private static final double ALIKE = 0.05;

    /** Kinds compared with each other at most, the dearest of a size first. */
    private static final int NEIGHBOURS = 3;

    /** What a hint proposes. */
    public enum Kind {
        /** The same value kept on the machines, on the same pads. */
        LINE_STOCK,
        /** The same value kept on the machines in another package: the board must change. */
        OTHER_PACKAGE,
        /** Two kinds whose values are near made one. */
        MAKE_EQUAL,
        /** The nearest value of a coarser series. */
        NEAREST_VALUE,
        /** A kind over what the shop loads, left to be fitted by hand. */
        BY_HAND
    }

    /**
     * One hint.
     *
     * @param words what to do, in a sentence
     * @param saves per batch; empty when no price tells
     * @param effectPercent by how much a value changes; 0 when it does not
     * @param take what is chosen when it is taken, by designator; empty when the board must change
     * @param part what is fitted then, if it is another part that is known
     */
    public record Hint(
            Kind kind,
            String words,
            Optional<Double> saves,
            double effectPercent,
            Map<String, Fitting> take,
            Optional<CataloguePart> part) {}

    private final PartsPlan plan;
    private final CapabilitySheet sheet;
    private final Cost.Terms terms;

    /** How many of each number there are on a board. */
    private final Map<String, Integer> pieces = new HashMap<>();

    /** Parts kept on the machines, by kind and package. */
    private final Map<String, List<CataloguePart>> line = new HashMap<>();

    private final List<Hint> hints = new ArrayList<>();

    private Savings(
            List<PartsList.Line> kinds,
            PartsPlan plan,
            CapabilitySheet sheet,
            int boards,
            boolean fitted) {
        this.plan = plan;
        this.sheet = sheet;
        this.terms = Cost.Terms.of(sheet, boards, fitted);
        kinds.forEach(l -> pieces.merge(l.part().partNumber(), l.quantity(), Integer::sum));
    }

    /**
     * @param fitted whether the shop is to fit them: for bare boards it loads nothing
     * @param offers parts of the counter that could be taken instead, for any of the kinds
     * @return what can be taken first, of that what saves most; what is known to cost more is left
     *     out
     */
    public static List<Hint> of(
            List<Part> parts,
            PartsPlan plan,
            List<CataloguePart> offers,
            CapabilitySheet sheet,
            int boards,
            boolean fitted) {
        List<PartsList.Line> kinds = PartsList.kinds(parts);
        Savings s = new Savings(kinds, plan, sheet, boards, fitted);
        Map<String, List<CataloguePart>> byValue = new HashMap<>();
        offers.forEach(
                o ->
                        value(o).ifPresent(
                                        v ->
                                                byValue.computeIfAbsent(v, k -> new ArrayList<>())
                                                        .add(o)));
        offers.stream()
                .filter(o -> o.supply().lineStock())
                .forEach(
                        o ->
                                s.line.computeIfAbsent(
                                                o.kind() + " " + o.packageName(),
                                                k -> new ArrayList<>())
                                        .add(o));
        for (PartsList.Line l : kinds) {
            s.lineStock(l, byValue);
            s.nearest(l, byValue);
        }
        s.equal(kinds);
        if (fitted) {
            s.byHand(kinds);
        }
        s.hints.removeIf(h -> h.saves().filter(x -> x < 0.005).isPresent());
        // What can be taken here and now comes first.
        s.hints.sort(
                Comparator.comparing((Hint h) -> h.take().isEmpty())
                        .thenComparing(h -> -h.saves().orElse(0.0)));
        return List.copyOf(s.hints);
    }

    private static Optional<String> value(CataloguePart p) {
        for (Dimension d :
                List.of(Dimension.RESISTANCE, Dimension.CAPACITANCE, Dimension.INDUCTANCE)) {
            Optional<Double> v =
                    p.value(d.name().toLowerCase(Locale.ROOT))
                            .flatMap(x -> x.usual().flatMap(x::quantity))
                            .map(q -> q.value());
            if (v.isPresent()) {
                return Optional.of(key(v.get(), d));
            }
        }
        return Optional.empty();
    }

    private static String key(double value, Dimension d) {
        return d + " " + new BigDecimal(value).round(new MathContext(6)).stripTrailingZeros();
    }

    private static Optional<Amount> amount(PartsList.Line l) {
        return l.part()
                .meaning()
                .amount()
                .filter(a -> a.of() != Dimension.NONE && a.of() != Dimension.FREQUENCY)
                .filter(a -> a.asDouble() > 0);
    }

    private void lineStock(PartsList.Line l, Map<String, List<CataloguePart>> byValue) {
        Optional<CataloguePart> now = plan.known(l.part());
        if (now.isEmpty() || now.get().supply().lineStock()) {
            return;
        }
        line.getOrDefault(now.get().kind() + " " + now.get().packageName(), List.of()).stream()
                .filter(p -> noWorse(now.get(), p))
                .findFirst()
                .ifPresent(
                        p ->
                                swap(
                                        Kind.LINE_STOCK,
                                        l,
                                        p,
                                        0,
                                        names(l)
                                                + ": "
                                                + p.number()
                                                + " is kept on the machines, in the same package and"
                                                + " in nothing worse"));
        if (amount(l).isEmpty()) {
            return;
        }
        Amount a = amount(l).get();
        byValue.getOrDefault(key(a.asDouble(), a.of()), List.of()).stream()
                .filter(p -> p.supply().lineStock() && p.kind().equals(now.get().kind()))
                .filter(p -> !p.packageName().equals(now.get().packageName()))
                .findFirst()
                .ifPresent(
                        p ->
                                hints.add(
                                        new Hint(
                                                Kind.OTHER_PACKAGE,
                                                names(l)
                                                        + ": "
                                                        + a.words()
                                                        + " is kept on the machines in "
                                                        + p.packageName()
                                                        + "; the board would need that footprint",
                                                saves(l, p),
                                                0,
                                                Map.of(),
                                                Optional.of(p))));
    }

    /** In every parameter stated equal or better, and on the same pins. */
    private static boolean noWorse(CataloguePart now, CataloguePart other) {
        Comparison c = Comparison.of(now, other);
        return c.count(Comparison.Verdict.WORSE) == 0
                && c.count(Comparison.Verdict.OTHER) == 0
                && c.count(Comparison.Verdict.NOT_STATED) == 0
                && c.pinsDiffer().isEmpty();
    }

    /** A value of no usual series, and the nearest that is kept on the machines. */
    private void nearest(PartsList.Line l, Map<String, List<CataloguePart>> byValue) {
        Optional<Amount> a = amount(l);
        Optional<CataloguePart> now = plan.known(l.part());
        boolean loaded = now.filter(p -> !p.supply().lineStock()).isPresent();
        if (a.isEmpty() || PreferredNumbers.E12.contains(a.get().asDouble())) {
            return;
        }
        boolean odd = !PreferredNumbers.E24.contains(a.get().asDouble());
        if (!loaded && !odd) {
            return;
        }
        PreferredNumbers series = odd ? PreferredNumbers.E24 : PreferredNumbers.E12;
        double to = series.nearest(a.get().asDouble());
        double effect = 100 * (to / a.get().asDouble() - 1);
        if (Math.abs(effect) > 100 * ALIKE) {
            return;
        }
        String wanted = now.map(CataloguePart::packageName).orElse(l.part().packageName());
        Optional<CataloguePart> part =
                byValue.getOrDefault(key(to, a.get().of()), List.of()).stream()
                        .filter(p -> p.packageName().equals(wanted))
                        .min(Comparator.comparing(p -> !p.supply().lineStock()));
        Amount next = new Amount(new BigDecimal(to).round(new MathContext(6)), a.get().of());
        String words =
                names(l)
                        + ": "
                        + next.words()
                        + " of "
                        + series
                        + " in place of "
                        + a.get().words()
                        + ", "
                        + percent(effect);
        if (part.isPresent()) {
            swap(Kind.NEAREST_VALUE, l, part.get(), effect, words, Optional.of(next.words()));
        } else {
            Map<String, Fitting> take = new TreeMap<>(Designators.ORDER);
            l.designators().forEach(d -> take.put(d, value(next.words(), Optional.empty())));
            hints.add(
                    new Hint(
                            Kind.NEAREST_VALUE,
                            words,
                            Optional.empty(),
                            effect,
                            take,
                            Optional.empty()));
        }
    }

    /** Kinds of one package whose values are near: the one with more pieces stays. */
    private void equal(List<PartsList.Line> kinds) {
        Map<String, List<PartsList.Line>> groups = new HashMap<>();
        for (PartsList.Line l : kinds) {
            amount(l)
                    .ifPresent(
                            a ->
                                    groups.computeIfAbsent(
                                                    a.of() + " " + l.part().packageName(),
                                                    k -> new ArrayList<>())
                                            .add(l));
        }
        for (List<PartsList.Line> group : groups.values()) {
            group.sort(Comparator.comparing(l -> amount(l).orElseThrow()));
            for (int i = 0; i < group.size(); i++) {
                for (int k = i + 1; k < group.size() && k <= i + NEIGHBOURS; k++) {
                    pair(group.get(i), group.get(k));
                }
            }
        }
    }

    private void pair(PartsList.Line a, PartsList.Line b) {
        double x = amount(a).orElseThrow().asDouble();
        double y = amount(b).orElseThrow().asDouble();
        if (y / x - 1 > ALIKE) {
            return;
        }
        boolean aStays =
                stays(a) > stays(b) || (stays(a) == stays(b) && a.quantity() >= b.quantity());
        PartsList.Line stay = aStays ? a : b;
        PartsList.Line go = aStays ? b : a;
        double effect = aStays ? 100 * (x / y - 1) : 100 * (y / x - 1);
        String words =
                names(go)
                        + " as "
                        + names(stay)
                        + ": "
                        + amount(stay).orElseThrow().words()
                        + " in place of "
                        + amount(go).orElseThrow().words()
                        + (effect == 0 ? ", the same value" : ", " + percent(effect))
                        + "; one kind less";
        Map<String, Fitting> take = new TreeMap<>(Designators.ORDER);
        Optional<String> number = Optional.of(stay.part().partNumber()).filter(n -> !n.isEmpty());
        go.designators().forEach(d -> take.put(d, value(stay.part().value(), number)));
        Optional<CataloguePart> part = plan.known(stay.part());
        hints.add(
                new Hint(
                        Kind.MAKE_EQUAL,
                        words,
                        part.flatMap(p -> saves(go, p)),
                        effect,
                        take,
                        part));
    }

    /** What is known and kept on the machines stays before what is not. */
    private int stays(PartsList.Line l) {
        return plan.known(l.part()).map(p -> p.supply().lineStock() ? 2 : 1).orElse(0);
    }

    private void byHand(List<PartsList.Line> kinds) {
        if (sheet.assembly().isEmpty() || sheet.assembly().get().counts().loadedKinds().isEmpty()) {
            return;
        }
        int most = sheet.assembly().get().counts().loadedKinds().getAsInt();
        List<PartsList.Line> loaded =
                kinds.stream()
                        .filter(
                                l ->
                                        plan.known(l.part())
                                                .filter(p -> !p.supply().lineStock())
                                                .isPresent())
                        .sorted(Comparator.comparingInt(PartsList.Line::quantity))
                        .toList();
        for (int i = 0; i < loaded.size() - most; i++) {
            PartsList.Line l = loaded.get(i);
            Map<String, Fitting> take = new TreeMap<>(Designators.ORDER);
            l.designators().forEach(d -> take.put(d, Fitting.fitted(false)));
            hints.add(
                    new Hint(
                            Kind.BY_HAND,
                            names(l) + " left to be fitted by hand",
                            sheet.assembly().map(a -> a.fees().loading()).filter(f -> f > 0),
                            0,
                            take,
                            Optional.empty()));
        }
    }

    private void swap(Kind kind, PartsList.Line l, CataloguePart p, double effect, String words) {
        swap(kind, l, p, effect, words, Optional.empty());
    }

    private void swap(
            Kind kind,
            PartsList.Line l,
            CataloguePart p,
            double effect,
            String words,
            Optional<String> value) {
        Map<String, Fitting> take = new TreeMap<>(Designators.ORDER);
        l.designators()
                .forEach(
                        d ->
                                take.put(
                                        d,
                                        value.map(v -> value(v, Optional.of(p.number())))
                                                .orElse(Fitting.number(p.number()))));
        hints.add(new Hint(kind, words, saves(l, p), effect, take, Optional.of(p)));
    }

    private static Fitting value(String value, Optional<String> number) {
        return new Fitting(Optional.empty(), Optional.of(value), number, Optional.empty());
    }

    /**
     * What the batch costs less when a kind becomes another part, which may be on the list already;
     * empty when the part it is now has no price.
     */
    private Optional<Double> saves(PartsList.Line l, CataloguePart p) {
        Optional<Double> now =
                plan.known(l.part()).flatMap(k -> terms.kind(k.supply(), l.quantity()));
        if (now.isEmpty()) {
            return Optional.empty();
        }
        int there = pieces.getOrDefault(p.number(), 0);
        double before = there == 0 ? 0 : terms.kind(p.supply(), there).orElse(0.0);
        return terms.kind(p.supply(), there + l.quantity())
                .map(after -> now.get() + before - after);
    }

    private static String names(PartsList.Line l) {
        String all = Designators.fold(l.designators());
        return all.length() <= 40
                ? all
                : l.designators().get(0) + " and " + (l.quantity() - 1) + " more";
    }

    private static String percent(double effect) {
        return String.format(Locale.ROOT, "%+.1f %%", effect);
    }
}
