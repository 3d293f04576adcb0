package dev.lastcut.core.catalogue;

import dev.lastcut.core.value.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/**
 * Two parts held side by side.
 *
 * @param rows one for each parameter that either states
 * @param samePackage whether the other goes on the same pads
 * @param pinsDiffer where a pin of the other is another; empty when all agree
 * @param pinsKnown whether both state their pins
 */
public record Comparison(
        List<Row> rows, boolean samePackage, List<String> pinsDiffer, boolean pinsKnown) {
    /** How the other part stands. */
    public enum Verdict {
        BETTER,
        EQUAL,
        WORSE,
        /** Another thing, neither better nor worse: a colour, a dielectric. */
        OTHER,
        NOT_STATED
    }

    /**
     * One parameter.
     *
     * @param why what the verdict rests on, where it needs saying
     */
    public record Row(
            String parameter,
            Optional<DataValue> original,
            Optional<DataValue> other,
            Verdict verdict,
            String why) {}

    public static Comparison of(CataloguePart original, CataloguePart other) {
        TreeSet<String> names = new TreeSet<>(original.values().keySet());
        names.addAll(other.values().keySet());
        List<Row> rows = new ArrayList<>();
        for (String name : names) {
            rows.add(row(name, original.value(name), other.value(name)));
        }
        boolean known = !original.pins().isEmpty() && !other.pins().isEmpty();
        return new Comparison(
                List.copyOf(rows),
                original.packageName().equals(other.packageName()),
                known ? pins(original, other) : List.of(),
                known);
    }

    /** How many rows came out so. */
    public long count(Verdict v) {
        return rows.stream().filter(r -> r.verdict() == v).count();
    }

    private static Row row(String name, Optional<DataValue> a, Optional<DataValue> b) {
        if (b.isEmpty()) {
            return new Row(name, a, b, Verdict.NOT_STATED, "");
        }
        if (a.isEmpty()) {
            return new Row(name, a, b, Verdict.OTHER, "the original does not state it");
        }
        Judged j = judge(Parameter.of(name), a.get(), b.get());
        boolean conditions =
                !a.get().condition().equals(b.get().condition()) && j.verdict != Verdict.NOT_STATED;
        return new Row(
                name,
                a,
                b,
                j.verdict,
                conditions ? (j.why + " measured under other conditions").strip() : j.why);
    }

    private record Judged(Verdict verdict, String why) {}

    private static Judged judge(Optional<Parameter> p, DataValue a, DataValue b) {
        if (a.word().isPresent() || b.word().isPresent()) {
            boolean same = a.word().equals(b.word());
            return new Judged(same ? Verdict.EQUAL : Verdict.OTHER, "");
        }
        Parameter.Better better = p.map(Parameter::better).orElse(Parameter.Better.SAME);
        return switch (better) {
            case HIGHER -> bounds(a, b, 1, true);
            case LOWER -> bounds(a, b, -1, false);
            case WIDER -> wider(a, b);
            case SAME -> same(a, b);
        };
    }

    /**
     * A guaranteed bound is held against a guaranteed one, and typical against typical: what one
     * guarantees and the other only calls typical is not stated.
     */
    private static Judged bounds(DataValue a, DataValue b, int sign, boolean minFirst) {
        record Bound(Optional<Double> a, Optional<Double> b) {}
        Bound min = new Bound(a.min(), b.min());
        Bound max = new Bound(a.max(), b.max());
        Bound typ = new Bound(a.typ(), b.typ());
        for (Bound x : minFirst ? List.of(min, max, typ) : List.of(max, typ, min)) {
            if (x.a.isPresent() && x.b.isPresent()) {
                return new Judged(ordered(a, x.a.get(), b, x.b.get(), sign), "");
            }
        }
        return new Judged(
                Verdict.NOT_STATED,
                "one states a guaranteed bound, the other only a typical number");
    }

    private static Verdict ordered(DataValue a, double x, DataValue b, double y, int sign) {
        Optional<Quantity> qa = a.quantity(x);
        Optional<Quantity> qb = b.quantity(y);
        if (qa.isEmpty() || qb.isEmpty() || !qa.get().isAlike(qb.get())) {
            return a.unit().equals(b.unit()) ? verdict(x, y, sign) : Verdict.OTHER;
        }
        return verdict(qa.get().value(), qb.get().value(), sign);
    }

    private static Verdict verdict(double original, double other, int sign) {
        if (Math.abs(original - other) <= 1e-9 * Math.max(Math.abs(original), Math.abs(other))) {
            return Verdict.EQUAL;
        }
        return (other - original) * sign > 0 ? Verdict.BETTER : Verdict.WORSE;
    }

    private static Judged wider(DataValue a, DataValue b) {
        if (a.min().isEmpty() || a.max().isEmpty() || b.min().isEmpty() || b.max().isEmpty()) {
            return new Judged(Verdict.NOT_STATED, "one end of the range is missing");
        }
        Verdict low = ordered(a, a.min().get(), b, b.min().get(), -1);
        Verdict high = ordered(a, a.max().get(), b, b.max().get(), 1);
        if (low == Verdict.WORSE || high == Verdict.WORSE) {
            return new Judged(Verdict.WORSE, low == Verdict.WORSE ? "lower end" : "upper end");
        }
        return new Judged(low == Verdict.EQUAL ? high : low, "");
    }

    private static Judged same(DataValue a, DataValue b) {
        if (a.usual().isEmpty() || b.usual().isEmpty()) {
            return new Judged(a.equals(b) ? Verdict.EQUAL : Verdict.OTHER, "");
        }
        Verdict v = ordered(a, a.usual().get(), b, b.usual().get(), 1);
        return new Judged(v == Verdict.EQUAL ? Verdict.EQUAL : Verdict.OTHER, "");
    }

    private static List<String> pins(CataloguePart original, CataloguePart other) {
        List<String> all = new ArrayList<>();
        for (CataloguePart.Pin p : original.pins()) {
            Optional<CataloguePart.Pin> q =
                    other.pins().stream().filter(x -> x.pin().equals(p.pin())).findFirst();
            if (q.isEmpty()) {
                all.add("pin " + p.pin() + " (" + p.name() + ") is missing");
            } else if (q.get().role() != p.role() || !q.get().name().equals(p.name())) {
                all.add("pin " + p.pin() + " is " + q.get().name() + ", not " + p.name());
            }
        }
        for (CataloguePart.Pin q : other.pins()) {
            if (original.pins().stream().noneMatch(p -> p.pin().equals(q.pin()))) {
                all.add("pin " + q.pin() + " (" + q.name() + ") is one more");
            }
        }
        return List.copyOf(all);
    }
}
