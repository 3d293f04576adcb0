package dev.lastcut.server.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import dev.lastcut.server.parts.CounterClient.CounterException;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A counter that another wrote, with everything that can be wrong with it. */
class CounterClientTest {
    /** For one that answers, on a machine however busy. */
    private static final Duration ENOUGH = Duration.ofSeconds(60);

    private static final Duration LIMIT = Duration.ofMillis(400);

    private HttpServer server;
    private volatile String body = "";
    private volatile int status = 200;

    @BeforeEach
    void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 5);
        server.createContext(
                "/",
                x -> {
                    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
                    x.sendResponseHeaders(status, bytes.length);
                    x.getResponseBody().write(bytes);
                    x.close();
                });
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    private CounterClient client() {
        return client(server.getAddress().getPort(), ENOUGH);
    }

    private static CounterClient client(int port, Duration limit) {
        return new CounterClient("http://127.0.0.1:" + port, limit);
    }

    @Test
    void aPartOfWhichLittleIsSaidIsRead() throws Exception {
        body = "{\"parts\":[{\"number\":\"X-1\",\"extra\":7}],\"more\":true}";
        var all = client().search(Map.of("text", "ä & =?"), "2026-01-01T00:00:00Z");
        assertThat(all).singleElement();
        assertThat(all.get(0).number()).isEqualTo("X-1");
        assertThat(all.get(0).asOf()).isEqualTo("2026-01-01T00:00:00Z");
        assertThat(all.get(0).body()).isEmpty();
        assertThat(all.get(0).supply().price(1)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "200 | <html> | cannot be read",
                "200 | [1,2] | cannot be read",
                "200 | {\"parts\":[{\"number\":\"\"}]} | cannot be read",
                "200 | {\"parts\":[{\"number\":\"A\",\"pins\":[{\"pin\":\"1\",\"role\":\"king\"}]}]} | cannot be read",
                "200 | {\"parts\":[{\"number\":\"A\",\"body\":{\"length_mm\":-1}}]} | cannot be read",
                "200 | {\"parts\":[null]} | cannot be read",
                "200 | {} | names no parts",
                "503 | {} | refuses (status 503)",
                "404 | | refuses (status 404)"
            })
    void whatIsNoAnswerIsASentence(int code, String said, String why) {
        status = code;
        body = said == null ? "" : said;
        assertThatThrownBy(() -> client().search(Map.of(), ""))
                .isInstanceOf(CounterException.class)
                .hasMessageContaining(why);
    }

    @Test
    void anAddressThatIsNoneIsSaid() {
        for (String address : new String[] {"shop.example", "://x y", "ftp://127.0.0.1"}) {
            assertThatThrownBy(
                            () -> new CounterClient(address, LIMIT).search(Map.of("text", "a"), ""))
                    .isInstanceOf(CounterException.class)
                    .hasMessageContaining("begins with http://");
        }
    }

    @Test
    void anAnswerWithoutEndIsNotReadToTheEnd() {
        body = "{\"parts\":[" + " ".repeat(5 << 20) + "]}";
        assertThatThrownBy(() -> client().search(Map.of(), ""))
                .isInstanceOf(CounterException.class)
                .hasMessageContaining("larger than 4 MB");
    }

    @Test
    void nobodyThereAndSomebodyWhoSaysNothing() throws Exception {
        int free;
        try (ServerSocket socket = new ServerSocket(0)) {
            free = socket.getLocalPort();
        }
        assertThatThrownBy(() -> client(free, ENOUGH).search(Map.of(), ""))
                .isInstanceOf(CounterException.class)
                .hasMessageContaining("is not there");
        try (ServerSocket mute = new ServerSocket(0)) {
            assertThatThrownBy(() -> client(mute.getLocalPort(), LIMIT).search(Map.of(), ""))
                    .isInstanceOf(CounterException.class)
                    .hasMessageContaining("does not answer within 400 ms");
        }
    }

    @Test
    void oneThatBreaksOffInTheMiddle() throws Exception {
        try (ServerSocket socket = new ServerSocket(0)) {
            Thread half =
                    new Thread(
                            () -> {
                                try (Socket s = socket.accept()) {
                                    s.getInputStream().read();
                                    s.getOutputStream()
                                            .write(
                                                    "HTTP/1.1 200 OK\r\nContent-Length: 900\r\n\r\n{\"pa"
                                                            .getBytes(StandardCharsets.US_ASCII));
                                } catch (IOException e) {
                                    throw new java.io.UncheckedIOException(e);
                                }
                            });
            half.setDaemon(true);
            half.start();
            assertThatThrownBy(() -> client(socket.getLocalPort(), ENOUGH).search(Map.of(), ""))
                    .isInstanceOf(CounterException.class)
                    .hasMessageContaining("broke off");
        }
    }

    /** One byte now and then never ends: the limit is for the whole answer. */
    @Test
    void oneThatDripsIsGivenUp() throws Exception {
        try (ServerSocket socket = new ServerSocket(0)) {
            Thread drip =
                    new Thread(
                            () -> {
                                try (Socket s = socket.accept()) {
                                    OutputStream out = s.getOutputStream();
                                    out.write(
                                            "HTTP/1.1 200 OK\r\nContent-Length: 9000\r\n\r\n"
                                                    .getBytes(StandardCharsets.US_ASCII));
                                    for (int i = 0; i < 9000; i++) {
                                        out.write(' ');
                                        out.flush();
                                        TimeUnit.MILLISECONDS.sleep(20);
                                    }
                                } catch (IOException | InterruptedException e) {
                                    // Given up on by the other side, as it should be.
                                    return;
                                }
                            });
            drip.setDaemon(true);
            drip.start();
            assertThatThrownBy(() -> client(socket.getLocalPort(), LIMIT).search(Map.of(), ""))
                    .isInstanceOf(CounterException.class)
                    .hasMessageContaining("does not answer within");
        }
    }
}
