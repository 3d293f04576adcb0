package dev.lastcut.core.capability;

import dev.lastcut.core.geometry.Length;

/**
 * One number of a sheet as the shop states it.
 *
 * @param unit mm, mil, in or um
 * @param source where the shop says so
 * @param date when it was read there, ISO 8601
 */
public record Limit(double value, String unit, String source, String date) {
    public Limit {
        if (!(value >= 0) || value > 1e6) {
            throw new IllegalArgumentException("a limit must be a number from 0: " + value);
        }
        nmPerUnit(unit);
    }

    public long nm() {
        return Math.round(value * nmPerUnit(unit));
    }

    private static double nmPerUnit(String unit) {
        return switch (unit) {
            case "mm" -> Length.NM_PER_MM;
            case "mil" -> Length.NM_PER_MIL;
            case "in" -> Length.NM_PER_INCH;
            case "um" -> 1_000;
            default ->
                    throw new IllegalArgumentException(
                            "unit must be mm, mil, in or um, not '" + unit + "'");
        };
    }
}
