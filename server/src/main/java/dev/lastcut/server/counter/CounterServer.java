package dev.lastcut.server.counter;

import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.standin.FaultMode;
import dev.lastcut.server.standin.LoopbackServer;
import dev.lastcut.server.standin.LoopbackServer.Answer;
import dev.lastcut.server.standin.LoopbackServer.Asked;
import dev.lastcut.server.standin.Stand;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The parts counter, listening on loopback. */
public final class CounterServer implements Stand.Service {
    private final Map<String, PartJson> shelves = new ConcurrentHashMap<>();
    private final List<String> order;
    private final LoopbackServer server;

    /**
     * @param port 0 for any that is free
     */
    public CounterServer(int port) {
        this(port, House.FIRST);
    }

    /**
     * @param house whose counter it is
     */
    public CounterServer(int port, House house) {
        Map<String, PartJson> filled = house.shelves();
        shelves.putAll(filled);
        order = List.copyOf(filled.keySet());
        FaultMode mood = new FaultMode("counter");
        server =
                new LoopbackServer("counter", port)
                        .at("/parts", mood.over(this::parts))
                        .at("/terms", mood.over(asked -> Answer.json(200, house.terms())))
                        .at("/mood", mood::change)
                        .at("/stock", this::stock)
                        .start();
    }

    @Override
    public String address() {
        return server.address();
    }

    @Override
    public void close() {
        server.close();
    }

    /** Parts that were found. */
    record Found(String asOf, int total, List<PartJson> parts) {}

    private Answer parts(Asked asked) {
        String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
        String number = asked.path();
        if (!number.isEmpty()) {
            PartJson part = shelves.get(number);
            return part == null
                    ? Answer.fault(404, "there is no part " + number)
                    : Answer.json(200, part);
        }
        List<PartJson> found =
                Search.of(asked.query()).among(() -> order.stream().map(shelves::get).iterator());
        return Answer.json(200, new Found(now, found.size(), found));
    }

    /** Puts so many pieces on the shelf: {@code POST /stock?number=…&pieces=0}. */
    private Answer stock(Asked asked) {
        String number = asked.query().getOrDefault("number", "");
        String pieces = asked.query().getOrDefault("pieces", "");
        if (!shelves.containsKey(number)) {
            return Answer.fault(404, "there is no part " + number);
        }
        if (!pieces.matches("\\d{1,9}")) {
            throw new IllegalArgumentException("pieces is a number");
        }
        return Answer.json(
                200,
                shelves.computeIfPresent(number, (k, p) -> stocked(p, Long.parseLong(pieces))));
    }

    private static PartJson stocked(PartJson p, long pieces) {
        PartJson.SupplyJson s = p.supply();
        return p.soldAs(
                new PartJson.SupplyJson(
                        pieces,
                        s.currency(),
                        s.breaks(),
                        s.leadDays(),
                        s.lineStock(),
                        s.life(),
                        s.lot()));
    }
}
