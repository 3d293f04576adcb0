package dev.lastcut.server.jobs;

import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Reads boards in the background when a job is looked at, each one once. */
@Component
public class Opening {
    /** A board that is read within this time is shown without a word about reading. */
    private static final long PATIENCE_MS = 300;

    private final JobService jobs;
    private final TicketService tickets;
    private final TaskRunner tasks;
    private final Map<String, String> running = new ConcurrentHashMap<>();

    Opening(JobService jobs, TicketService tickets, TaskRunner tasks) {
        this.jobs = jobs;
        this.tickets = tickets;
        this.tasks = tasks;
    }

    /**
     * Makes sure that a job's board is read.
     *
     * @return the task that reads it, or empty when it is there
     * @throws RefusedException when it cannot be read
     */
    public Optional<TaskState> open(long id) {
        jobs.job(id);
        if (jobs.isRead(id)) {
            return Optional.empty();
        }
        String key = id + " " + tickets.now(id).version();
        String task = running.computeIfAbsent(key, k -> start(id, k));
        TaskState state = tasks.find(task).map(t -> t.await(PATIENCE_MS)).orElseThrow();
        if (state.status() == TaskState.Status.FAILED) {
            throw new RefusedException(state.error());
        }
        return state.isOver() ? Optional.empty() : Optional.of(state);
    }

    private String start(long id, String key) {
        return tasks.start(task -> read(id, key, task)).id();
    }

    private String read(long id, String key, Task task) {
        try {
            jobs.read(id, task);
            return String.valueOf(id);
        } finally {
            running.remove(key);
        }
    }
}
