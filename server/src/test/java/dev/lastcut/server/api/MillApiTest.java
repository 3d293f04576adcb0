package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.server.LastCut;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Set-ups, measured points, pasted programs and the bench mill; what cannot be is a sentence. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class MillApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private String job(String sheet) throws Exception {
        String job = api().bringIn("joint-box");
        choose(job, sheet);
        return job;
    }

    private void choose(String job, String sheet) throws Exception {
        api().chooseShop(job, sheet);
    }

    private String refused(String method, String path, String body) throws Exception {
        assertThat(api().status(method, path, body)).isBetween(400, 499);
        return api().json(method, path, body).at("/detail").asString();
    }

    @Test
    void aSetUpIsKeptForEachMillAndAWrongOneRefused() throws Exception {
        String job = job("wren-bench");
        String before = api().text(job + "/ticket.json");
        assertThat(api().refused(job, "{\"mill\":{\"pins\":3}}")).contains("mill.pins");
        assertThat(api().refused(job, "{\"mill\":{\"clearing\":\"chanel\"}}"))
                .contains("mill.clearing", "chanel");
        assertThat(api().refused(job, "{\"mill\":{\"clearing\":\"tie\"}}"))
                .contains("net that leftover copper is tied to");
        assertThat(api().refused(job, "{\"mill\":{\"nick_mm\":3}}")).contains("mill.nick_mm");
        assertThat(api().refused(job, "{\"mill\":{\"tools\":[\"chisel\"]}}"))
                .contains("mill.tools.chisel", "rack");
        assertThat(api().refused(job, "{")).contains("not JSON");
        assertThat(api().text(job + "/ticket.json")).as("nothing was changed").isEqualTo(before);

        api().choose(job, "{\"mill\":{\"nick_mm\":0.02}}");
        assertThat(api().json("GET", job + "/mill", null).at("/setup/nickMm").asDouble())
                .isEqualTo(0.02);
        choose(job, "anvil-mini");
        assertThat(api().json("GET", job + "/mill", null).at("/setup/nickMm").asDouble()).isZero();
        choose(job, "wren-bench");
        assertThat(api().json("GET", job + "/mill", null).at("/setup/nickMm").asDouble())
                .isEqualTo(0.02);
        choose(job, "skep-pooled");
        assertThat(refused("GET", job + "/mill", null)).contains("mill");
    }

    /** Points as the probing program asks for them, on a tilted plane. */
    private String tilted(String job) throws Exception {
        Matcher m =
                Pattern.compile("G0 X(-?[\\d.]+) Y(-?[\\d.]+)")
                        .matcher(api().text(job + "/mill/heights/probe.nc"));
        StringBuilder points = new StringBuilder();
        while (m.find()) {
            double x = Double.parseDouble(m.group(1));
            double y = Double.parseDouble(m.group(2));
            points.append(
                    String.format(
                            Locale.ROOT, "%.4f %.4f %.4f%n", x, y, 0.004 * x - 0.003 * y - 0.05));
        }
        return points.toString();
    }

    @Test
    void measuredPointsLevelTheProgramsThatAreRehearsedOnThem() throws Exception {
        String job = job("wren-bench");
        String heights = job + "/mill/heights/bottom";
        assertThat(refused("PUT", heights, "{\"text\":\"2 2 0.1\"}")).contains("probe again");
        assertThat(api().json("GET", heights, null).at("/present").asBoolean()).isFalse();
        assertThat(refused("PUT", job + "/mill/heights/left", "{\"text\":\"2 2 0.1\"}"))
                .contains("top or bottom");

        String points = tilted(job);
        String body = "{\"text\":\"" + points.replace("\n", "\\n") + "\"}";
        JsonNode kept = api().json("PUT", heights, body);
        assertThat(kept.at("/present").asBoolean()).isTrue();
        assertThat(kept.at("/problems").size()).isZero();
        assertThat(kept.at("/points").asInt()).isEqualTo((int) points.lines().count());
        double span = kept.at("/highest").asDouble() - kept.at("/lowest").asDouble();
        assertThat(span / 1e6).isCloseTo(0.004 * 74.7 + 0.003 * 51.9, within(0.01));
        assertThat(
                        api().text(heights + "/points.txt")
                                .lines()
                                .filter(l -> l.matches("-?\\d.*"))
                                .count())
                .isEqualTo(points.lines().count());

        for (String stock : List.of("measured", "flat")) {
            String wish = "{\"tool\":0,\"stock\":\"" + stock + "\"}";
            api().finish(api().json("POST", job + "/mill/rehearsal", wish));
            JsonNode result = api().json("POST", job + "/mill/rehearsal/result", wish);
            assertThat(result.at("/copper/0/good").asBoolean())
                    .as(stock)
                    .isEqualTo(stock.equals("measured"));
        }
        assertThat(api().json("DELETE", heights, null).at("/present").asBoolean()).isFalse();
        assertThat(refused("GET", heights + "/points.txt", null)).contains("probed");
    }

    @Test
    void aPastedProgramIsStoppedAtItsLine() throws Exception {
        String job = job("wren-bench");
        String wish =
                "{\"pasted\":\"G21 G90\\nM3 S100\\nG0 X1 Z-1\\nG99.5\\n\",\"side\":\"bottom\","
                        + "\"tool\":3,\"stock\":\"flat\"}";
        api().finish(api().json("POST", job + "/mill/rehearsal", wish));
        JsonNode result = api().json("POST", job + "/mill/rehearsal/result", wish);
        assertThat(result.at("/passes").asBoolean()).isFalse();
        assertThat(result.at("/hazards").valueStream())
                .anyMatch(
                        h ->
                                h.at("/line").asInt() == 4
                                        && h.at("/sentence").asString().contains("G99.5"))
                .anyMatch(
                        h ->
                                h.at("/line").asInt() == 3
                                        && h.at("/sentence").asString().contains("rapid"));
    }

    @Test
    void theBenchMillRefusesWhatAMillWould() throws Exception {
        String job = job("wren-bench");
        String bench = job + "/mill/bench";
        assertThat(api().json("GET", bench, null).at("/present").asBoolean()).isFalse();
        assertThat(refused("POST", bench, "{\"wish\":\"touch\"}")).contains("Lay a stock");
        assertThat(refused("POST", bench, "{\"wish\":\"dance\"}")).isNotBlank();
        JsonNode laid =
                api().json(
                                "POST",
                                bench,
                                "{\"wish\":\"begin\",\"side\":\"bottom\",\"stock\":\"warped\"}");
        assertThat(laid.at("/warped").asBoolean()).isTrue();
        assertThat(laid.at("/state").asString()).isEqualTo("idle");
        assertThat(refused("POST", bench, "{\"wish\":\"run\",\"program\":\"none.nc\"}"))
                .contains("none.nc");
        assertThat(refused("POST", bench, "{\"wish\":\"fit\",\"tool\":99}")).contains("99");
        assertThat(refused("POST", bench, "{\"wish\":\"restart\"}")).isNotBlank();
        JsonNode fitted = api().json("POST", bench, "{\"wish\":\"fit\",\"tool\":3}");
        assertThat(fitted.at("/fitted").asInt()).isEqualTo(3);
    }
}
