package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.report.Json;
import dev.lastcut.server.store.Backups;
import dev.lastcut.server.store.Purge;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** What comes from outside has limits, and what is kept can be copied, restored and forgotten. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class LimitsApiTest {
    private static final String BINARY = "application/octet-stream";

    @TempDir static Path data;
    @LocalServerPort int port;
    @Autowired Backups backups;
    @Autowired Purge purge;
    @Autowired JdbcClient jdbc;

    @DynamicPropertySource
    static void place(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", () -> data.toString());
        registry.add("lastcut.backup.keep", () -> "2");
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    /** Only the head of a request is sent: whoever would read the body would wait for ever. */
    @ParameterizedTest
    @CsvSource({
        "PATCH, /api/jobs/1/ticket, application/json, 48 MB",
        "POST, /api/jobs, multipart/form-data; boundary=x, 129 MB",
        "POST, /api/verify, application/octet-stream, 512 MB",
        "POST, /api/whole, application/octet-stream, 2048 MB",
        "POST, /api/sheets, application/json, 48 MB"
    })
    void isRefusedBeforeItIsRead(String method, String path, String type, String most)
            throws Exception {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(10_000);
            String head =
                    method
                            + " "
                            + path
                            + " HTTP/1.1\r\nHost: 127.0.0.1:"
                            + port
                            + "\r\nContent-Type: "
                            + type
                            + "\r\nContent-Length: 3221225472\r\n\r\n";
            socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
            BufferedReader answer =
                    new BufferedReader(
                            new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            assertThat(answer.readLine()).contains("413");
            StringBuilder all = new StringBuilder();
            while (all.indexOf("}") < 0) {
                all.append((char) answer.read());
            }
            assertThat(all).contains("This is larger than the " + most + " that are read here.");
        }
    }

    @Test
    void isReadUpToTheLimitWhereItDoesNotSayHowLargeItIs() throws Exception {
        byte[] spaces = new byte[50 << 20];
        java.util.Arrays.fill(spaces, (byte) ' ');
        HttpRequest request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/sheets"))
                        .header("Content-Type", "application/json")
                        .POST(
                                HttpRequest.BodyPublishers.ofInputStream(
                                        () -> new ByteArrayInputStream(spaces)))
                        .build();
        HttpResponse<String> answer =
                HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(413);
        assertThat(answer.body()).contains("Nothing was changed.");
    }

    /** A megabyte that unpacks to more than a gigabyte. */
    private static byte[] bomb(String path) throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        byte[] zeros = new byte[1 << 20];
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry(path));
            for (int i = 0; i < 1100; i++) {
                zip.write(zeros);
            }
            zip.closeEntry();
        }
        return bytes.toByteArray();
    }

    @Test
    void zipsThatUnpackToTooMuchAreRefused() throws Exception {
        JsonNode held =
                Json.MAPPER.readTree(
                        api().send("POST", "/api/verify", BINARY, bomb("a.gbr")).body());
        assertThat(held.at("/whole").asBoolean()).isFalse();
        assertThat(held.at("/faults/0/says").asString()).contains("more than a gigabyte");
        HttpResponse<byte[]> job = api().send("POST", "/api/whole", BINARY, bomb("job.json"));
        assertThat(job.statusCode()).isEqualTo(409);
        assertThat(new String(job.body(), StandardCharsets.UTF_8))
                .contains("job.json unpacks to more than 64 MB. Nothing was changed.");
    }

    private long bringIn() throws Exception {
        return Long.parseLong(api().bringIn("honeycomb-tag").replaceAll("\\D", ""));
    }

    private int count(String table) {
        return jdbc.sql("select count(*) from " + table).query(Integer.class).single();
    }

    @Test
    void whatWasDeletedLongAgoIsGone() throws Exception {
        bringIn();
        int blobs = count("blob");
        long second = bringIn();
        // The same bytes are kept once, so that the first keeps all of them.
        assertThat(api().status("PATCH", "/api/jobs/" + second, "{\"deleted\":true}"))
                .isEqualTo(200);
        assertThat(purge.before(Instant.now().minus(Purge.KEPT))).isZero();
        int jobs = count("job");
        assertThat(purge.before(Instant.now().plusSeconds(5))).isEqualTo(1);
        assertThat(count("job")).isEqualTo(jobs - 1);
        assertThat(count("blob")).isEqualTo(blobs);
        assertThat(api().status("GET", "/api/jobs/" + second, null)).isEqualTo(404);
        // The last that has them takes them along.
        for (long id : jdbc.sql("select id from job").query(Long.class).list()) {
            api().status("PATCH", "/api/jobs/" + id, "{\"deleted\":true}");
        }
        purge.before(Instant.now().plusSeconds(5));
        assertThat(count("blob")).isZero();
        // What keeps cuts and versions from being deleted is in its place again.
        assertThat(
                        jdbc.sql("select count(*) from sqlite_master where type = 'trigger'")
                                .query(Integer.class)
                                .single())
                .isEqualTo(5);
    }

    @Test
    void copiesAreMadeAndTheOldestGo() throws Exception {
        List<Path> made = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Path copy = backups.make();
            if (!made.contains(copy)) {
                made.add(copy);
            }
            Files.move(
                    copy,
                    copy.resolveSibling("last-cut-20260101-00000" + i + ".db"),
                    java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        }
        backups.make();
        try (var files = Files.list(data.resolve("backups"))) {
            assertThat(files).hasSize(2);
        }
    }

    @Test
    void aReportHoldsTheFilesOnlyWhenAsked() throws Exception {
        long id = bringIn();
        String path = "/api/jobs/" + id + "/problem-report.zip";
        assertThat(names(path)).contains("versions.txt", "ticket.json");
        assertThat(names(path)).noneMatch(n -> n.startsWith("files/"));
        assertThat(names(path + "?files=true")).anyMatch(n -> n.startsWith("files/"));
    }

    private List<String> names(String path) throws Exception {
        List<String> names = new ArrayList<>();
        byte[] zip = api().send("GET", path, null, null).body();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                names.add(e.getName());
            }
        }
        return names;
    }
}
