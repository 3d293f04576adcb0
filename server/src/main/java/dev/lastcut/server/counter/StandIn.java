package dev.lastcut.server.counter;

import dev.lastcut.server.parts.CounterStand;
import dev.lastcut.server.standin.Stand;
import jakarta.annotation.PreDestroy;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The parts counter, or another that is named by {@code lastcut.counter.address}. */
@Component
class StandIn implements CounterStand {
    private final Stand stand;

    StandIn(
            @Value("${lastcut.counter.address:}") String address,
            @Value("${lastcut.counter.port:0}") int port) {
        stand = new Stand(address, () -> new CounterServer(port));
    }

    @Override
    public String address() {
        return stand.address();
    }

    @PreDestroy
    void stop() {
        stand.close();
    }
}
