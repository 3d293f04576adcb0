package dev.lastcut.core.milling.rs274;

/** What is wrong with a line of a program, in a sentence. */
public final class ProgramError extends Exception {
    private static final long serialVersionUID = 1;

    private final int line;

    public ProgramError(int line, String sentence) {
        super(sentence);
        this.line = line;
    }

    /** The line, from 1. */
    public int line() {
        return line;
    }
}
