package dev.lastcut.server.work;

import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.jobs.RefusedException;
import jakarta.annotation.PreDestroy;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Runs tasks on two threads and remembers the latest two hundred. */
@Component
public class TaskRunner {
    private static final Logger LOG = LoggerFactory.getLogger(TaskRunner.class);
    private static final int REMEMBERED = 200;

    /** The work itself; what it returns becomes the task's result. */
    public interface Work {
        String run(Task task) throws Exception;
    }

    private final ExecutorService threads = Executors.newFixedThreadPool(2);
    private final Map<String, Task> tasks =
            Collections.synchronizedMap(
                    new LinkedHashMap<>() {
                        @Override
                        protected boolean removeEldestEntry(Map.Entry<String, Task> eldest) {
                            return size() > REMEMBERED;
                        }
                    });

    public TaskState start(Work work) {
        Task task = new Task(UUID.randomUUID().toString());
        tasks.put(task.state().id(), task);
        threads.submit(() -> run(task, work));
        return task.state();
    }

    private static void run(Task task, Work work) {
        try {
            String result = work.run(task);
            if (task.isCancelled()) {
                task.finish(TaskState.Status.CANCELLED, "", "");
            } else {
                task.finish(TaskState.Status.DONE, result, "");
            }
        } catch (CancellationException e) {
            task.finish(TaskState.Status.CANCELLED, "", "");
        } catch (UnusablePackException | RefusedException e) {
            task.finish(TaskState.Status.FAILED, "", e.getMessage());
        } catch (Exception | StackOverflowError | OutOfMemoryError e) {
            LOG.error("A task failed", e);
            task.finish(
                    TaskState.Status.FAILED,
                    "",
                    "This went wrong inside the application (" + e + "). Nothing was changed.");
        }
    }

    public Optional<Task> find(String id) {
        return Optional.ofNullable(tasks.get(id));
    }

    public void cancel(String id) {
        find(id).ifPresent(Task::cancel);
    }

    @PreDestroy
    void stop() {
        threads.shutdownNow();
    }
}
