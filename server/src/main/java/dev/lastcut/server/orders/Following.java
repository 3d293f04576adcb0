package dev.lastcut.server.orders;

import dev.lastcut.server.store.DeskOrderStore.Row;
import dev.lastcut.server.work.Daemons;
import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Asks the desk how orders stand in the background, so that nobody ever waits for it. */
@Component
public class Following {
    /** An order that is looked at is asked for so often at the most. */
    private static final long OFTEN_NS = 900_000_000;

    private final OrderService orders;
    private final Map<Long, Long> asked = new ConcurrentHashMap<>();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(new Daemons("orders"));

    Following(OrderService orders) {
        this.orders = orders;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        thread.submit(orders::takeUp);
    }

    /** Asks soon, unless that was just done; returns at once. */
    public void follow(Row order) {
        long now = System.nanoTime();
        Long before = asked.get(order.id());
        if (before == null || now - before > OFTEN_NS) {
            asked.put(order.id(), now);
            thread.submit(() -> orders.follow(orders.order(order.id())));
        }
    }

    @PreDestroy
    void stop() {
        thread.shutdownNow();
    }
}
