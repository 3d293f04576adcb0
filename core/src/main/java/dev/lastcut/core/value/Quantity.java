package dev.lastcut.core.value;

import java.util.Map;
import java.util.Optional;

/**
 * A number with its unit, as powers of volt, ampere, second, metre and kelvin (units of the SI).
 *
 * @param value in those units
 */
public record Quantity(double value, Powers powers) {
    /** Powers of the five units. */
    public record Powers(int volt, int ampere, int second, int metre, int kelvin) {
        public static final Powers NONE = new Powers(0, 0, 0, 0, 0);

        private Powers plus(Powers o, int sign) {
            return new Powers(
                    volt + sign * o.volt,
                    ampere + sign * o.ampere,
                    second + sign * o.second,
                    metre + sign * o.metre,
                    kelvin + sign * o.kelvin);
        }
    }

    private static final Map<String, Powers> UNITS =
            Map.ofEntries(
                    Map.entry("V", new Powers(1, 0, 0, 0, 0)),
                    Map.entry("A", new Powers(0, 1, 0, 0, 0)),
                    Map.entry("s", new Powers(0, 0, 1, 0, 0)),
                    Map.entry("m", new Powers(0, 0, 0, 1, 0)),
                    Map.entry("K", new Powers(0, 0, 0, 0, 1)),
                    Map.entry("Ω", new Powers(1, -1, 0, 0, 0)),
                    Map.entry("W", new Powers(1, 1, 0, 0, 0)),
                    Map.entry("F", new Powers(-1, 1, 1, 0, 0)),
                    Map.entry("H", new Powers(1, -1, 1, 0, 0)),
                    Map.entry("C", new Powers(0, 1, 1, 0, 0)),
                    Map.entry("J", new Powers(1, 1, 1, 0, 0)),
                    Map.entry("Hz", new Powers(0, 0, -1, 0, 0)),
                    Map.entry("°C", new Powers(0, 0, 0, 0, 1)),
                    Map.entry("K/W", new Powers(-1, -1, 0, 0, 1)),
                    Map.entry("", Powers.NONE));

    /**
     * A number of a unit with or without prefix, such as 70 and {@code mA}.
     *
     * @return empty when nobody knows the unit
     */
    public static Optional<Quantity> of(double number, String unit) {
        String plain = unit.replaceFirst("(?i)ohms?$|\u2126$", "Ω");
        if (plain.equals("%")) {
            return Optional.of(new Quantity(number / 100, Powers.NONE));
        }
        if (UNITS.containsKey(plain)) {
            return Optional.of(new Quantity(number, UNITS.get(plain)));
        }
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        String prefix = plain.substring(0, 1);
        String rest = plain.substring(1);
        Optional<Integer> power = Prefix.power(prefix);
        if (rest.isEmpty() || power.isEmpty() || !UNITS.containsKey(rest)) {
            return Optional.empty();
        }
        int p = power.get();
        // Divided by a whole number, so that 70 mA is the double nearest to 0.07.
        double scaled = p < 0 ? number / Math.pow(10, -p) : number * Math.pow(10, p);
        return Optional.of(new Quantity(scaled, UNITS.get(rest)));
    }

    public boolean isAlike(Quantity other) {
        return powers.equals(other.powers);
    }

    Quantity times(Quantity o) {
        return new Quantity(value * o.value, powers.plus(o.powers, 1));
    }

    Quantity by(Quantity o) {
        return new Quantity(value / o.value, powers.plus(o.powers, -1));
    }

    Quantity plus(Quantity o, int sign) {
        return new Quantity(value + sign * o.value, powers);
    }

    /** The unit alone: {@code A}, {@code Ω}, or powers where it has no name. */
    public String unit() {
        if (powers.kelvin == 1 && powers.equals(UNITS.get("K"))) {
            return "°C";
        }
        return UNITS.entrySet().stream()
                .filter(e -> e.getValue().equals(powers))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseGet(this::spelled);
    }

    private String spelled() {
        StringBuilder all = new StringBuilder();
        factor(all, "V", powers.volt);
        factor(all, "A", powers.ampere);
        factor(all, "s", powers.second);
        factor(all, "m", powers.metre);
        factor(all, "K", powers.kelvin);
        return all.toString();
    }

    private static void factor(StringBuilder all, String unit, int power) {
        if (power != 0) {
            all.append(all.isEmpty() ? "" : "·").append(unit).append(power == 1 ? "" : power);
        }
    }

    /** Such as {@code 63.8 mA}. */
    public String words() {
        return Prefix.words(value, unit());
    }
}
