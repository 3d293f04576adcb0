package dev.lastcut.server.desk;

import dev.lastcut.server.orders.DeskStand;
import dev.lastcut.server.standin.Stand;
import jakarta.annotation.PreDestroy;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The order desk, or another that is named by {@code lastcut.desk.address}. */
@Component
class DeskStandIn implements DeskStand {
    private final Stand stand;

    DeskStandIn(
            @Value("${lastcut.desk.address:}") String address,
            @Value("${lastcut.desk.port:0}") int port,
            @Value("${lastcut.desk.pace-ms:8000}") long paceMs,
            @Value("${lastcut.data:data}") Path data) {
        Duration pace = Duration.ofMillis(paceMs);
        stand = new Stand(address, () -> new DeskServer(port, data.resolve("desk.db"), pace));
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
