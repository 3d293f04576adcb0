package dev.lastcut.server.standin;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;

/** Tells stand-ins how to behave. */
public final class Moods {
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private Moods() {}

    /** Slow is slower by so much than a test waits. */
    public static void set(String address, String is) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(address + "/mood?delay_ms=1800&is=" + is))
                        .POST(HttpRequest.BodyPublishers.noBody())
                        .build();
        HTTP.send(request, HttpResponse.BodyHandlers.discarding());
    }
}
