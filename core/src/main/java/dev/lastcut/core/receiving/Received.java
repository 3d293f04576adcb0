package dev.lastcut.core.receiving;

import java.util.List;
import java.util.Map;

/**
 * What was handed over, as far as it can be seen on what comes back.
 *
 * @param boards how many were ordered
 * @param options title to value and unit, as ordered or as the shop usually has it
 * @param thicknessMm 0 when nobody said
 * @param placed parts the house fits on each board
 * @param accepted findings that were signed off
 */
public record Received(
        int boards,
        double widthMm,
        double heightMm,
        double thicknessMm,
        List<Gauge> gauges,
        long slots,
        Map<String, String> options,
        int placed,
        List<Accepted> accepted) {
    /** Round holes of one size. */
    public record Gauge(double diameterMm, boolean plated, int count) {}

    /** A finding that was signed off, and why. */
    public record Accepted(String rule, double xMm, double yMm, String message, String reason) {}
}
