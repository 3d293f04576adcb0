package dev.lastcut.core.capability;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The numbers a capability sheet can hold: lengths, and ratios without a unit. */
public enum LimitKey {
    TRACK_WIDTH("Minimum track width", true),
    CLEARANCE("Minimum copper clearance", true),
    COPPER_SLIVER("Minimum copper neck", true),
    COPPER_TO_EDGE("Copper-to-edge clearance", true),
    COPPER_TO_HOLE("Copper-to-hole clearance (NPTH)", true),
    ANNULAR_RING("Minimum annular ring", true),
    HOLE_MIN("Minimum hole diameter", true),
    HOLE_MAX("Maximum hole diameter", false),
    SLOT_WIDTH("Minimum slot width", true),
    HOLE_SPACING("Minimum hole spacing", true),
    HOLE_TO_EDGE("Hole-to-edge clearance", true),
    ASPECT_RATIO("Aspect ratio of holes", false, true),
    MASK_DAM("Minimum solder mask web", true),
    MASK_EXPANSION("Minimum mask expansion", true),
    MASK_TO_COPPER("Mask opening to other copper", true),
    SILK_WIDTH("Minimum silkscreen line width", true),
    SILK_HEIGHT("Minimum silkscreen text height", true),
    SILK_TO_MASK("Silkscreen to mask opening", true),
    STENCIL_AREA_RATIO("Stencil area ratio", true, true),
    STENCIL_ASPECT("Stencil aspect ratio", true, true),
    STENCIL_WEB("Minimum stencil web", true),
    HABIT_TRACK_SURFACE("Usual track width, surface parts", true),
    HABIT_TRACK_LEADED("Usual track width, leaded parts", true),
    DECOUPLING("Decoupling capacitor from its supply pin", false),
    BOARD_WIDTH_MIN("Minimum board width", true),
    BOARD_HEIGHT_MIN("Minimum board height", true),
    BOARD_WIDTH_MAX("Maximum board width", false),
    BOARD_HEIGHT_MAX("Maximum board height", false);

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

    /** True for what is usual there and no limit: nothing is held against it. */
    public boolean isHabit() {
        return this == HABIT_TRACK_SURFACE || this == HABIT_TRACK_LEADED;
    }

    /** True for a number without a unit; false for a length. */
    public boolean isRatio() {
        return ratio;
    }

    public static Optional<LimitKey> parse(String id) {
        return Arrays.stream(values()).filter(k -> k.id().equals(id)).findFirst();
    }
}
