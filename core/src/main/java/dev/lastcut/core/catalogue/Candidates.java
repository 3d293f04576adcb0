package dev.lastcut.core.catalogue;

import dev.lastcut.core.value.Amount;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.PartValue;
import dev.lastcut.core.value.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Which of a counter's parts a line of the list can mean, and why. */
public final class Candidates {
    private Candidates() {}

    /**
     * What a line asks for.
     *
     * @param number as it stands on the list; empty for none
     */
    public record Wanted(String number, PartValue value, String packageName) {}

    /** How well a part answers. */
    public enum Match {
        /** The number on the list is its number. */
        NUMBER,
        /** Value, package and all ratings agree. */
        VALUE_AND_PACKAGE,
        /** The value agrees; something else does not. */
        VALUE
    }

    /**
     * A part that may be meant.
     *
     * @param evidence what speaks for it
     * @param against what does not agree
     */
    public record Candidate(
            CataloguePart part, Match match, List<String> evidence, List<String> against) {
        /** Fit to be taken without looking: the number says so and nothing speaks against it. */
        public boolean isSure() {
            return match == Match.NUMBER && against.isEmpty();
        }
    }

    /** Those of a counter's offers that can be meant, the best first. */
    public static List<Candidate> of(Wanted wanted, List<CataloguePart> offers) {
        List<Candidate> all = new ArrayList<>();
        for (CataloguePart p : offers) {
            of(wanted, p).ifPresent(all::add);
        }
        all.sort(
                Comparator.comparing(Candidate::match)
                        .thenComparing(c -> c.against().size())
                        .thenComparing(c -> !c.part().supply().lineStock())
                        .thenComparing(c -> c.part().supply().stock() == 0)
                        .thenComparing(c -> c.part().supply().life())
                        .thenComparing(c -> c.part().supply().price(1).orElse(Double.MAX_VALUE))
                        .thenComparing(c -> c.part().number()));
        return List.copyOf(all);
    }

    private static Optional<Candidate> of(Wanted w, CataloguePart p) {
        List<String> evidence = new ArrayList<>();
        List<String> against = new ArrayList<>();
        boolean number = !w.number.isBlank() && plain(w.number).equals(plain(p.number()));
        if (number) {
            evidence.add("the number on the list");
        }
        boolean value = value(w.value, p, evidence, against);
        if (!w.packageName.isEmpty() && !p.packageName().isEmpty()) {
            boolean same = w.packageName.equals(p.packageName());
            (same ? evidence : against)
                    .add(same ? "package " + p.packageName() : "its package is " + p.packageName());
        }
        // Volts in the name of a regulator are no rating: only beside an amount they are.
        if (w.value.amount().isPresent()) {
            ratings(w.value, p, evidence, against);
        }
        if (!number && !value) {
            return Optional.empty();
        }
        Match match =
                number ? Match.NUMBER : against.isEmpty() ? Match.VALUE_AND_PACKAGE : Match.VALUE;
        return Optional.of(new Candidate(p, match, List.copyOf(evidence), List.copyOf(against)));
    }

    private static boolean value(
            PartValue v, CataloguePart p, List<String> evidence, List<String> against) {
        Optional<Amount> amount = v.amount().filter(a -> a.of() != Dimension.NONE);
        Optional<DataValue> has = amount.flatMap(a -> p.value(parameter(a.of()).id()));
        if (amount.isPresent() && has.isPresent()) {
            Optional<Quantity> q = has.get().usual().flatMap(has.get()::quantity);
            boolean same =
                    q.isPresent()
                            && Math.abs(q.get().value() - amount.get().asDouble())
                                    <= 1e-6 * Math.abs(amount.get().asDouble());
            (same ? evidence : against)
                    .add(same ? amount.get().words() : "it is " + has.get().words());
            return same;
        }
        String wanted = plain(v.text());
        boolean named =
                wanted.length() > 2
                        && (plain(p.number()).contains(wanted)
                                || plain(p.description()).contains(wanted));
        if (named) {
            evidence.add("named " + v.text().strip());
        }
        return named;
    }

    static Parameter parameter(Dimension d) {
        return switch (d) {
            case RESISTANCE -> Parameter.RESISTANCE;
            case CAPACITANCE -> Parameter.CAPACITANCE;
            case INDUCTANCE -> Parameter.INDUCTANCE;
            default -> Parameter.FREQUENCY;
        };
    }

    private static void ratings(
            PartValue v, CataloguePart p, List<String> evidence, List<String> against) {
        v.volts().ifPresent(x -> atLeast(p, Parameter.VOLTAGE_RATING, x, "V", evidence, against));
        v.watts().ifPresent(x -> atLeast(p, Parameter.POWER, x, "W", evidence, against));
        v.tolerancePercent()
                .ifPresent(
                        x -> {
                            Optional<Double> has =
                                    p.value(Parameter.TOLERANCE.id())
                                            .flatMap(d -> d.max().or(d::typ));
                            if (has.isPresent()) {
                                boolean ok = has.get() <= x * (1 + 1e-9);
                                (ok ? evidence : against).add("±" + plain(has.get()) + " %");
                            }
                        });
        v.dielectric()
                .ifPresent(
                        x ->
                                p.value(Parameter.DIELECTRIC.id())
                                        .flatMap(DataValue::word)
                                        .ifPresent(d -> (d.equals(x) ? evidence : against).add(d)));
    }

    private static void atLeast(
            CataloguePart p,
            Parameter rating,
            double wanted,
            String unit,
            List<String> evidence,
            List<String> against) {
        Optional<DataValue> v = p.value(rating.id());
        Optional<Quantity> has = v.flatMap(d -> d.max().or(d::typ).flatMap(d::quantity));
        if (has.isEmpty()) {
            against.add(rating.title() + " not stated");
            return;
        }
        boolean ok = has.get().value() >= wanted * (1 - 1e-9);
        String words = plain(has.get().value()) + " " + unit;
        (ok ? evidence : against).add(ok ? words : words + " only");
    }

    private static String plain(double x) {
        return x == Math.rint(x) ? String.valueOf((long) x) : String.valueOf(x);
    }

    private static String plain(String s) {
        return s.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    }
}
