package dev.lastcut.core.catalogue;

import dev.lastcut.core.value.Prefix;
import dev.lastcut.core.value.Quantity;
import java.util.Optional;

/**
 * One line of a data sheet.
 *
 * @param min least; empty when not stated, as are the others
 * @param unit with or without prefix, such as mA; empty for a plain number
 * @param condition what it was measured at, such as "at 50 mA, 25 °C"; empty when not stated
 * @param word for what is no number, such as X7R
 */
public record DataValue(
        Optional<Double> min,
        Optional<Double> typ,
        Optional<Double> max,
        String unit,
        String condition,
        Optional<String> word) {
    public static DataValue typ(double typ, String unit) {
        return new DataValue(
                Optional.empty(), Optional.of(typ), Optional.empty(), unit, "", Optional.empty());
    }

    public static DataValue min(double min, String unit, String condition) {
        return new DataValue(
                Optional.of(min),
                Optional.empty(),
                Optional.empty(),
                unit,
                condition,
                Optional.empty());
    }

    public static DataValue max(double max, String unit, String condition) {
        return new DataValue(
                Optional.empty(),
                Optional.empty(),
                Optional.of(max),
                unit,
                condition,
                Optional.empty());
    }

    public static DataValue word(String word) {
        return new DataValue(
                Optional.empty(), Optional.empty(), Optional.empty(), "", "", Optional.of(word));
    }

    /** One of its numbers with its unit; empty when the unit is not known. */
    public Optional<Quantity> quantity(double number) {
        return Quantity.of(number, unit);
    }

    /** What it says of the usual part, else the one bound there is. */
    public Optional<Double> usual() {
        return typ.or(
                () -> min.isPresent() && max.isPresent() ? Optional.empty() : min.or(() -> max));
    }

    /** Such as {@code 220 mV typical, at most 350 mV (at 200 mA)}. */
    public String words() {
        if (word.isPresent()) {
            return word.get();
        }
        StringBuilder all = new StringBuilder();
        if (min.isPresent() && max.isPresent() && typ.isEmpty()) {
            all.append(shown(min.get())).append(" to ").append(shown(max.get()));
        } else {
            boolean alone = min.isEmpty() && max.isEmpty();
            min.ifPresent(x -> add(all, "at least " + shown(x)));
            typ.ifPresent(x -> add(all, shown(x) + (alone ? "" : " typical")));
            max.ifPresent(x -> add(all, "at most " + shown(x)));
        }
        if (all.isEmpty()) {
            return "not stated";
        }
        return condition.isEmpty() ? all.toString() : all + " (" + condition + ")";
    }

    private static void add(StringBuilder all, String words) {
        all.append(all.isEmpty() ? "" : ", ").append(words);
    }

    private String shown(double x) {
        return quantity(x)
                .filter(q -> !unit.isEmpty() && !unit.equals("%") && !unit.equals("°C"))
                .map(q -> Prefix.words(q.value(), q.unit()))
                .orElse(plain(x) + (unit.isEmpty() ? "" : " " + unit));
    }

    private static String plain(double x) {
        return x == Math.rint(x) ? String.valueOf((long) x) : String.valueOf(x);
    }
}
