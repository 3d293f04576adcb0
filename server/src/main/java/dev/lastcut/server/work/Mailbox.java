package dev.lastcut.server.work;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;

/**
 * Hands messages to a reader that may be slow, in their order and on another thread, so that
 * whoever sends never waits. Of a reader that reads nothing the oldest messages are dropped.
 */
public final class Mailbox<T> implements Consumer<T> {
    private static final int MOST = 100;

    /** A thread for each reader that is being written to, and none for the others. */
    private static final ExecutorService THREADS =
            Executors.newCachedThreadPool(new Daemons("mailbox"));

    private final Consumer<T> reader;
    private final Deque<T> waiting = new ArrayDeque<>();
    private boolean busy;

    public Mailbox(Consumer<T> reader) {
        this.reader = reader;
    }

    @Override
    public synchronized void accept(T message) {
        if (waiting.size() == MOST) {
            waiting.removeFirst();
        }
        waiting.addLast(message);
        if (!busy) {
            busy = true;
            THREADS.execute(this::deliver);
        }
    }

    private void deliver() {
        for (T next = next(); next != null; next = next()) {
            try {
                reader.accept(next);
            } catch (RuntimeException e) {
                // The reader went away; the others, and what is done, have nothing to do with it.
                clear();
            }
        }
    }

    private synchronized T next() {
        T next = waiting.pollFirst();
        busy = next != null;
        return next;
    }

    private synchronized void clear() {
        waiting.clear();
    }
}
