package dev.lastcut.server.work;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.server.jobs.RefusedException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(20)
class TaskRunnerTest {
    private final TaskRunner runner = new TaskRunner();
    private final CountDownLatch open = new CountDownLatch(1);

    @AfterEach
    void stop() {
        open.countDown();
        runner.stop();
    }

    private TaskState over(TaskState task) {
        return runner.find(task.id()).orElseThrow().await(15_000);
    }

    /** Before the commit point nothing is kept; from there on it is done, whatever is asked. */
    @Test
    void whatIsAnsweredIsWhatIsThere() throws Exception {
        for (boolean late : new boolean[] {false, true}) {
            AtomicInteger kept = new AtomicInteger();
            CountDownLatch reached = new CountDownLatch(1);
            CountDownLatch on = new CountDownLatch(1);
            TaskState task =
                    runner.start(
                            t -> {
                                if (!late) {
                                    reached.countDown();
                                    on.await();
                                }
                                return t.commit(
                                        () -> {
                                            reached.countDown();
                                            await(on);
                                            return "kept " + kept.incrementAndGet();
                                        });
                            });
            reached.await();
            runner.cancel(task.id());
            if (!late) {
                // Answered at once, though the work has not noticed yet.
                assertThat(runner.find(task.id()).orElseThrow().state().status())
                        .isEqualTo(TaskState.Status.CANCELLED);
            }
            on.countDown();
            TaskState end = over(task);
            assertThat(end.status())
                    .isEqualTo(late ? TaskState.Status.DONE : TaskState.Status.CANCELLED);
            assertThat(end.result()).isEqualTo(late ? "kept 1" : "");
            assertThat(kept.get()).isEqualTo(late ? 1 : 0);
        }
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void stepsOfTheWorkNoticeTheCancel() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        TaskState task =
                runner.start(
                        t -> {
                            try {
                                while (true) {
                                    WorkLimit.step();
                                    begun.countDown();
                                }
                            } finally {
                                ended.countDown();
                            }
                        });
        begun.await();
        runner.cancel(task.id());
        assertThat(ended.await(2, TimeUnit.SECONDS)).isTrue();
    }

    /** Those that wait for other machines, however many, do not hold up what computes. */
    @Test
    void waitingDoesNotHoldUpComputing() {
        for (int i = 0; i < 20; i++) {
            runner.startWaiting(
                    t -> {
                        open.await();
                        return "";
                    });
        }
        assertThat(over(runner.start(t -> "computed")).result()).isEqualTo("computed");
    }

    @Test
    void theSameQuestionIsComputedOnce() {
        AtomicInteger computed = new AtomicInteger();
        List<TaskState> all = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            all.add(
                    runner.startOnce(
                            "how many?",
                            t -> {
                                open.await();
                                return String.valueOf(computed.incrementAndGet());
                            }));
        }
        open.countDown();
        assertThat(all).extracting(t -> over(t).result()).containsOnly("1");
        assertThat(over(runner.startOnce("how many?", t -> "again")).result()).isEqualTo("again");
    }

    @Test
    void aRunningTaskIsNeverForgotten() {
        TaskState long1 =
                runner.startWaiting(
                        t -> {
                            open.await();
                            return "there";
                        });
        TaskState first = runner.start(t -> "");
        over(first);
        for (int i = 0; i < 300; i++) {
            over(runner.start(t -> ""));
        }
        assertThat(runner.find(first.id())).isEmpty();
        open.countDown();
        assertThat(over(long1).result()).isEqualTo("there");
    }

    /** A mistake of ours has a number for the log, and no word of our code. */
    @Test
    void faultsAreSentences() {
        assertThat(over(runner.start(t -> "".substring(3))).error())
                .matches(
                        "This went wrong inside the application \\(error [0-9a-f]{8} in the log\\)\\."
                                + " Nothing was changed\\.");
        TaskState refused =
                runner.start(
                        t -> {
                            throw new RefusedException("Choose a shop first.");
                        });
        assertThat(over(refused).error()).isEqualTo("Choose a shop first.");
    }

    /** A reader that reads nothing holds up neither the work nor the other readers. */
    @Test
    void slowReadersHoldNothingUp() throws Exception {
        CountDownLatch heard = new CountDownLatch(1);
        TaskState task =
                runner.start(
                        t -> {
                            heard.await();
                            for (int i = 0; i < 500; i++) {
                                t.progress(i, 500, "step " + i);
                            }
                            return "done";
                        });
        Task running = runner.find(task.id()).orElseThrow();
        List<TaskState> seen = new ArrayList<>();
        running.listen(new Mailbox<>(s -> await(open)));
        running.listen(
                new Mailbox<>(
                        s -> {
                            synchronized (seen) {
                                seen.add(s);
                                seen.notifyAll();
                            }
                        }));
        heard.countDown();
        assertThat(over(task).result()).isEqualTo("done");
        synchronized (seen) {
            while (seen.isEmpty() || !seen.get(seen.size() - 1).isOver()) {
                seen.wait();
            }
        }
    }
}
