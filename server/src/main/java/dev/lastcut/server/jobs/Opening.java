package dev.lastcut.server.jobs;

import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Reads boards in the background when a job is looked at, each one once. */
@Component
public class Opening {
    /** A board that is read within this time is shown without a word about reading. */
    public static final long PATIENCE_MS = 300;

    /** The patience of who has nothing to show meanwhile. */
    public static final long LONGEST_MS = 600_000;

    private final JobService jobs;
    private final TicketService tickets;
    private final TaskRunner tasks;

    private record Question(long job, int version) {}

    Opening(JobService jobs, TicketService tickets, TaskRunner tasks) {
        this.jobs = jobs;
        this.tickets = tickets;
        this.tasks = tasks;
    }

    /** Makes sure that a job's board is read; waits a little, as most are read quickly. */
    public Optional<TaskState> open(long id) {
        return open(id, PATIENCE_MS);
    }

    /**
     * The same, with a patience of one's own.
     *
     * @param patienceMs how long to wait for it
     * @return the task that reads it, or empty when it is there
     * @throws RefusedException when it cannot be read
     */
    public Optional<TaskState> open(long id, long patienceMs) {
        jobs.job(id);
        if (jobs.isRead(id)) {
            return Optional.empty();
        }
        TaskState begun =
                tasks.startOnce(
                        new Question(id, tickets.now(id).version()),
                        task -> {
                            jobs.read(id, task);
                            return String.valueOf(id);
                        });
        TaskState state = tasks.find(begun.id()).map(t -> t.await(patienceMs)).orElse(begun);
        if (state.status() == TaskState.Status.FAILED) {
            throw new RefusedException(state.error());
        }
        return state.isOver() ? Optional.empty() : Optional.of(state);
    }
}
