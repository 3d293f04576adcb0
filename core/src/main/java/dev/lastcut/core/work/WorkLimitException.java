package dev.lastcut.core.work;

/** Work was given up because it takes more than is done for one board. */
public final class WorkLimitException extends RuntimeException {
    private static final long serialVersionUID = 1;

    /**
     * @param sentence for people: what is too much, against which maximum
     */
    public WorkLimitException(String sentence) {
        super(sentence);
    }
}
