package dev.lastcut.server.work;

import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.store.StorageFault;
import jakarta.annotation.PreDestroy;
import java.util.HashMap;
import java.util.Iterator;
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

/**
 * Runs tasks: what computes on a few threads, answers on others, what waits for another machine on
 * others again, so that none holds up the rest. It knows every task that runs, and the latest two
 * hundred that ended.
 */
@Component
public class TaskRunner {
    private static final Logger LOG = LoggerFactory.getLogger(TaskRunner.class);
    private static final int REMEMBERED = 200;

    /**
     * More than there are processors, so that a short check need not wait for two long readings.
     */
    private static final int COMPUTING = 4;

    private static final int WAITING = 16;

    /** Answers are many and mostly short. */
    private static final int ANSWERING = 8;

    /** The work itself; what it returns becomes the task's result. */
    public interface Work {
        String run(Task task) throws Exception;
    }

    private final ExecutorService computing =
            Executors.newFixedThreadPool(COMPUTING, new Daemons("computing"));
    private final ExecutorService answering =
            Executors.newFixedThreadPool(ANSWERING, new Daemons("answering"));
    private final ExecutorService waiting =
            Executors.newFixedThreadPool(WAITING, new Daemons("waiting"));
    private final Map<String, Task> tasks = new LinkedHashMap<>();
    private final Map<Object, Task> byQuestion = new HashMap<>();

    /** Starts something that computes. */
    public TaskState start(Work work) {
        return begin(computing, work).state();
    }

    /** Starts something that mostly waits for another machine. */
    public TaskState startWaiting(Work work) {
        return begin(waiting, work).state();
    }

    /**
     * Starts something that computes, unless the same is being computed: then that task is the
     * answer, however many ask.
     *
     * @param question what is computed of what, as a value
     */
    public synchronized TaskState startOnce(Object question, Work work) {
        byQuestion.values().removeIf(t -> t.state().isOver());
        return byQuestion.computeIfAbsent(question, q -> begin(computing, work)).state();
    }

    /**
     * Starts something that computes an answer for somebody who waits. It becomes one of the tasks
     * that are known when it is {@linkplain #list listed}.
     */
    public Task answer(Work work) {
        Task task = new Task(UUID.randomUUID().toString());
        answering.execute(() -> run(task, work));
        return task;
    }

    /** Makes a task known, so that its state can be asked for and it can be cancelled. */
    public synchronized void list(Task task) {
        forget();
        tasks.put(task.state().id(), task);
    }

    private synchronized Task begin(ExecutorService threads, Work work) {
        Task task = new Task(UUID.randomUUID().toString());
        list(task);
        threads.execute(() -> run(task, work));
        return task;
    }

    /** Drops the oldest of those that ended, and never one that runs. */
    private void forget() {
        Iterator<Task> oldest = tasks.values().iterator();
        while (tasks.size() >= REMEMBERED && oldest.hasNext()) {
            if (oldest.next().state().isOver()) {
                oldest.remove();
            }
        }
    }

    private static void run(Task task, Work work) {
        try {
            String result = WorkLimit.until(task::isCancelled, () -> work.run(task));
            task.finish(TaskState.Status.DONE, result, "");
        } catch (CancellationException | InterruptedException e) {
            task.finish(TaskState.Status.CANCELLED, "", "");
        } catch (UnusablePackException
                | RefusedException
                | NotFoundException
                | WorkLimitException e) {
            task.finish(TaskState.Status.FAILED, "", e.getMessage());
        } catch (OutOfMemoryError e) {
            LOG.error("A task ran out of memory", e);
            task.finish(
                    TaskState.Status.FAILED,
                    "",
                    "There is not enough memory for this. Nothing was changed.");
        } catch (Exception | StackOverflowError e) {
            task.finish(
                    TaskState.Status.FAILED,
                    "",
                    StorageFault.sentence(e)
                            .orElseGet(() -> Mistake.logged(e) + " Nothing was changed."));
        }
    }

    public synchronized Optional<Task> find(String id) {
        return Optional.ofNullable(tasks.get(id));
    }

    public void cancel(String id) {
        find(id).ifPresent(Task::cancel);
    }

    @PreDestroy
    void stop() {
        computing.shutdownNow();
        answering.shutdownNow();
        waiting.shutdownNow();
    }
}
