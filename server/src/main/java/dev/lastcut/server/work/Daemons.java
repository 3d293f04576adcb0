package dev.lastcut.server.work;

import java.util.concurrent.ThreadFactory;
import java.util.concurrent.atomic.AtomicInteger;

/** Threads that do not keep the application running, by name and number. */
public final class Daemons implements ThreadFactory {
    private final String name;
    private final AtomicInteger made = new AtomicInteger();

    public Daemons(String name) {
        this.name = name;
    }

    @Override
    public Thread newThread(Runnable task) {
        Thread t = new Thread(task, name + "-" + made.incrementAndGet());
        t.setDaemon(true);
        return t;
    }
}
