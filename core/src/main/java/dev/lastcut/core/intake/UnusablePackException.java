package dev.lastcut.core.intake;

/**
 * A pack that cannot be used at all. The message is one sentence for people: what, and what to do.
 */
public final class UnusablePackException extends Exception {
    private static final long serialVersionUID = 1;

    public UnusablePackException(String sentence) {
        super(sentence);
    }
}
