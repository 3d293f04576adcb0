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
        set(address, is, 0);
    }

    /** The same for one request alone: the n-th from now on; 0 for all. */
    public static void set(String address, String is, int at) throws Exception {
        String mood = "/mood?delay_ms=1800&at=" + at + "&is=" + is;
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(address + mood))
                        .POST(HttpRequest.BodyPublishers.noBody())
                        .build();
        HTTP.send(request, HttpResponse.BodyHandlers.discarding());
    }
}
