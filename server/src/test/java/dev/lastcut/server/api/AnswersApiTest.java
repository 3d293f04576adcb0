package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.report.Json;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** What answers have in common, on every route. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class AnswersApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void place(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", () -> data.toString());
    }

    private HttpResponse<byte[]> get(String path, String... headers) throws Exception {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return HttpClient.newHttpClient()
                .send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    /** RFC 9457: its media type, a title, the status again, and a sentence. */
    private static String problem(HttpResponse<byte[]> answer, int status) {
        assertThat(answer.statusCode()).as(new String(answer.body())).isEqualTo(status);
        assertThat(answer.headers().firstValue("content-type").orElse(""))
                .startsWith("application/problem+json");
        JsonNode problem = Json.MAPPER.readTree(answer.body());
        assertThat(problem.at("/status").asInt()).isEqualTo(status);
        assertThat(problem.at("/title").asString()).isNotBlank();
        assertThat(problem.at("/code").asString()).isNotBlank();
        String sentence = problem.at("/detail").asString();
        assertThat(sentence).endsWith(".").doesNotContain("dev.lastcut").doesNotContain("java.");
        return sentence;
    }

    /** Every route that reads something of a job, an order or a task, asked of one not there. */
    @Test
    void whatIsNotThereIsNotFound() throws Exception {
        JsonNode api = Json.MAPPER.readTree(get("/api/openapi").body());
        List<String> asked = new ArrayList<>();
        List<String> wrong = new ArrayList<>();
        for (Map.Entry<String, JsonNode> route : api.at("/paths").properties()) {
            if (!route.getKey().contains("{") || !route.getValue().has("get")) {
                continue;
            }
            StringBuilder query = new StringBuilder("?");
            for (JsonNode p : route.getValue().at("/get/parameters")) {
                if (p.at("/in").asString().equals("query")) {
                    String value = p.at("/schema/type").asString().equals("string") ? "top" : "1";
                    query.append(p.at("/name").asString()).append('=').append(value).append('&');
                }
            }
            String path = route.getKey().replaceAll("\\{[^}]*}", "987654") + query;
            asked.add(path);
            HttpResponse<byte[]> answer = get(path);
            if (answer.statusCode() != 404) {
                wrong.add(path + " " + answer.statusCode() + " " + new String(answer.body()));
            } else {
                problem(answer, 404);
            }
        }
        assertThat(asked).hasSizeGreaterThan(40);
        assertThat(wrong).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {
                "/api/jobs/abc|400|'abc' is not a number.",
                "/api/nothing|404|There is nothing at /api/nothing.",
                "/api/tasks/none|404|There is no such task."
            })
    void saysWhatIsWrong(String path, int status, String sentence) throws Exception {
        assertThat(problem(get(path), status)).isEqualTo(sentence);
    }

    /** Somebody who mistypes an address reads a page, not a data format. */
    @Test
    void aPageThatIsNotThere() throws Exception {
        HttpResponse<byte[]> answer = get("/jbos/7", "Accept", "text/html,*/*;q=0.8");
        assertThat(answer.statusCode()).isEqualTo(404);
        assertThat(answer.headers().firstValue("content-type").orElse("")).startsWith("text/html");
        assertThat(new String(answer.body()))
                .contains("There is nothing at /jbos/7.")
                .contains("/\"");
    }

    @Test
    void otherSitesReachNoData() throws Exception {
        System.setProperty("jdk.httpclient.allowRestrictedHeaders", "sec-fetch-site");
        for (String from : List.of("cross-site", "same-site")) {
            problem(get("/api/jobs", "Sec-Fetch-Site", from), 403);
        }
        for (String from : List.of("same-origin", "none")) {
            assertThat(get("/api/jobs", "Sec-Fetch-Site", from).statusCode()).isEqualTo(200);
        }
        // Somebody else's page may have a link to the first page.
        assertThat(get("/", "Sec-Fetch-Site", "cross-site").statusCode()).isEqualTo(200);
    }

    @Test
    void isPackedForTheWay() throws Exception {
        HttpResponse<byte[]> plain = get("/api/openapi");
        HttpResponse<byte[]> packed = get("/api/openapi", "Accept-Encoding", "gzip");
        assertThat(packed.headers().firstValue("content-encoding")).hasValue("gzip");
        assertThat(packed.body().length).isLessThan(plain.body().length / 4);
        try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(packed.body()))) {
            assertThat(in.readAllBytes()).isEqualTo(plain.body());
        }
    }

    /** What did not change is not sent again. */
    @Test
    void unchangedIsSaidInAWord() throws Exception {
        HttpResponse<byte[]> first = get("/api/sheets");
        String tag = first.headers().firstValue("etag").orElseThrow();
        HttpResponse<byte[]> again = get("/api/sheets", "If-None-Match", tag);
        assertThat(again.statusCode()).isEqualTo(304);
        assertThat(again.body()).isEmpty();
    }
}
