package dev.lastcut.core.capability;

import dev.lastcut.core.geometry.Length;

/**
 * One number of a sheet as the shop states it.
 *
 * @param unit mm, mil, in or um; {@code ratio} for a number without a unit
 * @param source where the shop says so
 * @param date when it was read there, ISO 8601
 */
public record Limit(double value, String unit, String source, String date) {
    /** The unit of numbers that are not lengths. */
    public static final String RATIO = "ratio";

    public Limit {
        if (!(value >= 0) || value > 1e6) {
            throw new IllegalArgumentException("a limit must be a number from 0: " + value);
        }
        if (unit == null) {
            throw new IllegalArgumentException("a limit needs its unit");
        }
        source = source == null ? "" : source;
        date = date == null ? "" : date;
        perUnit(unit);
    }

    /** The length in nm; a ratio as it is. */
    public double amount() {
        return hasNoUnit() ? value : nm();
    }

    public boolean hasNoUnit() {
        return unit.equals(RATIO);
    }

    public long nm() {
        return Math.round(value * perUnit(unit));
    }

    private static double perUnit(String unit) {
        return switch (unit) {
            case "mm" -> Length.NM_PER_MM;
            case "mil" -> Length.NM_PER_MIL;
            case "in" -> Length.NM_PER_INCH;
            case "um" -> 1_000;
            case RATIO -> 1;
            default ->
                    throw new IllegalArgumentException(
                            "unit must be mm, mil, in, um or ratio, not '" + unit + "'");
        };
    }
}
