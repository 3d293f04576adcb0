package dev.lastcut.core.panel;

import java.util.Locale;
import java.util.Optional;

/** What holds the boards of a panel together until they are parted. */
public enum Join {
    /** Short bridges across a routed channel, with a row of small holes to break at. */
    TABS("tabs with mouse bites"),

    /** Straight V-shaped grooves from edge to edge of the panel. */
    SCORE("V-score"),

    /** Nothing: each board is cut out whole. */
    NONE("nothing");

    private final String words;

    Join(String words) {
        this.words = words;
    }

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    public static Optional<Join> parse(String id) {
        for (Join j : values()) {
            if (j.id().equals(id)) {
                return Optional.of(j);
            }
        }
        return Optional.empty();
    }
}
