package dev.lastcut.server.jobs;

/** A choice was made on a version that no longer holds. */
public final class StaleException extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final int version;
    private final String meanwhile;

    /**
     * @param version the version that holds now
     * @param meanwhile what changed since, in words
     */
    StaleException(int version, String meanwhile) {
        super(
                "This job was changed meanwhile, from another window or by a command: "
                        + meanwhile
                        + ". Your change was not made; look at what holds now, then make it"
                        + " again if it still fits.");
        this.version = version;
        this.meanwhile = meanwhile;
    }

    public int version() {
        return version;
    }

    public String meanwhile() {
        return meanwhile;
    }
}
