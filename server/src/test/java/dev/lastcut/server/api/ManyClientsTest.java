package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.LongRun;
import dev.lastcut.server.report.Json;
import java.lang.management.ManagementFactory;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Many windows work on one job at once: no change is lost, nothing fails, nothing grows. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@Timeout(300)
class ManyClientsTest {
    private static final int CLIENTS = 30;
    private static final long HALF_MS = LongRun.is() ? 30_000 : 3_000;

    /** What the second half may leave in memory beyond the first: noise of the collector. */
    private static final long GROWTH_BYTES = 48L << 20;

    /** The application's pools may still fill up. */
    private static final int MORE_THREADS = 20;

    private static final List<String> READS =
            List.of("", "/facts", "/nets", "/check", "/history", "/parts", "/order", "/outputs");

    @TempDir static Path data;
    @LocalServerPort int port;

    private final Set<Integer> made = new TreeSet<>();
    private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    /** One window: it looks at things, and now and then chooses on the version it has seen. */
    private void client(String job, long seed, long until) throws Exception {
        Random r = new Random(seed);
        int seen = version(job);
        boolean stale = false;
        while (System.nanoTime() < until) {
            if (stale || r.nextInt(3) == 0) {
                String part = "{\"headroom\":{\"percent\":" + (1 + r.nextInt(4_000)) / 100.0 + "}}";
                HttpResponse<byte[]> answer = api().on(seen, "PATCH", job + "/ticket", part);
                if (answer.statusCode() == 200) {
                    int version = Json.MAPPER.readTree(answer.body()).at("/version").asInt();
                    keep(version, seen);
                    seen = version;
                    stale = false;
                } else if (answer.statusCode() == 409 || answer.statusCode() == 412) {
                    seen = version(job);
                    stale = true;
                } else {
                    said("PATCH", answer);
                }
            } else if (r.nextInt(20) == 0) {
                HttpResponse<byte[]> answer = api().send("POST", job + "/work/check", null, null);
                said("check", answer);
            } else {
                String path = READS.get(r.nextInt(READS.size()));
                said(path, api().send("GET", job + path, null, null));
            }
        }
    }

    /** The same version again is a choice that changed nothing. */
    private void keep(int version, int seen) {
        synchronized (made) {
            if (version != seen && !made.add(version)) {
                wrong.add("version " + version + " was made twice");
            }
        }
    }

    private void said(String what, HttpResponse<byte[]> answer) {
        if (answer.statusCode() >= 400) {
            wrong.add(
                    what
                            + " "
                            + answer.statusCode()
                            + " "
                            + new String(answer.body(), StandardCharsets.UTF_8));
        }
    }

    private int version(String job) throws Exception {
        return api().json("GET", job + "/history", null).at("/version").asInt();
    }

    private void half(String job, long seed) throws Exception {
        ExecutorService windows = Executors.newFixedThreadPool(CLIENTS);
        try {
            long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(HALF_MS);
            List<Callable<Void>> all = new ArrayList<>();
            for (int i = 0; i < CLIENTS; i++) {
                long own = seed + i;
                all.add(
                        () -> {
                            client(job, own, until);
                            return null;
                        });
            }
            for (Future<Void> f : windows.invokeAll(all)) {
                f.get();
            }
        } finally {
            windows.shutdownNow();
        }
        // What is still computed for them ends before the next is measured.
        api().work(job, "check");
    }

    private static long used() {
        System.gc();
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
    }

    /** All but those of connections, which are kept for a minute at either end. */
    private static long threads() {
        return Thread.getAllStackTraces().keySet().stream()
                .map(Thread::getName)
                .filter(n -> !n.startsWith("http-") && !n.startsWith("HttpClient"))
                .count();
    }

    @Test
    void noChangeIsLostAndNothingGrows() throws Exception {
        String job = api().bringIn("honeycomb-tag");
        api().chooseShop(job, "waggle-quick");
        api().work(job, "check");
        int before = version(job);
        long threads = threads();
        long seed = LongRun.seed(1);
        half(job, seed);
        long after = used();
        half(job, seed + CLIENTS);
        assertThat(wrong).as("seed " + seed).isEmpty();
        assertThat(made).hasSizeGreaterThan(10);
        Set<Integer> kept = new TreeSet<>();
        for (JsonNode step : api().json("GET", job + "/history", null).at("/steps")) {
            int number = step.at("/version").asInt();
            if (number > before) {
                kept.add(number);
            }
        }
        assertThat(kept).isEqualTo(made);
        assertThat(used()).isLessThan(after + GROWTH_BYTES);
        assertThat(threads()).isLessThan(threads + MORE_THREADS);
    }
}
