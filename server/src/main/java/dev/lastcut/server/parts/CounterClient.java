package dev.lastcut.server.parts;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.report.Json;
import java.io.IOException;
import java.io.InputStream;
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
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;

/** Asks a parts counter over HTTP, and never waits longer than its limit. */
final class CounterClient {
    private static final Duration CONNECT = Duration.ofMillis(800);
    private static final int MOST_BYTES = 4 << 20;

    private final HttpClient http = HttpClient.newBuilder().connectTimeout(CONNECT).build();
    private final URI address;
    private final Duration limit;

    CounterClient(URI address, Duration limit) {
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
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(address + path)).timeout(limit).build();
        CompletableFuture<HttpResponse<InputStream>> answer =
                http.sendAsync(request, HttpResponse.BodyHandlers.ofInputStream());
        try {
            HttpResponse<InputStream> r = answer.get(limit.toMillis(), TimeUnit.MILLISECONDS);
            try (InputStream in = r.body()) {
                byte[] body = in.readNBytes(MOST_BYTES + 1);
                if (r.statusCode() != 200) {
                    throw new CounterException(
                            "The counter refuses (status " + r.statusCode() + ").");
                }
                if (body.length > MOST_BYTES) {
                    throw new CounterException("The counter's answer is larger than 4 MB.");
                }
                return body;
            }
        } catch (TimeoutException e) {
            answer.cancel(true);
            throw late();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof HttpTimeoutException) {
                throw late();
            }
            throw new CounterException("The counter at " + address + " is not there.");
        } catch (IOException e) {
            throw new CounterException("The counter broke off in the middle of its answer.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CounterException("The counter was not waited for.");
        }
    }

    private CounterException late() {
        return new CounterException(
                "The counter does not answer within " + limit.toMillis() + " ms.");
    }
}
