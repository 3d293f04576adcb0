package dev.lastcut.server.outside;

import dev.lastcut.server.outside.ExternalHttpException.Kind;
import dev.lastcut.server.report.Json;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpConnectTimeoutException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;
import tools.jackson.core.JacksonException;

/** One service outside, and how long an answer may take, to its last byte. */
public final class ExternalHttpService {
    private static final Duration CONNECT = Duration.ofMillis(800);
    private static final int MOST_BYTES = 4 << 20;
    private static final int OK = 200;
    private static final int FIRST_REFUSAL = 300;

    private final HttpClient http = HttpClient.newBuilder().connectTimeout(CONNECT).build();
    private final String name;
    private final String address;
    private final Duration limit;

    /**
     * @param name as its sentences begin: "The counter"
     */
    public ExternalHttpService(String name, String address, Duration limit) {
        this.name = name;
        this.address = address;
        this.limit = limit;
    }

    public String address() {
        return address;
    }

    /**
     * Fetches what is there.
     *
     * @throws OutsideException when there is no answer in time, or a refusal
     */
    public byte[] get(String path) throws ExternalHttpException {
        return send(request(path).GET().build());
    }

    /**
     * Sends something.
     *
     * @param method PUT, POST or DELETE
     * @throws OutsideException as above
     */
    public byte[] send(String method, String path, String type, byte[] body)
            throws ExternalHttpException {
        return send(
                request(path)
                        .header("Content-Type", type)
                        .method(method, HttpRequest.BodyPublishers.ofByteArray(body))
                        .build());
    }

    private byte[] send(HttpRequest request) throws ExternalHttpException {
        AtomicReference<InputStream> open = new AtomicReference<>();
        CompletableFuture<Answered> answer =
                http.sendAsync(request, HttpResponse.BodyHandlers.ofInputStream())
                        .thenApplyAsync(r -> read(r, open));
        try {
            // The limit is for the whole answer, to its last byte.
            Answered a = answer.get(limit.toMillis(), TimeUnit.MILLISECONDS);
            if (a.status < OK || a.status >= FIRST_REFUSAL) {
                throw refused(a);
            }
            if (a.body.length > MOST_BYTES) {
                throw lost(name + "'s answer is larger than 4 MB.");
            }
            return a.body;
        } catch (TimeoutException e) {
            answer.cancel(true);
            close(open.get());
            throw late();
        } catch (ExecutionException e) {
            throw why(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw lost(name + " was not waited for.");
        }
    }

    private ExternalHttpException why(Throwable cause) {
        if (cause instanceof ConnectException || cause instanceof HttpConnectTimeoutException) {
            return new ExternalHttpException(
                    Kind.ABSENT, 0, name + " at " + address + " is not there.");
        }
        return cause instanceof HttpTimeoutException
                ? late()
                : lost(name + " broke off in the middle.");
    }

    private HttpRequest.Builder request(String path) throws ExternalHttpException {
        try {
            return HttpRequest.newBuilder(URI.create(address + path)).timeout(limit);
        } catch (IllegalArgumentException e) {
            throw new ExternalHttpException(
                    Kind.ABSENT,
                    0,
                    name
                            + "'s address '"
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

    /** With the service's own words, where it gives a reason. */
    private ExternalHttpException refused(Answered a) {
        String reason = "";
        try {
            reason = Json.MAPPER.readTree(a.body).path("error").asString("");
        } catch (JacksonException e) {
            reason = "";
        }
        return new ExternalHttpException(
                Kind.REFUSED,
                a.status,
                reason.isEmpty()
                        ? name + " refuses (status " + a.status + ")."
                        : name + " refuses: " + reason + " (status " + a.status + ").");
    }

    /** It answered, with what is no answer: what became of what was asked is not known. */
    public ExternalHttpException senseless() {
        return lost(name + "'s answer cannot be read.");
    }

    private ExternalHttpException lost(String sentence) {
        return new ExternalHttpException(Kind.LOST, 0, sentence);
    }

    private ExternalHttpException late() {
        return lost(name + " does not answer within " + limit.toMillis() + " ms.");
    }
}
