package dev.lastcut.core.board;

/** A side of the board. */
public enum Side {
    TOP,
    BOTTOM;

    /** "top" or "bottom". */
    public String word() {
        return this == TOP ? "top" : "bottom";
    }
}
