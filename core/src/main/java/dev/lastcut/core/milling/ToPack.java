package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import org.locationtech.jts.geom.Envelope;

/**
 * How program coordinates become the pack's: x_pack = dx ± x_program (minus when mirrored), y_pack
 * = dy + y_program. Shifts in nm.
 */
public record ToPack(boolean mirrorX, double dx, double dy) {
    /** Program zero at the board's lower left corner as seen from the side being milled. */
    public static ToPack seenFrom(Side side, Envelope board) {
        return side == Side.TOP
                ? new ToPack(false, board.getMinX(), board.getMinY())
                : new ToPack(true, board.getMaxX(), board.getMinY());
    }

    public double programX(double packX) {
        return mirrorX ? dx - packX : packX - dx;
    }

    public double programY(double packY) {
        return packY - dy;
    }
}
