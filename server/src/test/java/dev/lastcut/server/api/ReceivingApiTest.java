package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** What comes back, held against the cut it was ordered by. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class ReceivingApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private JsonNode found(String job, String item, String what) throws Exception {
        return api().json(
                        "POST",
                        job + "/cuts/1/inspection",
                        "{\"item\":\"" + item + "\"," + what + ",\"note\":\"\"}");
    }

    @Test
    void theChecklistIsOfTheCutWhateverIsChosenSince() throws Exception {
        String job = api().bringIn("hive-scale-node");
        api().chooseShop(job, "longcomb-fine");
        api().choose(job, "{\"order\":{\"quantity\":7,\"thickness\":\"1.0\"}}");
        api().work(job, "check");
        api().signOffAll(job);
        api().work(job, "cut");
        api().choose(job, "{\"order\":{\"quantity\":90,\"thickness\":\"1.6\"}}");
        JsonNode list = api().json("GET", job + "/cuts/1/inspection", null);
        assertThat(list.at("/verdict").asString()).isEqualTo("open");
        assertThat(item(list, "boards").at("/expected").asInt()).isEqualTo(7);
        assertThat(item(list, "thickness").at("/expected").asDouble()).isEqualTo(1.0);
        assertThat(item(list, "width").at("/expected").asDouble()).isEqualTo(80);
        assertThat(list.at("/items").valueStream().filter(i -> i.at("/x").isNumber()).count())
                .isGreaterThanOrEqualTo(4);
        assertThat(
                        item(found(job, "width", "\"measured\":80.15"), "width")
                                .at("/right")
                                .asBoolean())
                .isTrue();
        JsonNode bad = found(job, "thickness", "\"measured\":1.58");
        assertThat(bad.at("/verdict").asString()).isEqualTo("bad");
        assertThat(bad.at("/words").asString()).contains("Thickness");
        for (JsonNode i : bad.at("/items")) {
            String id = i.at("/id").asString();
            found(
                    job,
                    id,
                    i.at("/expected").isNumber()
                            ? "\"measured\":" + i.at("/expected")
                            : "\"good\":true");
        }
        assertThat(api().json("GET", job + "/cuts/1/inspection", null).at("/words").asString())
                .isEqualTo("As ordered.");
        assertThat(
                        api().status(
                                        "POST",
                                        job + "/cuts/1/inspection",
                                        "{\"item\":\"colour of the box\",\"good\":true}"))
                .isEqualTo(409);
        assertThat(api().status("GET", job + "/cuts/2/inspection", null)).isEqualTo(404);
    }

    private static JsonNode item(JsonNode list, String id) {
        return list.at("/items")
                .valueStream()
                .filter(i -> i.at("/id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void placesInOneLineAreRefusedWithASentence() throws Exception {
        String job = api().bringIn("joint-box");
        String pair = "{\"photoX\":%d,\"photoY\":%d,\"x\":%d,\"y\":0}";
        String line =
                "{\"pairs\":["
                        + String.format(pair, 0, 0, 0)
                        + ","
                        + String.format(pair, 10, 10, 1000000)
                        + ","
                        + String.format(pair, 30, 30, 3000000)
                        + "]}";
        assertThat(api().status("POST", job + "/photo-fit", line)).isEqualTo(409);
        assertThat(api().status("POST", job + "/photo-fit", "{}")).isEqualTo(409);
    }
}
