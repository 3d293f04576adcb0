package dev.lastcut.core.assignment;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Mounting;
import java.util.Locale;
import java.util.Optional;

/**
 * Who fits one part.
 *
 * @param why the reason in one line, without a full stop
 * @param mounting from its pads and holes; empty where none are known
 */
public record Assignment(Part part, By by, String why, Optional<Mounting> mounting) {
    /** Who fits it. */
    public enum By {
        HOUSE,
        HAND,
        /** Left off in this build, or left to a house that cannot fit it. */
        NOBODY;

        /** As reports write it. */
        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Whether the part is wanted on the board and nobody fits it. */
    public boolean isGap() {
        return by == By.NOBODY && part.fitted();
    }
}
