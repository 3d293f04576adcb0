package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.milling.ProgramToBoardTransform;

/**
 * A program to rehearse.
 *
 * @param toPack how its coordinates become the pack's
 * @param zero how far the stock's top is above its Z zero, nm
 * @param tool number of the tool in the spindle at its beginning, 0 when the program says
 */
public record Script(
        String name, String text, Side side, ProgramToBoardTransform toPack, long zero, int tool) {}
