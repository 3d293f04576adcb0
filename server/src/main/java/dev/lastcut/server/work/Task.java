package dev.lastcut.server.work;

import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * One piece of background work; the work reports through it and asks it whether to go on. Up to its
 * commit point it can be cancelled, and then nothing of it is kept; from there on it cannot, and it
 * ends as done or failed. So what is answered is what is there.
 */
public final class Task {
    private final List<Consumer<TaskState>> listeners = new CopyOnWriteArrayList<>();
    private volatile TaskState state;
    private volatile boolean cancelled;
    private boolean committed;

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

    /**
     * Does what is to be kept, past which the task can no longer be cancelled.
     *
     * @throws CancellationException when it was cancelled before
     */
    public <T> T commit(Supplier<T> kept) {
        synchronized (this) {
            if (cancelled) {
                throw new CancellationException("cancelled");
            }
            committed = true;
        }
        return kept.get();
    }

    /** Cancels it at once, unless it is over or past its commit point. */
    synchronized void cancel() {
        if (!committed && !state.isOver()) {
            cancelled = true;
            finish(TaskState.Status.CANCELLED, "", "");
        }
    }

    /** Ends it, unless it was cancelled already. */
    void finish(TaskState.Status status, String result, String error) {
        change(
                new TaskState(
                        state.id(), status, state.step(), state.done(), state.of(), result, error));
    }

    private synchronized void change(TaskState now) {
        if (!state.isOver()) {
            state = now;
            notifyAll();
            listeners.forEach(l -> l.accept(now));
        }
    }

    /** The state once it is over, or after so long. */
    public synchronized TaskState await(long milliseconds) {
        long until = System.nanoTime() + milliseconds * 1_000_000;
        try {
            while (!state.isOver() && System.nanoTime() < until) {
                wait(Math.max(1, (until - System.nanoTime()) / 1_000_000));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return state;
    }

    /**
     * Tells the listener the present state at once and every change after it. Whoever changes the
     * state waits for the listener: one that may be slow listens through a {@link Mailbox}.
     */
    public synchronized void listen(Consumer<TaskState> listener) {
        listener.accept(state);
        if (!state.isOver()) {
            listeners.add(listener);
        }
    }
}
