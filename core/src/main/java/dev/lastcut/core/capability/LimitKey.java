package dev.lastcut.core.capability;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The numbers a capability sheet can hold: lengths, and ratios without a unit. */
public enum LimitKey {
    TRACK_WIDTH("Narrowest track", true),
    CLEARANCE("Smallest gap between copper", true),
    COPPER_SLIVER("Narrowest neck of copper", true),
    COPPER_TO_EDGE("Copper to board edge", true),
    COPPER_TO_HOLE("Copper to unplated hole", true),
    ANNULAR_RING("Smallest copper ring round a plated hole", true),
    HOLE_MIN("Smallest hole", true),
    HOLE_MAX("Largest drilled hole", false),
    SLOT_WIDTH("Narrowest slot", true),
    HOLE_SPACING("Smallest web between holes", true),
    HOLE_TO_EDGE("Hole to board edge", true),
    ASPECT_RATIO("Board thickness to hole", false, true),
    MASK_DAM("Narrowest web of mask", true),
    MASK_EXPANSION("Mask opening beyond its pad", true),
    MASK_TO_COPPER("Mask opening to other copper", true),
    SILK_WIDTH("Thinnest silk stroke", true),
    SILK_HEIGHT("Lowest silk lettering", true),
    SILK_TO_MASK("Silk to mask opening", true),
    STENCIL_AREA_RATIO("Stencil opening to its wall, by area", true, true),
    STENCIL_ASPECT("Stencil opening width to foil", true, true),
    STENCIL_WEB("Narrowest web of stencil", true),
    BOARD_WIDTH_MIN("Narrowest board", true),
    BOARD_HEIGHT_MIN("Lowest board", true),
    BOARD_WIDTH_MAX("Widest board", false),
    BOARD_HEIGHT_MAX("Highest board", false);

    private final String title;
    private final boolean least;
    private final boolean ratio;

    LimitKey(String title, boolean least) {
        this(title, least, false);
    }

    LimitKey(String title, boolean least, boolean ratio) {
        this.title = title;
        this.least = least;
        this.ratio = ratio;
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

    /** True for a number without a unit; false for a length. */
    public boolean isRatio() {
        return ratio;
    }

    public static Optional<LimitKey> parse(String id) {
        return Arrays.stream(values()).filter(k -> k.id().equals(id)).findFirst();
    }
}
