package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import org.locationtech.jts.geom.Envelope;

/**
 * How program coordinates become the pack's: x_pack = dx ± x_program, y_pack = dy ± y_program
 * (minus where mirrored). Shifts in nm.
 */
public record ProgramToBoardTransform(boolean mirrorX, boolean mirrorY, double dx, double dy) {
    /** Program zero at the board's lower left corner as seen from the side being milled. */
    public static ProgramToBoardTransform seenFrom(
            Side side, MillSetup.FlipAxis turned, Envelope board) {
        if (side == Side.TOP) {
            return new ProgramToBoardTransform(false, false, board.getMinX(), board.getMinY());
        }
        return turned == MillSetup.FlipAxis.UPRIGHT
                ? new ProgramToBoardTransform(true, false, board.getMaxX(), board.getMinY())
                : new ProgramToBoardTransform(false, true, board.getMinX(), board.getMaxY());
    }

    public double programX(double packX) {
        return mirrorX ? dx - packX : packX - dx;
    }

    public double programY(double packY) {
        return mirrorY ? dy - packY : packY - dy;
    }

    /** The pack's x of a program x, nm. */
    public double packX(double programX) {
        return mirrorX ? dx - programX : dx + programX;
    }

    /** The pack's y of a program y, nm. */
    public double packY(double programY) {
        return mirrorY ? dy - programY : dy + programY;
    }

    /** Whether left and right are exchanged: a turn to the right becomes one to the left. */
    public boolean swapsHands() {
        return mirrorX != mirrorY;
    }
}
