package dev.lastcut.server.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.orders.DeskOrder;
import dev.lastcut.server.orders.DeskOrder.Answered;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskOrder.DeskStep;
import dev.lastcut.server.orders.DeskOrder.Wanted;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.report.Json;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** The stand-in, spoken to as another program would. */
@Timeout(120)
class DeskServerTest {
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static final Duration QUICK = Duration.ofMillis(40);
    private static byte[] plain;
    private static byte[] hive;

    @TempDir Path data;
    private DeskServer desk;

    @BeforeAll
    static void cuts() throws Exception {
        plain = Cuts.of("p07_mill_single", "longcomb-fine", Ticket.BLANK).zip();
        hive = Cuts.of("hive-scale-node", "skep-pooled", Ticket.BLANK).zip();
    }

    @BeforeEach
    void open() {
        desk = new DeskServer(0, data.resolve("desk.db"), QUICK);
    }

    @AfterEach
    void shut() {
        desk.close();
    }

    private HttpResponse<byte[]> send(String method, String path, byte[] body) throws Exception {
        return HTTP.send(
                HttpRequest.newBuilder(URI.create(desk.address() + path))
                        .method(method, HttpRequest.BodyPublishers.ofByteArray(body))
                        .build(),
                HttpResponse.BodyHandlers.ofByteArray());
    }

    private int status(String method, String path, Object body) throws Exception {
        return send(method, path, Json.write(body)).statusCode();
    }

    private DeskReading uploaded(byte[] zip) throws Exception {
        String path = "/uploads/" + Manifest.sha256(zip);
        HttpResponse<byte[]> answer = send("PUT", path, zip);
        DeskReading r = Json.MAPPER.readValue(answer.body(), DeskReading.class);
        while (r.state().equals(DeskReading.READING)) {
            r = Json.MAPPER.readValue(send("GET", path, new byte[0]).body(), DeskReading.class);
        }
        return r;
    }

    private static Wanted wanted(DeskReading r) {
        return new Wanted(r.sha256(), r.quote().total(), r.quote().currency(), "Ida", "");
    }

    private static String key() {
        return UUID.randomUUID().toString();
    }

    private DeskOrder order(String key) throws Exception {
        return Json.MAPPER.readValue(
                send("GET", "/orders/" + key, new byte[0]).body(), DeskOrder.class);
    }

    private DeskOrder until(String key, String state) throws Exception {
        DeskOrder o = order(key);
        while (!o.state().equals(state) && !o.ended()) {
            o = order(key);
        }
        assertThat(o.state()).isEqualTo(state);
        return o;
    }

    @Test
    void anUploadIsTakenOnlyAsItWasSent() throws Exception {
        String sha256 = Manifest.sha256(plain);
        byte[] shorter = Arrays.copyOf(plain, plain.length - 1);
        assertThat(send("PUT", "/uploads/" + sha256, shorter).statusCode()).isEqualTo(422);
        assertThat(send("GET", "/uploads/" + sha256, new byte[0]).statusCode()).isEqualTo(404);
        assertThat(send("PUT", "/uploads/../etc", plain).statusCode()).isIn(400, 404);
        DeskReading r = uploaded(plain);
        assertThat(r.bytes()).isEqualTo(plain.length);
        String picture = "/uploads/" + sha256 + "/pictures/" + r.boards().get(0).pictures().get(0);
        assertThat(new String(send("GET", picture, new byte[0]).body(), 1, 3)).isEqualTo("PNG");
        assertThat(uploaded(plain)).isEqualTo(r);
    }

    @Test
    void anOrderGoesThroughItsStatesToTheParcelAndNothingIsForgotten() throws Exception {
        DeskReading r = uploaded(plain);
        String key = key();
        assertThat(r.questions()).isZero();
        assertThat(status("PUT", "/orders/" + key, wanted(r))).isEqualTo(201);
        DeskOrder o = until(key, DeskOrder.SHIPPED);
        assertThat(o.history())
                .extracting(DeskStep::state)
                .containsExactly("received", "making", "testing", "packed", "shipped");
        assertThat(o.tracking()).contains(o.number());
        assertThat(status("DELETE", "/orders/" + key, "")).isEqualTo(409);
        desk.close();
        open();
        assertThat(order(key)).isEqualTo(o);
    }

    @Test
    void nothingIsMadeBeforeEveryQuestionIsAnswered() throws Exception {
        DeskReading r = uploaded(hive);
        String key = key();
        status("PUT", "/orders/" + key, wanted(r));
        DeskOrder o = until(key, "waiting");
        assertThat(o.questions()).hasSize(r.questions()).hasSizeGreaterThan(2);
        String at = "/orders/" + key + "/answers/";
        String first = o.questions().get(0).id();
        assertThat(status("PUT", at + first, new Answered("perhaps"))).isEqualTo(409);
        assertThat(status("PUT", at + "none", new Answered("yes"))).isEqualTo(404);
        for (DeskQuestion q : o.questions()) {
            assertThat(order(key).state()).isEqualTo("waiting");
            Answered said = new Answered(q.answers().get(0));
            assertThat(status("PUT", at + q.id(), said)).isEqualTo(200);
            assertThat(status("PUT", at + q.id(), said)).as("said again").isEqualTo(200);
        }
        assertThat(status("PUT", at + first, new Answered(Engineer.WAIT))).isEqualTo(409);
        assertThat(until(key, DeskOrder.SHIPPED).questions())
                .allMatch(q -> q.answer().equals(q.answers().get(0)));
    }

    @Test
    void whoeverSendsANewCutWithdrawsTheOrder() throws Exception {
        DeskReading r = uploaded(hive);
        String key = key();
        status("PUT", "/orders/" + key, wanted(r));
        String question = until(key, "waiting").questions().get(0).id();
        String at = "/orders/" + key + "/answers/" + question;
        assertThat(status("PUT", at, new Answered(Engineer.WAIT))).isEqualTo(200);
        assertThat(order(key).state()).isEqualTo(DeskOrder.WITHDRAWN);
    }

    @Test
    void whatIsNotAgreedIsNotOrdered() throws Exception {
        DeskReading r = uploaded(plain);
        double total = r.quote().total();
        String currency = r.quote().currency();
        String at = "/orders/" + key();
        assertThat(status("PUT", at, new Wanted(r.sha256(), total - 1, currency, "Ida", "")))
                .isEqualTo(409);
        assertThat(status("PUT", at, new Wanted("0".repeat(64), total, currency, "Ida", "")))
                .isEqualTo(409);
        assertThat(status("PUT", at, new Wanted(r.sha256(), total, currency, " ", "")))
                .isEqualTo(409);
        assertThat(send("PUT", at, "{".getBytes()).statusCode()).isEqualTo(400);
        assertThat(status("PUT", "/orders/short", wanted(r))).isEqualTo(400);
        assertThat(status("GET", at, "")).isEqualTo(404);
    }

    /** However many put it at once, and however often. */
    @Test
    void oneKeyIsOneOrder() throws Exception {
        DeskReading r = uploaded(plain);
        String key = key();
        ExecutorService many = Executors.newFixedThreadPool(8);
        Callable<String> put =
                () ->
                        Json.MAPPER
                                .readTree(
                                        send("PUT", "/orders/" + key, Json.write(wanted(r))).body())
                                .path("number")
                                .asString();
        Set<String> numbers = new HashSet<>();
        for (Future<String> f : many.invokeAll(Collections.nCopies(24, put))) {
            numbers.add(f.get());
        }
        many.shutdown();
        assertThat(numbers).hasSize(1).doesNotContain("");
        Wanted other = new Wanted(r.sha256(), r.quote().total(), r.quote().currency(), "Ott", "");
        assertThat(status("PUT", "/orders/" + key, other)).isEqualTo(409);
        String next = key();
        status("PUT", "/orders/" + next, wanted(r));
        assertThat(order(next).number()).isNotEqualTo(order(key).number());
    }

    @Test
    void aKeyThatWasGivenUpBeforeItCameIsNeverTaken() throws Exception {
        DeskReading r = uploaded(plain);
        String key = key();
        assertThat(status("DELETE", "/orders/" + key, "")).isEqualTo(204);
        assertThat(status("PUT", "/orders/" + key, wanted(r))).isEqualTo(410);
        assertThat(status("GET", "/orders/" + key, "")).isEqualTo(404);
        assertThat(status("DELETE", "/orders/" + key, "")).isEqualTo(204);
    }
}
