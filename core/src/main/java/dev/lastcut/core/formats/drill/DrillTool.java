package dev.lastcut.core.formats.drill;

import java.util.Optional;
import java.util.OptionalInt;

/**
 * A tool as a file beside the drill file states it.
 *
 * @param plated whether its holes are plated; empty where that is not stated
 * @param count how many holes it drills; empty where that is not stated
 */
public record DrillTool(long diameterNm, Optional<Boolean> plated, OptionalInt count) {
    /** A tool of which only the size is known. */
    public static DrillTool of(long diameterNm) {
        return new DrillTool(diameterNm, Optional.empty(), OptionalInt.empty());
    }
}
