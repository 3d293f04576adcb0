package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.server.LastCut;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Sheets, orders, shops side by side, currents, sign-offs over revisions, the report. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class CheckApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private String checked(String pack, String sheet) throws Exception {
        String job = api().bringIn(pack);
        api().chooseShop(job, sheet);
        api().work(job, "check");
        return job;
    }

    private static List<JsonNode> of(JsonNode check, String rule) {
        return check.at("/findings")
                .valueStream()
                .filter(f -> f.at("/rule").asString().equals(rule))
                .toList();
    }

    @Test
    void aSheetIsCopiedChangedUsedAndTakenAway() throws Exception {
        String sheet = api().text("/api/sheets/skep-pooled.json");
        assertThat(api().status("POST", "/api/sheets", sheet)).isEqualTo(409);
        String own =
                sheet.replace("\"skep-pooled\"", "\"own-shop\"")
                        .replace(
                                "\"clearance\": { \"value\": 0.15,",
                                "\"clearance\": { \"value\": 0.1,");
        assertThat(api().json("POST", "/api/sheets", own).at("/own").asBoolean()).isTrue();
        assertThat(api().text("/api/sheets/own-shop.json")).isEqualTo(own);
        String job = checked("hive-scale-node", "own-shop");
        assertThat(of(api().json("GET", job + "/check", null), "clearance")).isEmpty();

        // A change of the sheet makes the last check no longer count.
        String changed = own.replace("\"value\": 0.1,", "\"value\": 0.2,");
        api().json("POST", "/api/sheets?replace=true", changed);
        assertThat(api().json("GET", job + "/check", null).at("/ran").asBoolean()).isFalse();
        api().work(job, "check");
        assertThat(of(api().json("GET", job + "/check", null), "clearance")).isNotEmpty();

        JsonNode refused =
                api().json("POST", "/api/sheets", own.replace("\"limits\"", "\"limitz\""));
        assertThat(refused.at("/detail").asString()).contains("limitz");
        assertThat(api().json("DELETE", "/api/sheets/own-shop", null).size()).isEqualTo(8);
        assertThat(api().status("DELETE", "/api/sheets/own-shop", null)).isEqualTo(404);
    }

    @Test
    void theSchemaKnowsEveryNumberAndNothingElse() throws Exception {
        JsonNode schema = api().json("GET", "/api/sheets/schema", null);
        JsonNode words = api().json("GET", "/api/sheets/words", null);
        List<String> numbers =
                words.at("/numbers").valueStream().map(n -> n.at("/id").asString()).toList();
        assertThat(List.copyOf(schema.at("/properties/limits/properties").propertyNames()))
                .containsExactlyElementsOf(numbers);
        assertThat(schema.at("/additionalProperties").asBoolean()).isFalse();
        for (JsonNode s : api().json("GET", "/api/sheets", null)) {
            String text = api().text("/api/sheets/" + s.at("/id").asString() + ".json");
            JsonNode sheet = api().parse(text);
            assertThat(schema.at("/properties").propertyNames()).containsAll(sheet.propertyNames());
        }
    }

    @Test
    void anOrderChangesTheLimitsItTouches() throws Exception {
        String job = checked("hive-scale-node", "skep-pooled");
        int before = of(api().json("GET", job + "/check", null), "track-width").size();
        api().choose(job, "{\"order\":{\"copper-outer\":\"2\"}}");
        JsonNode heavy = api().json("GET", job + "/limits", null);
        JsonNode track =
                heavy.at("/limits")
                        .valueStream()
                        .filter(l -> l.at("/id").asString().equals("track-width"))
                        .findFirst()
                        .orElseThrow();
        assertThat(track.at("/checked").asDouble()).isEqualTo(250_000);
        assertThat(track.at("/varied").asBoolean()).isTrue();
        api().work(job, "check");
        JsonNode after = api().json("GET", job + "/check", null);
        assertThat(of(after, "track-width")).hasSizeGreaterThanOrEqualTo(before);
        assertThat(of(after, "clearance").size()).isGreaterThan(1);
        assertThat(api().refused(job, "{\"order\":{\"speed\":\"2\"}}")).contains("order.speed");
        api().choose(job, "{\"order\":{\"finish\":\"gilded\"}}");
        JsonNode odd = api().json("GET", job + "/limits", null);
        assertThat(odd.at("/refused/0").asString()).contains("gilded");
    }

    @Test
    void everyShopSideBySide() throws Exception {
        String job = checked("joint-box", "wren-bench");
        assertThat(api().json("GET", job + "/shops", null).at("/ran").asBoolean()).isFalse();
        api().work(job, "shops");
        JsonNode shops = api().json("GET", job + "/shops", null);
        assertThat(shops.at("/shops").size()).isEqualTo(6);
        JsonNode gap =
                shops.at("/design")
                        .valueStream()
                        .filter(d -> d.at("/id").asString().equals("clearance"))
                        .findFirst()
                        .orElseThrow();
        // The planted gap of the joint box: 0.199 mm, too narrow for the mill alone.
        assertThat(gap.at("/nm").asDouble()).isCloseTo(198_900, within(2_000.0));
        JsonNode house = shops.at("/shops/0");
        assertThat(house.at("/stops").asInt()).isZero();
        JsonNode mill = shops.at("/shops/3");
        assertThat(mill.at("/sheetId").asString()).isEqualTo("wren-bench");
        assertThat(mill.at("/stopped").valueStream().map(s -> s.at("/rule").asString()))
                .contains("clearance", "track-width");
    }

    @Test
    void currentsAreGivenSolvedAndChecked() throws Exception {
        String job = checked("hive-scale-node", "skep-pooled");
        JsonNode pads = api().json("GET", job + "/pads?net=VBAT", null);
        assertThat(pads.size()).isGreaterThan(2);
        JsonNode path =
                api().json("POST", job + "/path", "{\"net\":\"VBAT\",\"amps\":1,\"riseC\":10}");
        assertThat(path.at("/ohm").asDouble()).isBetween(1e-4, 1.0);
        // 1 A, 10 °C, 35 µm outside: 0.30 mm (IPC-2221, from memory).
        assertThat(path.at("/neededOuterNm").asDouble()).isCloseTo(300_000, within(5_000.0));
        String ends = ",\"from\":" + pads.get(0).at("/end") + ",\"to\":" + pads.get(1).at("/end");
        JsonNode between =
                api().json(
                                "POST",
                                job + "/path",
                                "{\"net\":\"VBAT\",\"amps\":1,\"riseC\":10" + ends + "}");
        assertThat(between.at("/from")).isEqualTo(pads.get(0).at("/end"));
        String currents = "{\"currents\":[{\"net\":\"%s\",\"amps\":%s,\"rise_c\":10}]}";
        assertThat(api().refused(job, String.format(currents, "VBAT", -1)))
                .contains("currents[0].amps: it must be above 0");
        assertThat(api().refused(job, String.format(currents, "NONE", 1)))
                .contains("currents.NONE: the board has no net of this name");
        api().choose(job, String.format(currents, "VBAT", 20));
        assertThat(api().json("GET", job + "/check", null).at("/ran").asBoolean()).isFalse();
        api().work(job, "check");
        JsonNode hot = of(api().json("GET", job + "/check", null), "current").get(0);
        assertThat(hot.at("/severity").asString()).isEqualTo("stop");
        assertThat(hot.at("/measured").asDouble()).isLessThan(hot.at("/limit").asDouble());
        api().choose(job, "{\"currents\":null}");
        assertThat(api().json("GET", job + "/currents", null).size()).isZero();
    }

    @Test
    void signOffsAreCarriedToTheNextRevisionUnlessItGotWorse() throws Exception {
        String job = checked("joint-box", "wren-bench");
        JsonNode check = api().json("GET", job + "/check", null);
        String ids =
                String.join(
                        ",",
                        check.at("/findings").valueStream().map(f -> f.at("/id") + "").toList());
        api().json(
                        "POST",
                        job + "/sign-offs",
                        "{\"findings\":[" + ids + "],\"by\":\"Ida\",\"reason\":\"fine here\"}");
        // The next revision comes without its parts list.
        api().bringInAgainWithout(job, "joint-box", path -> path.contains("parts"));
        api().work(job, "check");
        JsonNode now = api().json("GET", job + "/check", null);
        assertThat(now.at("/compared").asBoolean()).isTrue();
        JsonNode gap = of(now, "clearance").get(0);
        assertThat(gap.at("/signOff/revision").asInt()).isEqualTo(1);
        assertThat(gap.at("/isNew").asBoolean()).isFalse();
        assertThat(now.at("/gone").valueStream().map(f -> f.at("/rule").asString()))
                .contains("part-not-placed");

        // With more headroom than it was signed off with, the same gap is further from its limit.
        api().choose(job, "{\"headroom\":{\"percent\":20}}");
        api().work(job, "check");
        JsonNode worse =
                of(api().json("GET", job + "/check", null), "clearance").stream()
                        .filter(f -> f.at("/id").equals(gap.at("/id")))
                        .findFirst()
                        .orElseThrow();
        assertThat(worse.at("/signOff").isNull()).isTrue();
        assertThat(worse.at("/lapsed/by").asString()).isEqualTo("Ida");
    }

    @Test
    void theReportSaysWhatWasFoundInWordsAndPictures() throws Exception {
        String job = api().bringIn("hive-scale-node");
        assertThat(api().status("GET", job + "/report.html", null)).isEqualTo(409);
        api().chooseShop(job, "skep-pooled");
        api().work(job, "check");
        JsonNode check = api().json("GET", job + "/check", null);
        String html = api().text(job + "/report.html");
        long drawn =
                check.at("/findings")
                        .valueStream()
                        .filter(f -> !f.at("/severity").asString().equals("note"))
                        .filter(f -> !f.at("/everywhere").asBoolean())
                        .count();
        assertThat(html.split("<svg ", -1)).hasSize((int) drawn + 1);
        byte[] pdf = api().bytes(job + "/report.pdf");
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        try (var document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            for (JsonNode f : check.at("/findings")) {
                assertThat(text).contains(f.at("/title").asString());
            }
            assertThat(text).contains("0.120 mm, limit 0.150 mm", "Could not be checked");
        }
    }
}
