package dev.lastcut.server.orders;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.desk.Cuts;
import dev.lastcut.server.desk.DeskServer;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.InterruptedWork;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.store.DeskOrderStore;
import dev.lastcut.server.store.DeskOrderStore.State;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import dev.lastcut.server.work.TaskState.Status;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** Work is cancelled at each of its steps in turn: what is answered then is what is there. */
@Timeout(240)
class CancelledAnywhereTest {
    private static final long LONG_MS = 60_000;
    private static final int MOST_STEPS = 400;

    @TempDir Path data;
    private Workshop workshop;
    private int cancelled;

    @BeforeEach
    void open() {
        workshop = new Workshop(data, Map.of());
    }

    @AfterEach
    void shut() {
        workshop.close();
    }

    /** What a round leaves is asked once it answered and its work has ended. */
    private interface Left {
        void is(boolean done, String result);
    }

    /**
     * Does the work again and again, each time cancelled one step later, until it ends before that
     * step comes.
     */
    private void atEveryStep(TaskRunner.Work work, Left left) throws Exception {
        TaskRunner runner = workshop.a(TaskRunner.class);
        for (int step = 0; step < MOST_STEPS; step++) {
            CountDownLatch begin = new CountDownLatch(1);
            Jobs.Going going =
                    Jobs.start(
                            runner,
                            t -> {
                                begin.await();
                                return work.run(t);
                            });
            Task task = going.task();
            AtomicInteger heard = new AtomicInteger();
            int at = step;
            boolean[] reached = new boolean[1];
            task.listen(
                    s -> {
                        // The first is told of the state before anything was done.
                        if (!s.isOver() && heard.getAndIncrement() == at + 1) {
                            reached[0] = true;
                            runner.cancel(s.id());
                        }
                    });
            begin.countDown();
            TaskState answer = task.await(LONG_MS);
            assertThat(going.ended().await(LONG_MS, TimeUnit.MILLISECONDS)).isTrue();
            assertThat(answer.status())
                    .as("step %d: %s", step, answer)
                    .isIn(Status.DONE, Status.CANCELLED);
            cancelled += answer.status() == Status.CANCELLED ? 1 : 0;
            left.is(answer.status() == Status.DONE, answer.result());
            assertThat(workshop.a(InterruptedWork.class).all()).isEmpty();
            if (!reached[0]) {
                assertThat(answer.status()).isEqualTo(Status.DONE);
                return;
            }
        }
        throw new AssertionError("more than " + MOST_STEPS + " steps");
    }

    @Test
    void bringingIn() throws Exception {
        AtomicInteger there = new AtomicInteger();
        AtomicInteger round = new AtomicInteger();
        atEveryStep(
                t ->
                        String.valueOf(
                                workshop.a(JobService.class)
                                        .bringIn(Jobs.pack("p" + round.getAndIncrement()), t)),
                (done, result) -> {
                    there.addAndGet(done ? 1 : 0);
                    assertThat(workshop.a(JobStore.class).all()).hasSize(there.get());
                });
        assertThat(cancelled).isGreaterThanOrEqualTo(3);
    }

    @Test
    void cutting() throws Exception {
        long job = Jobs.begun(workshop);
        Jobs.work(
                workshop,
                s -> {},
                t -> {
                    workshop.a(CheckService.class).check(job, t);
                    return "";
                });
        AtomicInteger there = new AtomicInteger();
        AtomicInteger round = new AtomicInteger();
        atEveryStep(
                t -> {
                    // Another number each time, so that nothing is there from the round before.
                    int boards = 5 + round.incrementAndGet();
                    workshop.a(ChoiceService.class)
                            .choose(
                                    job,
                                    Optional.empty(),
                                    before -> before.with(d -> d.order = d.order.of(boards)));
                    return String.valueOf(workshop.a(OutputService.class).cut(job, t));
                },
                (done, result) -> {
                    there.addAndGet(done ? 1 : 0);
                    assertThat(workshop.a(CutStore.class).all(job)).hasSize(there.get());
                });
        assertThat(cancelled).isGreaterThanOrEqualTo(3);
    }

    /** A checked board has findings of this very check, or none. */
    @Test
    void checking() throws Exception {
        long job = Jobs.begun(workshop);
        AtomicInteger round = new AtomicInteger();
        CheckService checks = workshop.a(CheckService.class);
        atEveryStep(
                t -> {
                    double percent = 1 + round.incrementAndGet() * 0.01;
                    workshop.a(ChoiceService.class)
                            .choose(
                                    job,
                                    Optional.empty(),
                                    before ->
                                            before.with(
                                                    d -> d.headroom = Headroom.ofPercent(percent)));
                    checks.check(job, t);
                    return "";
                },
                (done, result) -> assertThat(checks.lastCheck(job).isPresent()).isEqualTo(done));
        assertThat(cancelled).isGreaterThanOrEqualTo(10);
    }

    @Test
    void sendingToTheDesk() throws Exception {
        byte[] zip = Cuts.of("p07_mill_single", "longcomb-fine", Ticket.BLANK).zip();
        OutputService outputs = mock(OutputService.class);
        when(outputs.cutZip(anyLong(), anyInt())).thenReturn(zip);
        long job = Jobs.begun(workshop);
        try (DeskServer desk = new DeskServer(0, data.resolve("desk.db"), Duration.ZERO)) {
            OrderService orders =
                    new OrderService(
                            workshop.a(DeskOrderStore.class),
                            outputs,
                            new Shipments(outputs, workshop.a(JobService.class)),
                            desk::address,
                            LONG_MS);
            atEveryStep(
                    t -> orders.send(job, 1, t),
                    (done, result) -> {
                        State state = orders.of(job).get(0).state();
                        assertThat(state).isEqualTo(done ? State.READ : State.LEFT);
                    });
            assertThat(Jobs.orders(data.resolve("desk.db"))).isEmpty();
        }
        assertThat(cancelled).isGreaterThanOrEqualTo(3);
    }
}
