package dev.lastcut.server.work;

/**
 * Where a task stands.
 *
 * @param step what is being done now
 * @param done of {@code of} steps
 * @param result what came out when done: the id of what was made; empty otherwise
 * @param error what went wrong when failed, in a sentence; empty otherwise
 */
public record TaskState(
        String id, Status status, String step, int done, int of, String result, String error) {
    /** How far a task is. */
    public enum Status {
        RUNNING,
        DONE,
        FAILED,
        CANCELLED
    }

    public boolean isOver() {
        return status != Status.RUNNING;
    }
}
