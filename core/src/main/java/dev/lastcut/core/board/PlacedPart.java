package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Pt;

/**
 * One part of the placement file.
 *
 * @param at its centre
 * @param rotationDeg counter-clockwise as seen from the top of the board, as the file gives it
 */
public record PlacedPart(
        String designator,
        String value,
        String footprint,
        Pt at,
        double rotationDeg,
        Side side,
        int line) {
    /** The same on another side. */
    public PlacedPart on(Side other) {
        return new PlacedPart(designator, value, footprint, at, rotationDeg, other, line);
    }

    /** The same at another place. */
    public PlacedPart movedTo(Pt place) {
        return new PlacedPart(designator, value, footprint, place, rotationDeg, side, line);
    }

    /** The same with another rotation, degrees. */
    public PlacedPart turned(double deg) {
        return new PlacedPart(designator, value, footprint, at, deg, side, line);
    }
}
