package dev.lastcut.core.work;

import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

/**
 * How many steps a piece of work may take, and whether its result is still wanted. It holds for the
 * thread that does the work and, through {@link Parallel}, for those that help it; limits may be
 * nested. Steps are counted and not timed, so that the same board is given up or not on every
 * machine alike. Where no limit was set, steps cost nothing and nothing is given up.
 *
 * <p>One step is about the work of one corner in an overlay of areas: about 5 µs.
 */
public final class WorkLimit {
    private static final ThreadLocal<WorkLimit> CURRENT = new ThreadLocal<>();

    private final WorkLimit outer;
    private final String what;
    private final long most;
    private final BooleanSupplier cancelled;
    private final AtomicLong done = new AtomicLong();

    private WorkLimit(WorkLimit outer, String what, long most, BooleanSupplier cancelled) {
        this.outer = outer;
        this.what = what;
        this.most = most;
        this.cancelled = cancelled;
    }

    /** Something to be done that may fail. */
    public interface Task<T, E extends Exception> {
        T run() throws E;
    }

    /**
     * Does some work within a limit of steps.
     *
     * @param what is done, as the beginning of a sentence: "Reading this pack"
     * @throws WorkLimitException when it takes more steps
     */
    public static <T, E extends Exception> T of(String what, long most, Task<T, E> work) throws E {
        return under(new WorkLimit(CURRENT.get(), what, most, () -> false), work);
    }

    /**
     * Does some work until it is cancelled.
     *
     * @param cancelled asked at every step
     * @throws CancellationException soon after it says so
     */
    public static <T, E extends Exception> T until(BooleanSupplier cancelled, Task<T, E> work)
            throws E {
        return under(new WorkLimit(CURRENT.get(), "", Long.MAX_VALUE, cancelled), work);
    }

    /** Does something small that must be done though a limit is reached: it is not counted. */
    public static <T> T aside(Supplier<T> work) {
        return WorkLimit.<T, RuntimeException>under(null, work::get);
    }

    /**
     * Asks, without counting anything, whether the result is still wanted.
     *
     * @throws CancellationException when it is not
     */
    public static void ask() {
        for (WorkLimit w = CURRENT.get(); w != null; w = w.outer) {
            w.requireWanted();
        }
    }

    /** Counts one step of the work of this thread. */
    public static void step() {
        steps(1);
    }

    /**
     * Counts steps of the work of this thread.
     *
     * @throws WorkLimitException when there were too many
     * @throws CancellationException when the result is no longer wanted
     */
    public static void steps(long number) {
        for (WorkLimit w = CURRENT.get(); w != null; w = w.outer) {
            w.count(number);
        }
    }

    private void requireWanted() {
        if (cancelled.getAsBoolean()) {
            throw new CancellationException("cancelled");
        }
    }

    private void count(long number) {
        requireWanted();
        if (most < Long.MAX_VALUE && done.addAndGet(number) > most) {
            throw new WorkLimitException(
                    "%s takes more than the %,d steps that are done for one board.", what, most);
        }
    }

    /** The limits this thread works under, to be carried to another; null for none. */
    static WorkLimit current() {
        return CURRENT.get();
    }

    /** Does some work under limits that were carried here. */
    static <T, E extends Exception> T under(WorkLimit limit, Task<T, E> work) throws E {
        WorkLimit own = CURRENT.get();
        if (own == limit) {
            return work.run();
        }
        CURRENT.set(limit);
        try {
            return work.run();
        } finally {
            if (own == null) {
                CURRENT.remove();
            } else {
                CURRENT.set(own);
            }
        }
    }
}
