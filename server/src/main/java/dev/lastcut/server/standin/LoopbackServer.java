package dev.lastcut.server.standin;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.work.Daemons;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** A small HTTP service on loopback, for programs on this machine alone. */
public final class LoopbackServer implements AutoCloseable {
    private static final int THREADS = 4;
    private static final int MOST_UNREAD = 4 << 20;

    static {
        // Head and body are sent one after the other: without this the second waits for the
        // receipt of the first, which comes 40 ms later.
        System.setProperty("sun.net.httpserver.nodelay", "true");
    }

    private final HttpServer server;
    private final ExecutorService threads;

    /** What is asked; the path is what follows the one the handler stands at. */
    public record Asked(String method, String path, Map<String, String> query, InputStream body) {}

    /** What is answered. */
    public record Answer(int status, String type, byte[] body) {
        public static Answer json(int status, Object body) {
            return new Answer(status, "application/json", Json.write(body));
        }

        /** Refused, with a sentence. */
        public static Answer fault(int status, String sentence) {
            return json(status, new Fault(sentence));
        }
    }

    /** Why there is no other answer, in a sentence. */
    public record Fault(String error) {}

    /** The connection is closed without an answer. */
    public static final class HangUp extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    /** What was asked is not done, for a reason in a sentence. */
    public static final class NotTakenException extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final int status;

        public NotTakenException(int status, String sentence) {
            super(sentence);
            this.status = status;
        }
    }

    /** Answers what is asked; an {@link IllegalArgumentException} says what is wrong with it. */
    public interface Handler {
        Answer handle(Asked asked) throws IOException;
    }

    /**
     * @param name of its threads
     * @param port 0 for any that is free
     */
    public LoopbackServer(String name, int port) {
        threads = Executors.newFixedThreadPool(THREADS, new Daemons(name));
        try {
            server =
                    HttpServer.create(
                            new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 50);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        server.setExecutor(threads);
    }

    /** Answers at a path and below it. */
    public LoopbackServer at(String path, Handler handler) {
        server.createContext(path, x -> answer(x, path, handler));
        return this;
    }

    public LoopbackServer start() {
        server.start();
        return this;
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

    private static void answer(HttpExchange x, String path, Handler handler) throws IOException {
        try (x) {
            Answer a;
            try {
                if (isForeign(x)) {
                    throw new IllegalArgumentException("only programs on this machine may ask");
                }
                String below = x.getRequestURI().getPath().substring(path.length());
                a =
                        handler.handle(
                                new Asked(
                                        x.getRequestMethod(),
                                        below.replaceFirst("^/", ""),
                                        query(x.getRequestURI().getRawQuery()),
                                        x.getRequestBody()));
            } catch (IllegalArgumentException e) {
                a = Answer.fault(400, e.getMessage());
            } catch (NotTakenException e) {
                a = Answer.fault(e.status, e.getMessage());
            } catch (HangUp e) {
                return;
            }
            readRest(x);
            x.getResponseHeaders().set("Content-Type", a.type());
            x.sendResponseHeaders(a.status(), a.body().length == 0 ? -1 : a.body().length);
            if (a.body().length > 0) {
                x.getResponseBody().write(a.body());
            }
        }
    }

    /**
     * What was not read is, or the connection is said to end: whoever uses it again would find it
     * closed.
     */
    private static void readRest(HttpExchange x) throws IOException {
        if (x.getRequestBody().readNBytes(MOST_UNREAD + 1).length > MOST_UNREAD) {
            x.getResponseHeaders().set("Connection", "close");
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
}
