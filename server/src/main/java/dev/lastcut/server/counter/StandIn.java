package dev.lastcut.server.counter;

import dev.lastcut.server.parts.CounterStand;
import jakarta.annotation.PreDestroy;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Starts the stand-in beside the application, on a port of its own, unless another counter is named
 * by {@code lastcut.counter.address}.
 */
@Component
class StandIn implements CounterStand {
    private final String address;
    private final CounterServer server;

    StandIn(
            @Value("${lastcut.counter.address:}") String address,
            @Value("${lastcut.counter.port:0}") int port) {
        this.server = address.isBlank() ? new CounterServer(port) : null;
        this.address = server == null ? address.strip().replaceFirst("/+$", "") : server.address();
    }

    @Override
    public String address() {
        return address;
    }

    @PreDestroy
    void stop() {
        if (server != null) {
            server.close();
        }
    }
}
