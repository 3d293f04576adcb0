package dev.lastcut.server.parts;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.report.Json;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;

/** Asks a parts counter over HTTP, and never waits longer than its limit. */
final class CounterClient {
    private static final Duration CONNECT = Duration.ofMillis(800);
    private static final int MOST_BYTES = 4 << 20;

    private final HttpClient http = HttpClient.newBuilder().connectTimeout(CONNECT).build();
    private final String address;
    private final Duration limit;

    CounterClient(String address, Duration limit) {
        this.address = address;
        this.limit = limit;
    }

    /** What went wrong, in a sentence. */
    static final class CounterException extends Exception {
        private static final long serialVersionUID = 1;

        CounterException(String sentence) {
            super(sentence);
        }
    }

    /** An answer as it comes; parts that cannot be read are left out. */
    private record Found(List<PartJson> parts) {}

    /**
     * @param query as in docs/counter.md
     * @param now what is noted as the time of the answer
     * @throws CounterException when there is no answer in time, or none that can be read
     */
    List<CataloguePart> search(Map<String, String> query, String now) throws CounterException {
        String asked =
                query.entrySet().stream()
                        .map(e -> encoded(e.getKey()) + "=" + encoded(e.getValue()))
                        .collect(Collectors.joining("&"));
        byte[] body = get("/parts?" + asked);
        try {
            List<PartJson> parts = Json.MAPPER.readValue(body, Found.class).parts();
            if (parts == null) {
                throw new CounterException("The counter's answer names no parts.");
            }
            List<CataloguePart> all = new ArrayList<>();
            for (PartJson p : parts) {
                all.add(p.toPart("").asOf(now));
            }
            return all;
        } catch (JacksonException | IllegalArgumentException | NullPointerException e) {
            throw new CounterException(
                    "The counter's answer cannot be read: it is not what docs/counter.md says.");
        }
    }

    private static String encoded(String s) {
        return URLEncoder.encode(s, StandardCharsets.UTF_8);
    }

    private byte[] get(String path) throws CounterException {
        HttpRequest request = request(path);
        AtomicReference<InputStream> open = new AtomicReference<>();
        CompletableFuture<Answered> answer =
                http.sendAsync(request, HttpResponse.BodyHandlers.ofInputStream())
                        .thenApplyAsync(r -> read(r, open));
        try {
            // The limit is for the whole answer, to its last byte.
            Answered a = answer.get(limit.toMillis(), TimeUnit.MILLISECONDS);
            if (a.status != 200) {
                throw new CounterException("The counter refuses (status " + a.status + ").");
            }
            if (a.body.length > MOST_BYTES) {
                throw new CounterException("The counter's answer is larger than 4 MB.");
            }
            return a.body;
        } catch (TimeoutException e) {
            answer.cancel(true);
            close(open.get());
            throw late();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof HttpTimeoutException) {
                throw late();
            }
            throw new CounterException(
                    e.getCause() instanceof UncheckedIOException
                            ? "The counter broke off in the middle of its answer."
                            : "The counter at " + address + " is not there.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CounterException("The counter was not waited for.");
        }
    }

    private HttpRequest request(String path) throws CounterException {
        try {
            return HttpRequest.newBuilder(URI.create(address + path)).timeout(limit).build();
        } catch (IllegalArgumentException e) {
            throw new CounterException(
                    "The counter's address '"
                            + address
                            + "' is none: it begins with http:// or https://.");
        }
    }

    private record Answered(int status, byte[] body) {}

    private static Answered read(
            HttpResponse<InputStream> response, AtomicReference<InputStream> open) {
        try (InputStream in = response.body()) {
            open.set(in);
            return new Answered(response.statusCode(), in.readNBytes(MOST_BYTES + 1));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whoever still reads from it is woken. */
    private static void close(InputStream in) {
        try {
            if (in != null) {
                in.close();
            }
        } catch (IOException e) {
            // It is given up in any case.
            return;
        }
    }

    private CounterException late() {
        return new CounterException(
                "The counter does not answer within " + limit.toMillis() + " ms.");
    }
}
