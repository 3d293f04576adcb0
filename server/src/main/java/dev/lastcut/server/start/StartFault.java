package dev.lastcut.server.start;

/** Why the application cannot start, in a sentence for people, and the exit status that says so. */
public final class StartFault extends Exception {
    private static final long serialVersionUID = 1;

    /** Exit statuses by kind of fault; README lists them. */
    public static final int OPTION = 2;

    public static final int IN_USE = 3;
    public static final int STORAGE = 4;
    public static final int PORT = 5;

    private final int status;

    StartFault(int status, String sentence) {
        super(sentence);
        this.status = status;
    }

    public int status() {
        return status;
    }
}
