package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import java.util.List;

/**
 * What one tool does in one go.
 *
 * @param file the program's name when it has one of its own
 * @param tool the tool's number in the rack, from 1
 * @param depth deepest cut below the stock's top, nm
 * @param zero how far the stock's top is above the program's Z zero, nm
 * @param minutes time estimate from feeds and rapids; no acceleration, no tool change
 */
public record Operation(
        String file,
        Kind kind,
        Side side,
        Cutter cutter,
        int tool,
        double depth,
        long zero,
        ProgramToBoardTransform toPack,
        List<ToolPath> paths,
        double minutes) {
    public Operation {
        paths = List.copyOf(paths);
    }

    /** The sorts of operation. */
    public enum Kind {
        PINS("index pins"),
        ISOLATION("isolation"),
        DRILLING("drilling"),
        BORING("boring"),
        CUTOUT("cut-outs"),
        CONTOUR("contour"),
        STENCIL("stencil");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String id() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        /** For people. */
        public String words() {
            return words;
        }
    }

    /** The same with other paths: a levelled one follows the surface. */
    public Operation withPaths(List<ToolPath> other) {
        return new Operation(file, kind, side, cutter, tool, depth, zero, toPack, other, minutes);
    }
}
