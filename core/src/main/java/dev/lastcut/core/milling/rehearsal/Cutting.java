package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.milling.rs274.Step;

/**
 * A step of a program as it meets the stock.
 *
 * @param script index of the program
 * @param tool in the spindle; null when not known
 * @param x0 start in the pack's coordinates, nm
 * @param depth0 how far the tip is below the surface at the start, nm; negative above it
 * @param startMinute when it begins, from the beginning of the first program
 */
record Cutting(
        int script,
        Step step,
        Cutter tool,
        double x0,
        double y0,
        double depth0,
        double x1,
        double y1,
        double depth1,
        double startMinute,
        double minutes) {
    boolean isFeed() {
        return step.kind() == Step.Kind.FEED || step.kind() == Step.Kind.PROBE;
    }

    boolean cuts() {
        return tool != null && step.moves() && Math.max(depth0, depth1) > 0;
    }
}
