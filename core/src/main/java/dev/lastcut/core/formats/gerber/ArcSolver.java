package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.Optional;

/** Finds the arc a G02 or G03 means (specification, "Circular interpolation"). */
final class ArcSolver {
    /** Radii that differ by more than this share of the larger one make no circle. */
    private static final double WORST_RADIUS_ERROR = 0.2;

    private ArcSolver() {}

    /** Multi-quadrant mode: the offset is signed; equal ends make a full circle. */
    static Optional<Segment.Arc> multiQuadrant(Pt from, Pt to, long i, long j, boolean clockwise) {
        return checked(
                new Segment.Arc(from, to, (double) from.x() + i, (double) from.y() + j, clockwise));
    }

    /**
     * Single-quadrant mode (deprecated): the offset has no sign and the arc is at most a quarter
     * turn, so of the four candidate centres take the one that fits best.
     */
    static Optional<Segment.Arc> singleQuadrant(Pt from, Pt to, long i, long j, boolean clockwise) {
        if (from.equals(to)) {
            return Optional.empty();
        }
        Segment.Arc best = null;
        double bestError = Double.MAX_VALUE;
        for (int sx = -1; sx <= 1; sx += 2) {
            for (int sy = -1; sy <= 1; sy += 2) {
                Segment.Arc arc =
                        new Segment.Arc(
                                from,
                                to,
                                (double) from.x() + sx * Math.abs(i),
                                (double) from.y() + sy * Math.abs(j),
                                clockwise);
                double error = Math.abs(arc.startRadius() - arc.endRadius());
                if (Math.abs(arc.sweep()) <= Math.PI / 2 + 1e-3 && error < bestError) {
                    best = arc;
                    bestError = error;
                }
            }
        }
        return best == null ? Optional.empty() : checked(best);
    }

    private static Optional<Segment.Arc> checked(Segment.Arc arc) {
        double large = Math.max(arc.startRadius(), arc.endRadius());
        double difference = Math.abs(arc.startRadius() - arc.endRadius());
        if (large == 0 || difference > WORST_RADIUS_ERROR * large) {
            return Optional.empty();
        }
        return Optional.of(arc);
    }
}
