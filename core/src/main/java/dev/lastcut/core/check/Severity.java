package dev.lastcut.core.check;

import java.util.Locale;

/** How much a finding matters. */
public enum Severity {
    /** The board will not work or the shop will refuse it. */
    STOP,
    /** Someone should look before it is made. */
    LOOK,
    /** Worth knowing. */
    NOTE;

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** One step less severe. */
    public Severity lower() {
        return this == STOP ? LOOK : NOTE;
    }
}
