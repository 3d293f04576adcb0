package dev.lastcut.server.counter;

import dev.lastcut.server.parts.CounterStand;
import dev.lastcut.server.standin.Stand;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The parts counters, or others that are named by {@code lastcut.counter.address} and, parted by
 * commas, {@code lastcut.counter.others}.
 */
@Component
class StandIn implements CounterStand {
    private final Stand first;
    private final List<Stand> others = new ArrayList<>();

    StandIn(
            @Value("${lastcut.counter.address:}") String address,
            @Value("${lastcut.counter.others:}") String others,
            @Value("${lastcut.counter.port:0}") int port) {
        first = new Stand(address, () -> new CounterServer(port));
        for (String other : others.split(",")) {
            this.others.add(new Stand(other, () -> new CounterServer(0, House.SECOND)));
        }
    }

    @Override
    public String address() {
        return first.address();
    }

    @Override
    public List<String> others() {
        return others.stream().map(Stand::address).toList();
    }

    @PreDestroy
    void stop() {
        first.close();
        others.forEach(Stand::close);
    }
}
