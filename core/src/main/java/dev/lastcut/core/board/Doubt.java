package dev.lastcut.core.board;

import java.util.Locale;

/**
 * Why it is not certain what a file is. A board with such a file is not released until the user has
 * said.
 *
 * @param text what is open, in a sentence
 * @param about what else it is about: the other version's path, the name of the board it seems to
 *     be of; empty for nothing
 */
public record Doubt(Kind kind, String text, String about) {
    /** A doubt about the file alone. */
    public Doubt(Kind kind, String text) {
        this(kind, text, "");
    }

    /** What is open. */
    public enum Kind {
        /** What the file is at all. */
        ROLE,
        /** Only whether it is of the top or the bottom. */
        SIDE,
        /** Only where in the stack an inner layer lies. */
        ORDER,
        /** It looks like something that another file is already. */
        SHARED,
        /** How large its holes are. */
        SIZE,
        /** Which layers its holes pass. */
        SPAN,
        /** What the columns or cells of a table mean. */
        COLUMNS,
        /** Whether it or another version of the same is meant. */
        VERSION,
        /** Which of several boards in the pack is meant. */
        BOARD;

        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
