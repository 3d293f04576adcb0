package dev.lastcut.core.capability;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The numbers a capability sheet can hold. */
public enum LimitKey {
    TRACK_WIDTH("Narrowest track", true),
    CLEARANCE("Smallest gap between copper", true),
    ANNULAR_RING("Smallest copper ring round a plated hole", true),
    HOLE_MIN("Smallest hole", true),
    HOLE_MAX("Largest drilled hole", false),
    HOLE_SPACING("Smallest web between holes", true),
    COPPER_TO_EDGE("Copper to board edge", true),
    SILK_TO_MASK("Silk to mask opening", true),
    BOARD_WIDTH_MIN("Narrowest board", true),
    BOARD_HEIGHT_MIN("Lowest board", true),
    BOARD_WIDTH_MAX("Widest board", false),
    BOARD_HEIGHT_MAX("Highest board", false);

    private final String title;
    private final boolean least;

    LimitKey(String title, boolean least) {
        this.title = title;
        this.least = least;
    }

    /** The id used in sheets and reports, such as {@code track-width}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String title() {
        return title;
    }

    /** True when the board must be at least this; false when at most. */
    public boolean isLeast() {
        return least;
    }

    public static Optional<LimitKey> parse(String id) {
        return Arrays.stream(values()).filter(k -> k.id().equals(id)).findFirst();
    }
}
