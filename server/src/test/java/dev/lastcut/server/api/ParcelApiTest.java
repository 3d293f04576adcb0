package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.report.Json;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** A whole job as one file, out and in again. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class ParcelApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private HttpResponse<byte[]> in(byte[] parcel) throws Exception {
        return api().send("POST", "/api/whole", "application/octet-stream", parcel);
    }

    private String refused(byte[] parcel) throws Exception {
        int before = api().json("GET", "/api/jobs", null).size();
        HttpResponse<byte[]> answer = in(parcel);
        assertThat(answer.statusCode()).isEqualTo(409);
        assertThat(api().json("GET", "/api/jobs", null).size()).isEqualTo(before);
        return Json.MAPPER.readTree(answer.body()).at("/detail").asString();
    }

    @Test
    void aJobGoesOutAndComesInWithItsStepsAndCutsByteForByte() throws Exception {
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "waggle-quick");
        api().choose(job, "{\"order\":{\"finish\":\"silver\"}}");
        api().work(job, "cut");
        api().json("POST", job + "/cuts/1/handed", "{\"to\":\"Waggle\",\"note\":\"\"}");
        byte[] parcel = api().bytes(job + "/whole");
        HttpResponse<byte[]> answer = in(parcel);
        assertThat(answer.statusCode()).isEqualTo(200);
        String again = "/api/jobs/" + new String(answer.body());
        JsonNode a = api().job(job);
        JsonNode b = api().job(again);
        for (String part : new String[] {"name", "sheetId", "version", "board", "files", "undo"}) {
            assertThat(b.get(part)).as(part).isEqualTo(a.get(part));
        }
        assertThat(api().json("GET", again + "/history", null))
                .isEqualTo(api().json("GET", job + "/history", null));
        assertThat(api().bytes(again + "/cuts/1.zip")).isEqualTo(api().bytes(job + "/cuts/1.zip"));
        assertThat(api().json("GET", again + "/handed", null).at("/0/to").asString())
                .isEqualTo("Waggle");
        // What is undone in one is not in the other.
        api().chooseShop(again, "skep-pooled");
        assertThat(api().job(job).at("/sheetId").asString()).isEqualTo("waggle-quick");
    }

    @Test
    void whatIsAlteredCutOffOrNewerChangesNothing() throws Exception {
        String job = api().bringIn("honeycomb-tag");
        byte[] parcel = api().bytes(job + "/whole");
        Random r = new Random(11);
        for (int i = 0; i < 40; i++) {
            String said = refused(Arrays.copyOf(parcel, r.nextInt(parcel.length * 3 / 4)));
            assertThat(said).contains("Nothing was changed");
        }
        assertThat(
                        refused(
                                Packs.edit(
                                        parcel,
                                        n -> n.equals("job.json"),
                                        t -> t.replaceFirst("\"version\" : 1", "\"version\" : 9"))))
                .contains("newer Last Cut");
        assertThat(refused(Packs.edit(parcel, n -> n.startsWith("files/"), t -> t + " ")))
                .contains("altered: ");
        assertThat(
                        refused(
                                Packs.edit(
                                        parcel,
                                        n -> n.equals("job.json"),
                                        t -> t.replaceFirst("\"path\"", "\"way\""))))
                .contains("does not fit together");
        assertThat(refused("no zip at all".getBytes())).contains("no job of Last Cut");
    }

    @Test
    void aCopyOfEverythingIsWholeThoughItIsInUse() throws Exception {
        api().bringIn("joint-box");
        Path copy = data.resolve("copy.db");
        Files.write(copy, api().bytes("/api/database"));
        JdbcClient jdbc = JdbcClient.create(new DriverManagerDataSource("jdbc:sqlite:" + copy));
        assertThat(jdbc.sql("pragma integrity_check").query(String.class).single()).isEqualTo("ok");
        assertThat(jdbc.sql("select count(*) from job").query(Integer.class).single())
                .isEqualTo(api().json("GET", "/api/jobs", null).size());
    }
}
