package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.io.InputStream;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Touches of a job: done, shown, undone, and done again on the next revision. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TouchApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private static final String TOUCHES =
            "{\"touches\":["
                    + "{\"kind\":\"hole-size\",\"at\":[29.4,29.4],\"diameter_mm\":3},"
                    + "{\"kind\":\"text\",\"layer\":\"silk-top\",\"at\":[35,29],\"height_mm\":1,"
                    + "\"text\":\"Rev B\"},"
                    + "{\"kind\":\"teardrop\",\"length_mm\":0.5},"
                    + "{\"kind\":\"ring\",\"least_mm\":0.1}]}";

    private JsonNode touches(String job) throws Exception {
        return api().json("GET", job + "/touches", null).at("/touches");
    }

    @Test
    void aTouchIsDoneShownHeldAgainstTheFindingsAndUndone() throws Exception {
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "skep-pooled");
        byte[] before = api().bytes(job + "/layers/0");
        int version = api().job(job).at("/version").asInt();
        api().choose(job, TOUCHES);
        JsonNode list = touches(job);
        assertThat(list.get(0).at("/done").asBoolean()).as("%s", list).isTrue();
        assertThat(list.get(1).at("/done").asBoolean()).as("%s", list).isTrue();
        assertThat(list.get(2).at("/why").asString()).contains("teardrops");
        assertThat(list.get(3).at("/why").asString()).contains("No ring is thinner");
        JsonNode summary = api().job(job).at("/touches");
        assertThat(summary.at("/listed").asInt()).isEqualTo(4);
        assertThat(summary.at("/failed").asInt()).isEqualTo(1);

        // The table shows it after, before, and what is between.
        assertThat(api().bytes(job + "/layers/0")).isNotEqualTo(before);
        assertThat(api().bytes(job + "/touches/before/0")).isEqualTo(before);
        JsonNode changes = api().json("GET", job + "/touches/changes", null);
        assertThat(changes.at("/layers").size()).isEqualTo(2);
        assertThat(changes.at("/holes").size()).isEqualTo(1);

        // What it does to the findings: looked for, then there.
        String effect = job + "/touches/effect?touch=2";
        assertThat(api().json("GET", effect, null).at("/ready").asBoolean()).isFalse();
        api().finish(api().json("POST", effect, null));
        JsonNode found = api().json("GET", effect, null);
        assertThat(found.at("/ready").asBoolean()).isTrue();
        assertThat(found.at("/come").size()).as("%s", found).isZero();

        // The report tells them all, and the pack as it came is as it came.
        JsonNode report = api().json("GET", job + "/report.json", null);
        assertThat(report.at("/touches").size()).isEqualTo(4);
        assertThat(report.at("/touches/3/done").asBoolean()).isFalse();
        assertThat(report.at("/touches/0/places/0/x_mm").asDouble()).isEqualTo(29.4005);

        assertThat(api().text(job + "/report.html"))
                .contains("Touched up: Teardrops of 0.5 mm.", "Not touched up: Thicken rings");

        api().json("POST", job + "/versions/" + version, null);
        assertThat(api().bytes(job + "/layers/0")).isEqualTo(before);
        assertThat(touches(job).size()).isZero();
    }

    @Test
    void onTheNextRevisionTheyAreDoneAgainAndTheOneThatDoesNotFitSaysSo() throws Exception {
        String job = api().bringIn("joint-box");
        api().choose(job, TOUCHES);
        byte[] zip;
        try (InputStream in = getClass().getResourceAsStream("/demo-packs/joint-box.zip")) {
            zip = in.readAllBytes();
        }
        // A hole goes from 29.4 mm to 37.0 mm, where the text stood.
        byte[] moved =
                Packs.edit(
                        zip,
                        n -> n.contains("mount"),
                        s -> s.replace("X011575Y011575", "X014575Y011575"));
        JsonNode over = api().finish(api().upload(job + "/revisions", "joint-box-b.zip", moved));
        assertThat(over.at("/status").asString()).isEqualTo("DONE");
        JsonNode list = touches(job);
        assertThat(list.get(0).at("/done").asBoolean()).isFalse();
        assertThat(list.get(0).at("/why").asString())
                .contains("There is no hole at (29.400, 29.400)");
        assertThat(list.get(1).at("/why").asString()).contains("is in the way at");
        assertThat(list.get(2).at("/done").asBoolean()).isTrue();
        String left = api().job(job).at("/leftOut").toString();
        assertThat(left)
                .contains("is not done on this revision: There is no hole at")
                .contains("is in the way")
                .doesNotContain("Teardrops");
    }

    @Test
    void whatCanBeMendedIsOfferedOnceTheBoardIsChecked() throws Exception {
        String job = api().bringIn("hive-scale-node");
        api().chooseShop(job, "skep-pooled");
        String mending = job + "/touches/mending";
        assertThat(api().json("GET", mending, null).at("/ran").asBoolean()).isFalse();
        api().work(job, "check");
        JsonNode plan = api().json("GET", mending, null);
        assertThat(plan.at("/offers").size()).isEqualTo(7);
        assertThat(plan.at("/rest").size()).isPositive();
        assertThat(plan.at("/offers").toString()).contains("Clip the silk", "Thicken the ring");
        JsonNode offer = plan.at("/offers/0/touch");
        api().choose(job, "{\"touches\":[" + offer + "]}");
        assertThat(touches(job).get(0).at("/done").asBoolean()).isTrue();
        // A net's way before and after; nothing else changed it.
        JsonNode ways = api().json("GET", job + "/touches/current?touch=0&net=VBAT", null);
        assertThat(ways.at("/after/milliohm").asDouble()).isPositive();
        assertThat(api().refused(job, "{\"touches\":[{\"kind\":\"ring\"}]}"))
                .contains("touches[0].least_mm: it is missing");
    }
}
