package dev.lastcut.core.panel;

import java.util.Locale;
import java.util.Optional;

/** The sides of a panel that have a strip of bare material. */
public enum Rails {
    NONE(false, false),
    LEFT_RIGHT(true, false),
    TOP_BOTTOM(false, true),
    ALL(true, true);

    private final boolean beside;
    private final boolean above;

    Rails(boolean beside, boolean above) {
        this.beside = beside;
        this.above = above;
    }

    /** Whether there are rails at the left and right. */
    public boolean beside() {
        return beside;
    }

    /** Whether there are rails at the top and bottom. */
    public boolean above() {
        return above;
    }

    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Rails> parse(String id) {
        for (Rails r : values()) {
            if (r.id().equals(id)) {
                return Optional.of(r);
            }
        }
        return Optional.empty();
    }
}
