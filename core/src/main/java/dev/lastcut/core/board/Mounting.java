package dev.lastcut.core.board;

import java.util.Locale;

/** How a part is held on the board. */
public enum Mounting {
    /** On pads of one side. */
    SURFACE,
    /** By leads in plated holes. */
    LEADED;

    /** As sheets and reports write it. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /**
     * @throws IllegalArgumentException when it is neither
     */
    public static Mounting parse(String id) {
        for (Mounting m : values()) {
            if (m.id().equals(id)) {
                return m;
            }
        }
        throw new IllegalArgumentException(
                "assembly.fits lists surface and leaded, not '" + id + "'");
    }
}
