package dev.lastcut.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

/** A board that takes long to read holds up nobody who asks for it. */
class OpeningTest {
    private final JobService jobs = mock(JobService.class);
    private final TicketService tickets = mock(TicketService.class);
    private final TaskRunner tasks = new TaskRunner();
    private final Opening opening = new Opening(jobs, tickets, tasks);

    @Test
    void itIsReadOnceInTheBackgroundAndThenThere() throws Exception {
        CountDownLatch release = new CountDownLatch(1);
        AtomicBoolean read = new AtomicBoolean();
        when(tickets.now(7)).thenReturn(new TicketService.Chosen(3, Ticket.BLANK));
        when(jobs.isRead(7)).thenAnswer(i -> read.get());
        doAnswer(
                        i -> {
                            release.await();
                            read.set(true);
                            return null;
                        })
                .when(jobs)
                .read(eq(7L), any());
        TaskState first = opening.open(7).orElseThrow();
        TaskState second = opening.open(7).orElseThrow();
        assertThat(first.status()).isEqualTo(TaskState.Status.RUNNING);
        assertThat(second.id()).isEqualTo(first.id());
        release.countDown();
        TaskState over = tasks.find(first.id()).orElseThrow().await(TimeUnit.SECONDS.toMillis(20));
        assertThat(over.status()).isEqualTo(TaskState.Status.DONE);
        assertThat(opening.open(7)).isEqualTo(Optional.empty());
        verify(jobs, times(1)).read(eq(7L), any());
    }

    @Test
    void whatCannotBeReadSaysWhyAndIsTriedAgain() {
        when(tickets.now(7)).thenReturn(new TicketService.Chosen(3, Ticket.BLANK));
        doThrow(new RefusedException("it holds no Gerber file")).when(jobs).read(eq(7L), any());
        for (int i = 0; i < 2; i++) {
            assertThatThrownBy(() -> opening.open(7))
                    .isInstanceOf(RefusedException.class)
                    .hasMessage("it holds no Gerber file");
        }
        verify(jobs, times(2)).read(eq(7L), any());
    }
}
