package dev.lastcut.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.ticket.Ticket;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class ResultCacheTest {
    private final ResultCache<String> results = new ResultCache<>(2);
    private final AtomicInteger made = new AtomicInteger();

    private static Ticket margin(double percent) {
        return Ticket.BLANK.with(d -> d.headroom = Headroom.ofPercent(percent));
    }

    private String get(Object of, Ticket t) {
        return results.get(
                of,
                t,
                asking -> {
                    made.incrementAndGet();
                    return of + " at " + asking.ask(Ticket::headroom).percent();
                });
    }

    @Test
    void madeAgainOnlyWhenAnAnswerIsOther() {
        assertThat(get("board", margin(10))).isEqualTo("board at 10.0");
        assertThat(get("board", margin(10).withShop("a"))).isEqualTo("board at 10.0");
        assertThat(made).hasValue(1);
        assertThat(get("board", margin(20))).isEqualTo("board at 20.0");
        assertThat(results.peek("board", margin(10))).contains("board at 10.0");
        assertThat(results.peek("other", margin(10))).isEmpty();
        assertThat(made).hasValue(2);
        // The one that was asked for longest ago goes.
        get("board", margin(30));
        assertThat(results.peek("board", margin(20))).isEmpty();
        assertThat(results.peek("board", margin(10))).isPresent();
    }

    @Test
    void whatFailsIsNotKept() {
        assertThatThrownBy(
                        () ->
                                results.get(
                                        "board",
                                        Ticket.BLANK,
                                        asking -> {
                                            throw new IllegalStateException("no");
                                        }))
                .hasMessage("no");
        assertThat(results.size()).containsExactly(0, 0);
        assertThat(get("board", Ticket.BLANK)).isEqualTo("board at 0.0");
        assertThat(results.size()).containsExactly(1, 0);
    }

    /** Heavy ones make room sooner; the last one is kept however heavy it is. */
    @Test
    void areKeptByWeight() {
        ResultCache<String> heavy = new ResultCache<>(10, 10, String::length);
        for (String s : new String[] {"four", "fours", "a"}) {
            heavy.get(s, Ticket.BLANK, asking -> s);
        }
        assertThat(heavy.size()[0]).isEqualTo(3);
        heavy.get("b", Ticket.BLANK, asking -> "b");
        assertThat(heavy.peek("four", Ticket.BLANK)).isEmpty();
        assertThat(heavy.peek("fours", Ticket.BLANK)).isPresent();
        heavy.get("c", Ticket.BLANK, asking -> "heavier than all of them");
        assertThat(heavy.size()[0]).isEqualTo(1);
    }

    @Test
    void twoWhoAskForTheSameGetOneAndOthersDoNotWait() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch go = new CountDownLatch(1);
        ExecutorService threads = Executors.newFixedThreadPool(2);
        try {
            Future<String> slow =
                    threads.submit(
                            () ->
                                    results.<Exception>get(
                                            "slow",
                                            Ticket.BLANK,
                                            asking -> {
                                                made.incrementAndGet();
                                                begun.countDown();
                                                go.await();
                                                return "slow";
                                            }));
            begun.await();
            Future<String> same = threads.submit(() -> get("slow", Ticket.BLANK));
            assertThat(get("quick", Ticket.BLANK)).isEqualTo("quick at 0.0");
            assertThat(same.isDone()).isFalse();
            go.countDown();
            assertThat(slow.get(20, TimeUnit.SECONDS)).isEqualTo("slow");
            assertThat(same.get(20, TimeUnit.SECONDS)).isEqualTo("slow");
            assertThat(made).hasValue(2);
        } finally {
            threads.shutdownNow();
        }
    }
}
