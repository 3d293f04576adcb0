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

    /** Such as {@code 1.1 typ, 1.3 max V at 800 mA}. */
    public String words() {
        if (word.isPresent()) {
            return word.get();
        }
        StringBuilder all = new StringBuilder();
        add(all, min, "at least ");
        add(all, typ, "");
        add(all, max, "at most ");
        if (all.isEmpty()) {
            return "not stated";
        }
        return condition.isEmpty() ? all.toString() : all + " (" + condition + ")";
    }

    private void add(StringBuilder all, Optional<Double> n, String word) {
        n.ifPresent(
                x -> {
                    String shown =
                            quantity(x)
                                    .filter(q -> !unit.isEmpty() && !unit.equals("%"))
                                    .map(q -> Prefix.words(q.value(), q.unit()))
                                    .orElse(plain(x) + (unit.isEmpty() ? "" : " " + unit));
                    all.append(all.isEmpty() ? "" : ", ").append(word).append(shown);
                });
    }

    private static String plain(double x) {
        return x == Math.rint(x) ? String.valueOf((long) x) : String.valueOf(x);
    }
}
