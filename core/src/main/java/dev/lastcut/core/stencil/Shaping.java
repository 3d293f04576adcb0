package dev.lastcut.core.stencil;

import java.util.Optional;

/**
 * How openings are shaped; what is empty is left as drawn.
 *
 * @param reduceMm taken off on each side
 * @param reducePercent taken off the area, the shape staying alike
 * @param cornerMm radius of the corners
 */
public record Shaping(
        Optional<Double> reduceMm,
        Optional<Double> reducePercent,
        Optional<Double> cornerMm,
        Optional<Panes> panes,
        Optional<HomePlate> homePlate) {
    public static final Shaping AS_DRAWN =
            new Shaping(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty());

    public Shaping {
        within("reduce_mm", reduceMm, 0, 5);
        within("reduce_percent", reducePercent, 0, 99);
        within("corner_mm", cornerMm, 0, 5);
        if (reduceMm.isPresent() && reducePercent.isPresent()) {
            throw new IllegalArgumentException(
                    "openings are reduced by reduce_mm or by reduce_percent, not by both");
        }
    }

    private static void within(String key, Optional<Double> n, double least, double most) {
        n.filter(v -> !(v >= least && v <= most))
                .ifPresent(
                        v -> {
                            throw new IllegalArgumentException(
                                    key + " is from " + least + " to " + most + ", not " + v);
                        });
    }

    /** This, and where it says nothing, what another says. */
    public Shaping over(Shaping base) {
        boolean reduces = reduceMm.isPresent() || reducePercent.isPresent();
        return new Shaping(
                reduces ? reduceMm : base.reduceMm,
                reduces ? reducePercent : base.reducePercent,
                cornerMm.or(base::cornerMm),
                panes.or(base::panes),
                homePlate.or(base::homePlate));
    }
}
