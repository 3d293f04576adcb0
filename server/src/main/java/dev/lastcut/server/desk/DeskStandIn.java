package dev.lastcut.server.desk;

import dev.lastcut.server.orders.DeskStand;
import jakarta.annotation.PreDestroy;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Starts the stand-in beside the application, on a port of its own, unless another desk is named by
 * {@code lastcut.desk.address}.
 */
@Component
class DeskStandIn implements DeskStand {
    private final String address;
    private final DeskServer server;

    DeskStandIn(
            @Value("${lastcut.desk.address:}") String address,
            @Value("${lastcut.desk.port:0}") int port,
            @Value("${lastcut.desk.pace-ms:8000}") long paceMs,
            @Value("${lastcut.data:data}") Path data) {
        this.server =
                address.isBlank()
                        ? new DeskServer(port, data.resolve("desk.db"), Duration.ofMillis(paceMs))
                        : null;
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
