package dev.lastcut.core.work;

import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/**
 * The same done for many, on all processors, under the {@link WorkLimit} of the thread that asks.
 * Results keep the order of what they are of.
 */
public final class Parallel {
    private Parallel() {}

    public static <T, R> List<R> map(Collection<T> all, Function<? super T, ? extends R> one) {
        WorkLimit limit = WorkLimit.current();
        return all.parallelStream()
                .<R>map(x -> WorkLimit.<R, RuntimeException>under(limit, () -> one.apply(x)))
                .toList();
    }

    /** For the numbers from 0 to below {@code count}. */
    public static <R> List<R> map(int count, IntFunction<? extends R> one) {
        WorkLimit limit = WorkLimit.current();
        return IntStream.range(0, count)
                .parallel()
                .<R>mapToObj(i -> WorkLimit.<R, RuntimeException>under(limit, () -> one.apply(i)))
                .toList();
    }

    public static <T> void forEach(Collection<T> all, Consumer<? super T> one) {
        map(
                all,
                x -> {
                    one.accept(x);
                    return Boolean.TRUE;
                });
    }

    /** What is asked for on another thread, under the limits of this one. */
    public static <T> Supplier<T> carried(Supplier<T> work) {
        WorkLimit limit = WorkLimit.current();
        return () -> WorkLimit.<T, RuntimeException>under(limit, work::get);
    }
}
