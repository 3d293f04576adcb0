package dev.lastcut.server.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;

import dev.lastcut.core.intake.UnusablePackException;
import java.util.concurrent.CountDownLatch;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class TaskRunnerTest {
    private final TaskRunner runner = new TaskRunner();

    @AfterEach
    void stop() {
        runner.stop();
    }

    @SuppressWarnings("unchecked")
    private Consumer<TaskState> listen(TaskState task) {
        Consumer<TaskState> listener = mock(Consumer.class);
        runner.find(task.id()).orElseThrow().listen(listener);
        return listener;
    }

    private static void heard(Consumer<TaskState> listener, TaskState.Status status, String part) {
        verify(listener, timeout(10_000))
                .accept(
                        argThat(
                                s ->
                                        s.status() == status
                                                && (s.result() + s.error() + s.step())
                                                        .contains(part)));
    }

    @Test
    void progressAndResultAreTold() {
        CountDownLatch listening = new CountDownLatch(1);
        TaskState task =
                runner.start(
                        t -> {
                            listening.await();
                            t.progress(1, 2, "half way");
                            return "seventeen";
                        });
        Consumer<TaskState> listener = listen(task);
        listening.countDown();
        heard(listener, TaskState.Status.RUNNING, "half way");
        heard(listener, TaskState.Status.DONE, "seventeen");
    }

    @Test
    void aLateListenerHearsTheEnd() {
        TaskState task = runner.start(t -> "done");
        heard(listen(task), TaskState.Status.DONE, "done");
        heard(listen(task), TaskState.Status.DONE, "done");
    }

    @Test
    void workThatAsksIsCancelled() {
        CountDownLatch started = new CountDownLatch(1);
        TaskState task =
                runner.start(
                        t -> {
                            started.countDown();
                            while (!t.isCancelled()) {
                                Thread.onSpinWait();
                            }
                            return "never told";
                        });
        Consumer<TaskState> listener = listen(task);
        runner.cancel(task.id());
        heard(listener, TaskState.Status.CANCELLED, "");
    }

    @Test
    void failuresAreSentencesAndTheRunnerGoesOn() {
        heard(
                listen(
                        runner.start(
                                t -> {
                                    throw new UnusablePackException("x.zip is not a zip file.");
                                })),
                TaskState.Status.FAILED,
                "x.zip is not a zip file.");
        heard(
                listen(
                        runner.start(
                                t -> {
                                    throw new IllegalStateException("broken");
                                })),
                TaskState.Status.FAILED,
                "went wrong inside the application");
        TaskState after = runner.start(t -> "still here");
        heard(listen(after), TaskState.Status.DONE, "still here");
        assertThat(runner.find("unknown")).isEmpty();
    }
}
