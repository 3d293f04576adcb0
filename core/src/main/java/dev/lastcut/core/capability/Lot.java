package dev.lastcut.core.capability;

/**
 * A fixed price for up to so many pieces up to a size, in place of set-up and area.
 *
 * @param upToBoards the most pieces
 * @param widthMm and {@code heightMm} the largest piece, turned by a quarter if need be
 * @param copperLayers the most copper layers
 * @param total for all of them, however few are ordered
 */
public record Lot(int upToBoards, double widthMm, double heightMm, int copperLayers, double total) {
    private static final double SLACK_MM = 1e-6;

    public Lot {
        if (upToBoards < 1 || copperLayers < 1) {
            throw new IllegalArgumentException(
                    "price.lots: a lot is of 1 board and 1 layer or more");
        }
        if (!(widthMm > 0) || !(heightMm > 0) || !(total >= 0) || Double.isInfinite(total)) {
            throw new IllegalArgumentException(
                    "price.lots: up_to_mm is a width and a height above 0, total an amount from 0");
        }
    }

    /** Whether it can be had for so many pieces of a size. */
    public boolean holds(Quote.Pieces pieces, int layers) {
        double most = Math.max(widthMm, heightMm) + SLACK_MM;
        double least = Math.min(widthMm, heightMm) + SLACK_MM;
        return pieces.count() <= upToBoards
                && layers <= copperLayers
                && Math.max(pieces.widthMm(), pieces.heightMm()) <= most
                && Math.min(pieces.widthMm(), pieces.heightMm()) <= least;
    }
}
