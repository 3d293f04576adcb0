package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.parts.CounterStand;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** The parts of a job: matching, cost, needs, variants, and a counter that is not well. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class PartsApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;
    @Autowired CounterStand counter;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
        // Long enough for a busy machine, and far below the delay of a slow counter.
        registry.add("lastcut.counter.limit-ms", () -> "8000");
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private void tell(String path) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(counter.address() + path))
                        .POST(HttpRequest.BodyPublishers.noBody())
                        .build();
        assertThat(
                        HttpClient.newHttpClient()
                                .send(request, HttpResponse.BodyHandlers.discarding())
                                .statusCode())
                .isEqualTo(200);
    }

    @AfterEach
    void well() throws Exception {
        tell("/mood?is=well");
        tell("/stock?number=CH-R-10K&pieces=50000");
    }

    private JsonNode asked(String job) throws Exception {
        api().finish(api().json("POST", job + "/parts/ask", null));
        return api().json("GET", job + "/parts", null);
    }

    private static JsonNode kind(JsonNode parts, String designator) {
        return parts.at("/kinds")
                .valueStream()
                .filter(
                        k ->
                                k.at("/names")
                                        .valueStream()
                                        .anyMatch(n -> n.asString().equals(designator)))
                .findFirst()
                .orElseThrow();
    }

    private String hive() throws Exception {
        String job = api().bringIn("hive-scale-node");
        api().chooseShop(job, "waggle-quick");
        String fitted = "{\"order\":{\"assembly\":\"top\"}}";
        assertThat(api().status("PATCH", job + "/ticket", fitted)).isEqualTo(200);
        return job;
    }

    private JsonNode taken(String job) throws Exception {
        String all =
                asked(job)
                        .at("/kinds")
                        .valueStream()
                        .filter(k -> !k.at("/proposed").asString().isEmpty())
                        .flatMap(
                                k ->
                                        k.at("/names")
                                                .valueStream()
                                                .map(
                                                        n ->
                                                                n
                                                                        + ":{\"partNumber\":"
                                                                        + k.at("/proposed")
                                                                        + "}"))
                        .collect(Collectors.joining(",", "{\"fittings\":{", "}}"));
        assertThat(api().status("POST", job + "/parts/fittings", all)).isEqualTo(200);
        return api().json("GET", job + "/parts", null);
    }

    @Test
    void theListIsMatchedByNumberAndItsTroublesAreSaid() throws Exception {
        String job = hive();
        JsonNode parts = taken(job);
        assertThat(parts.at("/counter/fault").asString()).isEmpty();
        assertThat(parts.at("/counter/unasked").asInt()).isZero();
        assertThat(kind(parts, "U3").at("/troubles").toString())
                .contains("not to be had, more in 84 days");
        assertThat(kind(parts, "Q1").at("/troubles").toString()).contains("last orders");
        assertThat(kind(parts, "C21").at("/troubles").toString()).contains("no part number");
        assertThat(kind(parts, "C1").at("/known/lineStock").asBoolean()).isTrue();
        assertThat(parts.at("/limits/loaded").asInt())
                .isGreaterThan(parts.at("/limits/mostLoaded").asInt());
        // More kinds than the shop loads: the check says so too.
        api().work(job, "check");
        assertThat(api().json("GET", job + "/check", null).at("/findings").toString())
                .contains("kinds must be loaded to order");
    }

    @Test
    void aHintThatIsTakenSavesWhatItSaid() throws Exception {
        String job = hive();
        JsonNode parts = taken(job);
        JsonNode hint =
                parts.at("/hints")
                        .valueStream()
                        .filter(h -> !h.at("/saves").isNull() && h.at("/take").size() > 0)
                        .filter(h -> !h.at("/kind").asString().equals("by-hand"))
                        .findFirst()
                        .orElseThrow();
        String body = "{\"variants\":[\"\"],\"fittings\":" + hint.at("/take") + "}";
        assertThat(api().status("POST", job + "/parts/fittings", body)).isEqualTo(200);
        JsonNode after = api().json("GET", job + "/parts", null);
        assertThat(parts.at("/cost/batch").asDouble() - after.at("/cost/batch").asDouble())
                .isCloseTo(hint.at("/saves").asDouble(), within(1e-6));
        JsonNode history = api().json("GET", job + "/history", null);
        int back = history.at("/version").asInt() - 1;
        api().json("POST", job + "/versions/" + back, null);
        assertThat(api().json("GET", job + "/parts", null).at("/cost"))
                .isEqualTo(parts.at("/cost"));
    }

    @Test
    void candidatesAreRankedByWhatIsNeeded() throws Exception {
        String job = hive();
        taken(job);
        String need = "{\"designator\":\"U3\",\"needs\":[\"supplies at least 120 mA\"]}";
        assertThat(api().status("POST", job + "/parts/needs", need)).isEqualTo(200);
        // What stands in for the regulator was asked for once it was known.
        asked(job);
        JsonNode c = api().json("GET", job + "/parts/candidates?designator=U3", null);
        assertThat(c.at("/original/needs/0/answer").asString()).isEqualTo("met");
        assertThat(c.at("/offers/0/needs/0/answer").asString()).isEqualTo("met");
        JsonNode lite =
                c.at("/offers")
                        .valueStream()
                        .filter(o -> o.at("/number").asString().equals("HP-V33-LITE"))
                        .findFirst()
                        .orElseThrow();
        assertThat(lite.at("/needs/0/answer").asString()).isEqualTo("unproven");
        assertThat(lite.at("/needs/0/why").asString()).contains("tested at 50 mA");
        JsonNode swapped =
                c.at("/offers")
                        .valueStream()
                        .filter(o -> o.at("/number").asString().equals("HP-V33-B"))
                        .findFirst()
                        .orElseThrow();
        assertThat(swapped.at("/pins").toString()).contains("pin 1 is OUT, not IN");
        String odd = "{\"designator\":\"U3\",\"needs\":[\"supplies at least 3 V + 2 A\"]}";
        assertThat(api().json("POST", job + "/parts/needs", odd).at("/detail").asString())
                .contains("cannot be added");
    }

    @Test
    void whatWasChosenIsProposedInTheNextJob() throws Exception {
        String first = hive();
        asked(first);
        String chosen = "{\"fittings\":{\"C21\":{\"partNumber\":\"LC-C0603-100N\"}}}";
        assertThat(api().status("POST", first + "/parts/fittings", chosen)).isEqualTo(200);
        JsonNode c = api().json("GET", hive() + "/parts/candidates?designator=C21", null);
        JsonNode best =
                c.at("/offers")
                        .valueStream()
                        .filter(o -> o.at("/number").asString().equals("LC-C0603-100N"))
                        .findFirst()
                        .orElseThrow();
        assertThat(best.at("/evidence").toString()).contains("chosen before");
    }

    /** A package's parts and the package are turned as one choice, and come back as one. */
    @Test
    void severalTurnsAreOneStep() throws Exception {
        String job = hive();
        int before = api().job(job).at("/version").asInt();
        String turns =
                "[{\"designator\":\"U1\",\"degrees\":90},{\"designator\":\"U2\",\"degrees\":180}]";
        assertThat(api().status("POST", job + "/placement/turns", turns)).isEqualTo(200);
        JsonNode now = api().job(job);
        assertThat(now.at("/version").asInt()).isEqualTo(before + 1);
        assertThat(now.at("/undo/to").asInt()).isEqualTo(before);
        assertThat(api().text(job + "/ticket.json")).contains("\"U1\"").contains("\"U2\"");
    }

    @Test
    void variantsGoTheirWayToTheFiles() throws Exception {
        String job = hive();
        String add = "{\"name\":\"Mains\",\"like\":null}";
        assertThat(api().status("POST", job + "/parts/variants", add)).isEqualTo(200);
        assertThat(api().status("POST", job + "/parts/variants", add)).isEqualTo(409);
        api().status("POST", job + "/parts/variants", "{\"name\":\"Dumb\"}");
        String off =
                "{\"variants\":[\"Mains\",\"Dumb\"],\"fittings\":{\"J3\":{\"fitted\":false},"
                        + "\"D3\":{\"fitted\":false}}}";
        assertThat(api().status("POST", job + "/parts/fittings", off)).isEqualTo(200);
        String value = "{\"variants\":[\"Dumb\"],\"fittings\":{\"R2\":{\"value\":\"470\"}}}";
        assertThat(api().status("POST", job + "/parts/fittings", value)).isEqualTo(200);
        JsonNode parts = api().json("GET", job + "/parts", null);
        assertThat(parts.at("/differences").valueStream().map(d -> d.at("/designators").asString()))
                .containsExactly("D3 J3", "R2");
        api().choose(job, "{\"variant\":\"Dumb\"}");
        api().work(job, "outputs");
        String placement = api().text(job + "/outputs/file?path=assembly/placement.csv");
        assertThat(placement).doesNotContain("J3,").doesNotContain("D3,").contains("R2,");
        assertThat(api().text(job + "/outputs/file?path=assembly/parts.csv"))
                .contains("470,R2,")
                .doesNotContain("J3");
        assertThat(api().refused(job, "{\"variant\":\"Nope\"}")).contains("no variant Nope");
        String ghost = "{\"fittings\":{\"Q77\":{\"fitted\":false}}}";
        assertThat(api().json("POST", job + "/parts/fittings", ghost).at("/detail").asString())
                .contains("Q77");
        assertThat(api().status("DELETE", job + "/parts/variants?name=Dumb", null)).isEqualTo(200);
        assertThat(api().json("GET", job + "/parts", null).at("/built").asString()).isEmpty();
        // The options of an order leave its quantity alone.
        api().choose(job, "{\"order\":{\"quantity\":20}}");
        api().choose(job, "{\"order\":{\"finish\":\"gold\"}}");
        assertThat(api().json("GET", job + "/parts", null).at("/boards").asInt()).isEqualTo(20);
    }

    @Test
    void aCounterThatIsNotWellCostsNothing() throws Exception {
        String job = hive();
        JsonNode before = taken(job);
        for (String mood : new String[] {"slow&delay_ms=16000", "down", "rubbish"}) {
            tell("/mood?is=" + mood);
            JsonNode task = api().json("POST", job + "/parts/ask", null);
            JsonNode meanwhile = api().json("GET", job + "/parts", null);
            api().json("GET", job + "/parts/candidates?designator=U3", null);
            String off = "{\"fittings\":{\"R2\":{\"fitted\":false}}}";
            assertThat(api().status("POST", job + "/parts/fittings", off)).isEqualTo(200);
            assertThat(meanwhile.at("/kinds").size()).isGreaterThan(20);
            if (mood.startsWith("slow")) {
                // All that was asked of the page is answered before the counter is given up.
                String path = "/api/tasks/" + task.at("/id").asString();
                assertThat(api().json("GET", path, null).at("/status").asString())
                        .isEqualTo("RUNNING");
            }
            api().finish(task);
            JsonNode after = api().json("GET", job + "/parts", null);
            assertThat(after.at("/counter/fault").asString()).as(mood).startsWith("The counter");
            assertThat(after.at("/counter/asOf")).isEqualTo(before.at("/counter/asOf"));
            assertThat(kind(after, "U3").at("/known")).isEqualTo(kind(before, "U3").at("/known"));
            api().status("POST", job + "/parts/fittings", off.replace("false", "true"));
        }
        tell("/mood?is=well");
        assertThat(asked(job).at("/counter/fault").asString()).isEmpty();
    }

    @Test
    void newsOfTheCounterAreTakenOverOnlyWhenAsked() throws Exception {
        String job = hive();
        JsonNode before = taken(job);
        tell("/stock?number=CH-R-10K&pieces=2");
        // Times are told by the second.
        long second = System.currentTimeMillis() / 1000;
        while (System.currentTimeMillis() / 1000 == second) {
            Thread.onSpinWait();
        }
        JsonNode parts = asked(job);
        assertThat(parts.at("/counter/fault").asString()).isEmpty();
        assertThat(parts.at("/newer").asInt()).isEqualTo(1);
        assertThat(kind(parts, "R1").at("/known")).isEqualTo(kind(before, "R1").at("/known"));
        assertThat(api().status("POST", job + "/parts/refresh", null)).isEqualTo(200);
        JsonNode after = api().json("GET", job + "/parts", null);
        assertThat(after.at("/newer").asInt()).isZero();
        assertThat(kind(after, "R1").at("/troubles").toString()).contains("only 2 of 5");
    }
}
