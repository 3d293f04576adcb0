package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Files in doubt: asked, answered all or none, never released, remembered. And who may ask. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class BringInApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private String nameless() throws Exception {
        try (InputStream in = getClass().getResourceAsStream("/packs/nameless-four.zip")) {
            JsonNode over =
                    api().finish(api().upload("/api/jobs", "nameless.zip", in.readAllBytes()));
            return "/api/jobs/" + over.at("/result").asString();
        }
    }

    private static List<JsonNode> doubts(JsonNode job, String kind) {
        List<JsonNode> all = new ArrayList<>();
        job.at("/files")
                .forEach(
                        f -> {
                            if (f.at("/doubt").asString().equals(kind)) {
                                all.add(f);
                            }
                        });
        return all;
    }

    private static String answers(List<JsonNode> files) {
        List<String> all = new ArrayList<>();
        files.forEach(f -> all.add(f.at("/path") + ":" + f.at("/role")));
        return "{\"roles\":{" + String.join(",", all) + "}}";
    }

    @Test
    void aDoubtfulPackIsNeverReleasedUnasked() throws Exception {
        String job = nameless();
        JsonNode board = api().json("GET", job, null);
        assertThat(doubts(board, "side")).hasSize(6);
        assertThat(doubts(board, "order")).hasSize(2);
        assertThat(doubts(board, "role").size() + doubts(board, "shared").size()).isEqualTo(1);
        api().chooseShop(job, "longcomb-fine");
        api().work(job, "check");
        List<String> stops = new ArrayList<>();
        api().json("GET", job + "/check", null)
                .at("/findings")
                .forEach(
                        f -> {
                            if (f.at("/rule").asString().equals("file-unassigned")) {
                                assertThat(f.at("/severity").asString()).isEqualTo("stop");
                                stops.add(f.at("/id").asString());
                            }
                        });
        assertThat(stops).hasSize(3);
        String signed =
                "{\"findings\":[\""
                        + stops.get(0)
                        + "\"],\"by\":\"Ida\",\"reason\":\"it will do\"}";
        assertThat(api().status("POST", job + "/sign-offs", signed)).isEqualTo(409);
        assertThat(api().status("POST", job + "/work/cut", null)).isEqualTo(409);

        // Answered one after the other; one wrong answer of several leaves all as they were.
        String wrong = answers(doubts(board, "order")).replace("}}", ",\"a01\":\"lid\"}}");
        assertThat(api().refused(job, wrong)).contains("roles.a01", "lid");
        assertThat(doubts(api().json("GET", job, null), "order")).hasSize(2);
        api().choose(job, answers(doubts(board, "side")));
        api().choose(job, answers(doubts(board, "order")));
        JsonNode now = api().choose(job, "{\"roles\":{\"zz.gbr\":\"not-part\"}}");
        now.at("/files").forEach(f -> assertThat(f.at("/doubt").asString()).isEmpty());
        api().work(job, "check");
        api().json("GET", job + "/check", null)
                .at("/findings")
                .forEach(f -> assertThat(f.at("/rule").asString()).isNotEqualTo("file-unassigned"));
    }

    @Test
    void picturesAreOfTheFileAndToOneScale() throws Exception {
        String job = nameless();
        JsonNode board = api().json("GET", job, null);
        String outline = "";
        for (JsonNode f : board.at("/files")) {
            outline =
                    f.at("/role").asString().equals("outline") ? f.at("/path").asString() : outline;
        }
        String address = job + "/picture?path=" + outline + "&width=200&height=150";
        BufferedImage alone = ImageIO.read(new ByteArrayInputStream(api().bytes(address)));
        assertThat(alone.getWidth()).isEqualTo(200);
        // The edge of the board runs near the picture's; its middle is paper.
        assertThat(alone.getRGB(100, 75)).isEqualTo(0xfffbf8f1);
        int dark = 0;
        for (int x = 0; x < 200; x++) {
            dark += (alone.getRGB(x, 75) & 0xff) < 0xd0 ? 1 : 0;
        }
        assertThat(dark).isBetween(2, 8);
        assertThat(api().status("GET", job + "/picture?path=readme.txt", null)).isEqualTo(404);
        assertThat(api().status("GET", job + "/picture?path=none", null)).isEqualTo(404);
    }

    @Test
    void answersAreRememberedForThePackAfter() throws Exception {
        String job = api().bringIn("joint-box");
        String file = "joint-box-copper-bottom.gbr";
        api().choose(job, "{\"roles\":{\"" + file + "\":\"copper-top\"}}");
        JsonNode again = api().job(api().bringIn("joint-box"));
        // What a file says of itself outweighs what was said of another.
        again.at("/files")
                .forEach(
                        f -> {
                            if (f.at("/path").asString().equals(file)) {
                                assertThat(f.at("/role").asString()).isEqualTo("copper-bottom");
                            }
                        });
    }

    /** The client library sets these headers itself, so this speaks with the server by hand. */
    private String answer(String... headers) throws Exception {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            StringBuilder request = new StringBuilder("GET /api/jobs HTTP/1.1\r\n");
            for (String h : headers) {
                request.append(h).append("\r\n");
            }
            socket.getOutputStream()
                    .write(
                            (request + "Connection: close\r\n\r\n")
                                    .getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void otherNamesForThisServerAreRefused() throws Exception {
        assertThat(answer("Host: evil.example:" + port)).startsWith("HTTP/1.1 403");
        assertThat(answer("Host: 127.0.0.1.evil.example")).startsWith("HTTP/1.1 403");
        assertThat(answer("Host: localhost:" + port)).startsWith("HTTP/1.1 200");
        assertThat(answer("Host: 127.0.0.1:" + port)).startsWith("HTTP/1.1 200");
        assertThat(answer("Host: [::1]:" + port)).startsWith("HTTP/1.1 200");
    }

    @Test
    void requestsFromOtherSitesAreRefused() throws Exception {
        String host = "Host: 127.0.0.1:" + port;
        for (String origin :
                new String[] {
                    "http://evil.example",
                    "null",
                    "http://127.0.0.1:1",
                    "http://127.0.0.1:" + port + ".evil.example",
                    "not an address"
                }) {
            assertThat(answer(host, "Origin: " + origin)).as(origin).startsWith("HTTP/1.1 403");
        }
        assertThat(answer(host, "Origin: http://127.0.0.1:" + port)).startsWith("HTTP/1.1 200");
    }

    @Test
    void answersCarryTheHeadersThatKeepThemWhereTheyBelong() throws Exception {
        String head = answer("Host: 127.0.0.1:" + port).split("\r\n\r\n")[0].toLowerCase();
        assertThat(head)
                .contains("content-security-policy: default-src 'self'")
                .contains("frame-ancestors 'none'")
                .contains("x-content-type-options: nosniff")
                .contains("x-frame-options: deny");
    }
}
