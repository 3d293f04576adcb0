package dev.lastcut.server.jobs;

/** A request that cannot be carried out as things stand; the message says why and what to do. */
public final class RefusedException extends RuntimeException {
    private static final long serialVersionUID = 1;

    public RefusedException(String message) {
        super(message);
    }
}
