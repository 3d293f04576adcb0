package dev.lastcut.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class WorkLimitTest {
    private static final List<Integer> MANY = IntStream.range(0, 2_000).boxed().toList();

    @Test
    void countsTheStepsOfAllThreads() {
        String done = WorkLimit.of("This", 2_000, () -> work(MANY));
        assertThat(done).isEqualTo("2000");
        assertThatThrownBy(() -> WorkLimit.of("This", 1_999, () -> work(MANY)))
                .isInstanceOf(WorkLimitException.class)
                .hasMessage("This takes more than the 1,999 steps that are done for one board.");
    }

    private static String work(List<Integer> all) {
        return String.valueOf(
                Parallel.map(
                                all,
                                i -> {
                                    WorkLimit.step();
                                    return i;
                                })
                        .size());
    }

    /** What is done within counts for those about it, and the narrower of them ends it. */
    @Test
    void outerLimitsHoldWithin() {
        assertThatThrownBy(
                        () ->
                                WorkLimit.of(
                                        "All",
                                        10,
                                        () -> {
                                            WorkLimit.steps(6);
                                            return WorkLimit.of("One", 8, () -> steps(6));
                                        }))
                .hasMessageStartingWith("All takes");
        assertThatThrownBy(
                        () -> WorkLimit.of("All", 10, () -> WorkLimit.of("One", 5, () -> steps(6))))
                .hasMessageStartingWith("One takes");
        // Behind it nothing is limited any more.
        assertThat(steps(100)).isEqualTo(100);
    }

    private static long steps(long n) {
        WorkLimit.steps(n);
        return n;
    }

    /** What must be said of a limit that is reached can be said. */
    @Test
    void asideOfALimitNothingIsCounted() {
        assertThatThrownBy(
                        () ->
                                WorkLimit.of(
                                        "This",
                                        10,
                                        () -> {
                                            String said =
                                                    WorkLimit.aside(
                                                            () -> {
                                                                WorkLimit.steps(1_000);
                                                                return "aside";
                                                            });
                                            assertThat(said).isEqualTo("aside");
                                            WorkLimit.steps(11);
                                            return said;
                                        }))
                .isInstanceOf(WorkLimitException.class);
    }

    @Test
    void endsAtTheNextStepAfterItIsCancelled() {
        AtomicBoolean cancelled = new AtomicBoolean();
        int[] done = {0};
        assertThatThrownBy(
                        () ->
                                WorkLimit.until(
                                        cancelled::get,
                                        () -> {
                                            while (true) {
                                                WorkLimit.step();
                                                cancelled.set(++done[0] == 7);
                                            }
                                        }))
                .isInstanceOf(CancellationException.class);
        assertThat(done[0]).isEqualTo(7);
    }

    @Test
    void isCarriedToOtherThreads() throws Exception {
        Thread[] other = new Thread[1];
        Throwable[] fault = new Throwable[1];
        WorkLimit.of(
                "This",
                5,
                () -> {
                    var carried = Parallel.carried(() -> steps(6));
                    other[0] = new Thread(carried::get);
                    other[0].setUncaughtExceptionHandler((t, e) -> fault[0] = e);
                    other[0].start();
                    return null;
                });
        other[0].join();
        assertThat(fault[0]).isInstanceOf(WorkLimitException.class);
    }
}
