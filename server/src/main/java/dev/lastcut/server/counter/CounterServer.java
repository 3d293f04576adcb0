package dev.lastcut.server.counter;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.report.Json;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** The parts counter, listening on loopback. */
public final class CounterServer implements AutoCloseable {
    private static final int THREADS = 4;
    private static final String PARTS = "/parts";

    static {
        // Head and body are sent one after the other: without this the second waits for the
        // receipt of the first, which comes 40 ms later.
        System.setProperty("sun.net.httpserver.nodelay", "true");
    }

    private final Map<String, PartJson> shelves = new ConcurrentHashMap<>();
    private final List<String> order;
    private final HttpServer server;
    private final ExecutorService threads;
    private volatile Mood mood = Mood.WELL;
    private volatile long delayMs = 2_000;

    /**
     * @param port 0 for any that is free
     */
    public CounterServer(int port) {
        Map<String, PartJson> filled = Shelves.filled();
        shelves.putAll(filled);
        order = List.copyOf(filled.keySet());
        threads = Executors.newFixedThreadPool(THREADS, named());
        try {
            server =
                    HttpServer.create(
                            new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 50);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        server.setExecutor(threads);
        server.createContext(PARTS, x -> answer(x, this::parts));
        server.createContext("/mood", x -> answer(x, this::mood));
        server.createContext("/stock", x -> answer(x, this::stock));
        server.start();
    }

    private static ThreadFactory named() {
        AtomicInteger n = new AtomicInteger();
        return task -> {
            Thread t = new Thread(task, "counter-" + n.incrementAndGet());
            t.setDaemon(true);
            return t;
        };
    }

    /** Where it is reached. */
    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }

    /** Parts that were found. */
    record Found(String asOf, int total, List<PartJson> parts) {}

    private record Answer(int status, Object body) {}

    private record Fault(String error) {}

    private interface Handler {
        Answer handle(HttpExchange exchange, Map<String, String> query) throws IOException;
    }

    private void answer(HttpExchange x, Handler handler) throws IOException {
        try (x) {
            Answer a;
            try {
                if (isForeign(x)) {
                    throw new IllegalArgumentException("only programs on this machine may ask");
                }
                a = handler.handle(x, query(x.getRequestURI().getRawQuery()));
            } catch (IllegalArgumentException e) {
                a = new Answer(400, new Fault(e.getMessage()));
            }
            byte[] bytes = a.body() instanceof byte[] raw ? raw : Json.write(a.body());
            x.getResponseHeaders().set("Content-Type", "application/json");
            x.sendResponseHeaders(a.status(), bytes.length);
            x.getResponseBody().write(bytes);
        }
    }

    /** Asked by a page in a browser, from another site, or under another name for this machine. */
    private static boolean isForeign(HttpExchange x) {
        String host = x.getRequestHeaders().getFirst("Host");
        return x.getRequestHeaders().containsKey("Origin")
                || host == null
                || !host.matches("(127\\.0\\.0\\.1|localhost|\\[::1\\])(:\\d+)?");
    }

    private static Map<String, String> query(String raw) {
        Map<String, String> all = new LinkedHashMap<>();
        if (raw != null) {
            for (String pair : raw.split("&")) {
                int at = pair.indexOf('=');
                if (at > 0) {
                    all.put(decoded(pair.substring(0, at)), decoded(pair.substring(at + 1)));
                }
            }
        }
        return all;
    }

    private static String decoded(String s) {
        return URLDecoder.decode(s, StandardCharsets.UTF_8);
    }

    private Answer parts(HttpExchange x, Map<String, String> query) {
        switch (mood) {
            case DOWN:
                return new Answer(503, new Fault("the counter is closed"));
            case RUBBISH:
                return new Answer(
                        200, "<html>{\"parts\":[{\"number\":".getBytes(StandardCharsets.UTF_8));
            case SLOW:
                pause();
                break;
            default:
                break;
        }
        String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
        String path = x.getRequestURI().getPath();
        if (path.length() > PARTS.length() + 1) {
            String number = path.substring(PARTS.length() + 1);
            PartJson part = shelves.get(number);
            return part == null
                    ? new Answer(404, new Fault("there is no part " + number))
                    : new Answer(200, part);
        }
        List<PartJson> found =
                Search.of(query).among(() -> order.stream().map(shelves::get).iterator());
        return new Answer(200, new Found(now, found.size(), found));
    }

    private void pause() {
        try {
            TimeUnit.MILLISECONDS.sleep(delayMs);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Tells it how to behave: {@code POST /mood?is=slow&delay_ms=2000}. */
    private Answer mood(HttpExchange x, Map<String, String> query) {
        if (x.getRequestMethod().equals("POST")) {
            mood = Mood.of(query.getOrDefault("is", ""));
            String delay = query.getOrDefault("delay_ms", "2000");
            if (!delay.matches("\\d{1,5}")) {
                throw new IllegalArgumentException("delay_ms is a number of milliseconds");
            }
            delayMs = Long.parseLong(delay);
        }
        return new Answer(200, Map.of("mood", mood.word(), "delay_ms", delayMs));
    }

    /** Puts so many pieces on the shelf: {@code POST /stock?number=…&pieces=0}. */
    private Answer stock(HttpExchange x, Map<String, String> query) {
        String number = query.getOrDefault("number", "");
        String pieces = query.getOrDefault("pieces", "");
        if (!shelves.containsKey(number)) {
            return new Answer(404, new Fault("there is no part " + number));
        }
        if (!pieces.matches("\\d{1,9}")) {
            throw new IllegalArgumentException("pieces is a number");
        }
        return new Answer(
                200,
                shelves.computeIfPresent(number, (k, p) -> stocked(p, Long.parseLong(pieces))));
    }

    private static PartJson stocked(PartJson p, long pieces) {
        PartJson.SupplyJson s = p.supply();
        return new PartJson(
                p.number(),
                p.maker(),
                p.kind(),
                p.description(),
                p.packageName(),
                p.body(),
                p.values(),
                p.pins(),
                new PartJson.SupplyJson(
                        pieces, s.currency(), s.breaks(), s.leadDays(), s.lineStock(), s.life()),
                p.asOf());
    }
}
