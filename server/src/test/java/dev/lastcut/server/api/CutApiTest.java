package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Cuts a month later: to whom they went, what differs, whether a zip is one of them. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class CutApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    @Test
    void twoCutsAreToldApartAndAZipIsKnownAgain() throws Exception {
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "waggle-quick");
        api().work(job, "cut");
        api().choose(
                        job,
                        "{\"order\":{\"finish\":\"silver\"},\"panel\":{\"rows\":2,\"columns\":2,"
                                + "\"rails\":\"all\",\"rail_mm\":7}}");
        api().work(job, "check");
        api().signOffAll(job);
        api().work(job, "cut");
        JsonNode d = api().json("GET", job + "/cuts/1/to/2", null);
        List<String> files =
                d.at("/files")
                        .valueStream()
                        .map(f -> f.at("/path").asString() + " " + f.at("/what").asString())
                        .toList();
        assertThat(files)
                .contains("panel/fabrication/outline.gbr added", "fabrication/job.gbrjob changed")
                .doesNotContain("assembly/parts.csv changed", "fabrication/outline.gbr changed")
                .filteredOn(f -> f.startsWith("fabrication/outline"))
                .allMatch(f -> f.endsWith("its date"));
        assertThat(d.at("/choices").asString()).contains("panel of 2 × 2").contains("silver");
        assertThat(d.at("/board/layers")).isEmpty();
        assertThat(d.at("/board/holes")).isEmpty();

        JsonNode handed =
                api().json(
                                "POST",
                                job + "/cuts/2/handed",
                                "{\"to\":\"Waggle Quickturn, order 17\",\"note\":\"by mail\"}");
        assertThat(handed.at("/0/to").asString()).isEqualTo("Waggle Quickturn, order 17");
        assertThat(handed.at("/0/cut").asInt()).isEqualTo(2);
        assertThat(api().json("GET", job + "/handed", null)).isEqualTo(handed);

        byte[] zip = api().bytes(job + "/cuts/2.zip");
        JsonNode same = api().verify(zip);
        assertThat(same.at("/whole").asBoolean()).isTrue();
        assertThat(same.at("/here").asString())
                .isEqualTo("It is cut 2 of joint-box, byte for byte as it is kept here.");
        byte[] other =
                Packs.edit(zip, n -> n.equals("fabrication/outline.gbr"), t -> t + "G04 x*\n");
        JsonNode bad = api().verify(other);
        assertThat(bad.at("/whole").asBoolean()).isFalse();
        assertThat(bad.at("/faults/0/path").asString()).isEqualTo("fabrication/outline.gbr");
        assertThat(bad.at("/here").asString()).contains("packed anew");
        // Who changes the manifest too is found by the one kept here.
        byte[] sly =
                Packs.edit(zip, n -> n.equals("manifest.json"), t -> t.replaceFirst("2", "2 "));
        assertThat(api().verify(sly).at("/here").asString()).contains("do not trust");
    }

    /** Made from two windows in the same moment, each has a number of its own. */
    @Test
    void twoCutsAtOnceAreTwoCuts() throws Exception {
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "waggle-quick");
        api().work(job, "check");
        JsonNode one = api().json("POST", job + "/work/cut", null);
        JsonNode two = api().json("POST", job + "/work/cut", null);
        assertThat(List.of(api().finish(one), api().finish(two)))
                .extracting(t -> t.at("/status").asString())
                .containsOnly("DONE");
        assertThat(api().json("GET", job + "/cuts", null).valueStream())
                .extracting(c -> c.at("/number").asInt())
                .containsExactly(2, 1);
        for (int n = 1; n <= 2; n++) {
            assertThat(api().verify(api().bytes(job + "/cuts/" + n + ".zip")).at("/number").asInt())
                    .isEqualTo(n);
        }
    }
}
