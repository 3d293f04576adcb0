package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.report.Json;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/**
 * The checked-in description, from which the interface's types are made, is that of the running
 * API.
 */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class ApiDescriptionTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private HttpResponse<String> get(String path) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path)).build();
        return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void descriptionIsUpToDate() throws Exception {
        JsonNode served = Json.MAPPER.readTree(get("/api/openapi").body());
        if (Boolean.getBoolean("lastcut.api.write")) {
            Files.write(Path.of("src/main/resources/openapi.json"), Json.write(served));
        }
        try (InputStream in = Files.newInputStream(Path.of("src/main/resources/openapi.json"))) {
            assertThat(served)
                    .as("run ./lastcut api")
                    .isEqualTo(Json.MAPPER.readTree(in.readAllBytes()));
        }
    }

    @Test
    void errorsHaveOneShape() throws Exception {
        for (String path :
                new String[] {
                    "/api/jobs/99", "/api/tasks/none", "/api/jobs/99/cuts/1.zip", "/api/jobs/x"
                }) {
            HttpResponse<String> response = get(path);
            assertThat(response.statusCode()).as(path).isIn(400, 404);
            JsonNode error = Json.MAPPER.readTree(response.body());
            assertThat(error.at("/code").asString()).isNotBlank();
            assertThat(error.at("/detail").asString()).isNotBlank();
        }
    }
}
