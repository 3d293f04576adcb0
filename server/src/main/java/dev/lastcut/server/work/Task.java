package dev.lastcut.server.work;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;

/** One piece of background work; the work reports through it and asks it whether to go on. */
public final class Task {
    private final List<Consumer<TaskState>> listeners = new CopyOnWriteArrayList<>();
    private volatile TaskState state;
    private volatile boolean cancelled;

    Task(String id) {
        state = new TaskState(id, TaskState.Status.RUNNING, "waiting", 0, 1, "", "");
    }

    public TaskState state() {
        return state;
    }

    public boolean isCancelled() {
        return cancelled;
    }

    public void progress(int done, int of, String step) {
        change(new TaskState(state.id(), TaskState.Status.RUNNING, step, done, of, "", ""));
    }

    void cancel() {
        cancelled = true;
    }

    void finish(TaskState.Status status, String result, String error) {
        change(
                new TaskState(
                        state.id(), status, state.step(), state.done(), state.of(), result, error));
    }

    private synchronized void change(TaskState now) {
        if (!state.isOver()) {
            state = now;
            listeners.forEach(l -> l.accept(now));
        }
    }

    /** Tells the listener the present state at once and every change after it. */
    public synchronized void listen(Consumer<TaskState> listener) {
        listener.accept(state);
        if (!state.isOver()) {
            listeners.add(listener);
        }
    }
}
