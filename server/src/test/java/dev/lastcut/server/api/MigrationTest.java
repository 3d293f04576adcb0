package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.report.Json;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/**
 * A database as the version before tickets left it: a joint box of two revisions, set up on two
 * mills, probed, with currents, sign-offs and a cut, and a second one whose holes were put right.
 */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class MigrationTest {
    @TempDir static Path data;
    @LocalServerPort int port;
    @Autowired JdbcClient jdbc;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) throws IOException {
        try (InputStream in =
                MigrationTest.class.getResourceAsStream("/migration/before-tickets.db.gz")) {
            Files.write(data.resolve("last-cut.db"), new GZIPInputStream(in).readAllBytes());
        }
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    @Test
    void whatWasChosenIsCarriedOver() throws Exception {
        JsonNode t = api().json("GET", "/api/jobs/1/ticket.json", null);
        assertThat(t.at("/shop").asString()).isEqualTo("wren-bench");
        assertThat(t.at("/headroom/percent").asDouble()).isEqualTo(5);
        assertThat(t.at("/headroom/mm/clearance").asDouble()).isEqualTo(0.03);
        assertThat(t.at("/headroom/percents/track-width").asDouble()).isEqualTo(12.5);
        assertThat(t.at("/order/copper-outer").asString()).isEqualTo("1");
        assertThat(t.at("/roles/joint-box-parts.csv").asString()).isEqualTo("parts-list");
        assertThat(t.at("/formats/joint-box-holes.drl").asString()).startsWith("inch 2.4");
        assertThat(t.at("/mill/nick_mm").asDouble()).isEqualTo(0.02);
        assertThat(t.at("/mill/in_stock_x_mm").asDouble()).isEqualTo(12.5);
        assertThat(t.at("/mill/rub_out/0/max_x_mm").asDouble()).isEqualTo(15.5);
        assertThat(t.at("/mills_aside/anvil-mini/pins").asInt()).isEqualTo(4);
        assertThat(t.at("/currents/1/net").asString()).isEqualTo("EXC");
        assertThat(t.at("/currents/1/from/x_mm").asDouble()).isEqualTo(47.39894);
        assertThat(t.at("/surfaces/bottom/points").asString().lines()).hasSize(176);
        assertThat(t.at("/sign_offs").size()).isEqualTo(5);
        JsonNode two = api().json("GET", "/api/jobs/2/ticket.json", null);
        assertThat(two.at("/corrections/joint-box-holes.drl/dx_mm").asDouble()).isEqualTo(-2.54);
        JsonNode job = api().job("/api/jobs/1");
        assertThat(job.at("/revision").asInt()).isEqualTo(2);
        assertThat(job.at("/undo").isNull()).isTrue();
        assertThat(job.at("/cuts").asInt()).isPositive();
    }

    /** What the program before made of this job, it still makes, to the byte. */
    @Test
    void theSameIsFoundAndMadeAsBefore() throws Exception {
        String job = "/api/jobs/1";
        Map<String, byte[]> before = Packs.unzipped(api().bytes("/api/jobs/1/cuts/1.zip"));
        api().work(job, "check");
        JsonNode check = api().json("GET", job + "/check", null);
        JsonNode then = Json.MAPPER.readTree(before.get("report.json"));
        Set<String> known = texts(then.at("/findings"), "/id");
        assertThat(known).hasSize(5);
        List<JsonNode> again =
                check.at("/findings")
                        .valueStream()
                        .filter(f -> known.contains(f.at("/id").asString()))
                        .toList();
        assertThat(again)
                .hasSize(5)
                .allMatch(f -> f.at("/signOff/by").asString().equals("Ida"))
                .allMatch(f -> f.at("/signOff/revision").asInt() == 1);
        // Found besides: notes on the copper with the stated currents, which nobody has signed.
        assertThat(check.at("/findings").valueStream().filter(f -> !again.contains(f)))
                .isNotEmpty()
                .allMatch(f -> f.at("/rule").asString().equals("current"))
                .allMatch(f -> f.at("/severity").asString().equals("note"))
                .allMatch(f -> f.at("/signOff").isNull());
        api().work(job, "outputs");
        int programs = 0;
        for (Map.Entry<String, byte[]> f : before.entrySet()) {
            if (f.getKey().matches("(milling/.*\\.nc|assembly/placement.*|fabrication/.*)")) {
                assertThat(api().bytes(job + "/outputs/file?path=" + f.getKey()))
                        .as(f.getKey())
                        .isEqualTo(f.getValue());
                programs += f.getKey().endsWith(".nc") ? 1 : 0;
            }
        }
        assertThat(programs).isEqualTo(7);
        // The next cut holds the ticket and names its version.
        api().work(job, "cut");
        JsonNode cuts = api().json("GET", job + "/cuts", null);
        assertThat(cuts.at("/0/number").asInt()).isEqualTo(2);
        assertThat(cuts.at("/0/version").asInt()).isEqualTo(2);
        assertThat(cuts.at("/1/version").asInt()).isZero();
        assertThat(new String(api().bytes(job + "/cuts/2/ticket.json"), StandardCharsets.UTF_8))
                .contains("\"cut\" : 2", "\"made_at\"");
    }

    private static Set<String> texts(JsonNode list, String key) {
        return list.valueStream().map(n -> n.at(key).asString()).collect(Collectors.toSet());
    }

    @Test
    void nothingOfTheOldPlacesIsLeft() {
        assertThat(
                        jdbc.sql("select name from sqlite_master where type = 'table'")
                                .query(String.class)
                                .list())
                .contains("ticket_version")
                .doesNotContain("sign_off", "net_current", "mill_setup", "height_map");
        assertThat(jdbc.sql("select name from pragma_table_info('job')").query(String.class).list())
                .containsExactly("id", "name", "created", "archived", "deleted", "face");
    }
}
