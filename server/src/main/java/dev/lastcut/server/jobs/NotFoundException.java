package dev.lastcut.server.jobs;

/** Something was asked for that is not there; the message says what. */
public final class NotFoundException extends RuntimeException {
    private static final long serialVersionUID = 1;

    public NotFoundException(String message) {
        super(message);
    }
}
