package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import java.util.List;

/**
 * What one program does with one tool.
 *
 * @param file the program's name within the milling folder
 * @param depth deepest cut below the stock's top, nm
 * @param minutes time estimate from feeds and rapids; no acceleration, no tool change
 */
public record Operation(
        String file,
        Kind kind,
        Side side,
        Cutter cutter,
        double depth,
        ToPack toPack,
        List<ToolPath> paths,
        double minutes) {
    public Operation {
        paths = List.copyOf(paths);
    }

    /** The sorts of operation. */
    public enum Kind {
        ISOLATION,
        DRILLING,
        BORING,
        CUTOUT,
        CONTOUR;

        public String id() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }
}
