package dev.lastcut.core.capability;

import java.util.EnumSet;
import java.util.Set;

/**
 * What a shop adds once for a board that has something finer than its usual work.
 *
 * @param limit what is measured on the board
 * @param below a board whose own smallest measure is smaller pays it
 * @param setup once
 * @param percent of set-up and area, or of the lot in their place
 */
public record FineSurcharge(LimitKey limit, Limit below, double setup, double percent) {
    /** What is known of every board: a surcharge for anything else could not be told. */
    public static final Set<LimitKey> MEASURED =
            EnumSet.of(
                    LimitKey.TRACK_WIDTH,
                    LimitKey.CLEARANCE,
                    LimitKey.ANNULAR_RING,
                    LimitKey.HOLE_MIN,
                    LimitKey.SLOT_WIDTH,
                    LimitKey.HOLE_SPACING,
                    LimitKey.COPPER_TO_EDGE,
                    LimitKey.HOLE_TO_EDGE);

    private static final double HALF_NM = 0.5;

    public FineSurcharge {
        if (!MEASURED.contains(limit)) {
            throw new IllegalArgumentException(
                    "price.fine: " + limit.id() + " is not measured on boards");
        }
        if (below.hasNoUnit()) {
            throw new IllegalArgumentException("price.fine: below is a length with its unit");
        }
        if (!Double.isFinite(setup + percent) || setup < 0 || percent < 0) {
            throw new IllegalArgumentException("price.fine: setup and percent are from 0");
        }
    }

    /** Whether something of a board, nm, is finer; at the limit itself it is not. */
    public boolean isFor(double nm) {
        return nm < below.nm() - HALF_NM;
    }

    /** In money, on the price of set-up and area. */
    double amount(double base) {
        return setup + percent / 100 * base;
    }
}
