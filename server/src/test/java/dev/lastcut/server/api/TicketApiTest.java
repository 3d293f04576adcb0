package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.report.Json;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** Versions of the ticket: back and forward, two windows, from one job to another. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TicketApiTest {
    @TempDir static Path data;
    @LocalServerPort int port;
    @Autowired JdbcClient jdbc;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private int version(String job) throws Exception {
        return api().json("GET", job + "/history", null).at("/version").asInt();
    }

    /** Something chosen at random; all of it fits the joint box on its mill. */
    private static String choice(Random r) {
        return switch (r.nextInt(7)) {
            case 0 -> "{\"headroom\":{\"percent\":" + r.nextInt(40) + "}}";
            case 1 -> "{\"headroom\":{\"mm\":{\"clearance\":0." + r.nextInt(10) + "}}}";
            case 2 -> "{\"order\":{\"copper-outer\":\"" + (1 + r.nextInt(3)) + "\"}}";
            case 3 ->
                    "{\"currents\":[{\"net\":\"EXC\",\"rise_c\":10,\"amps\":"
                            + (1 + r.nextInt(9))
                            + "}]}";
            case 4 -> "{\"mill\":{\"nick_mm\":0.0" + r.nextInt(6) + "}}";
            case 5 -> "{\"roles\":{\"joint-box-silk-top.gbr\":\"not-part\"}}";
            default -> "{\"shop\":\"" + (r.nextBoolean() ? "anvil-mini" : "wren-bench") + "\"}";
        };
    }

    private byte[] report(String job) throws Exception {
        return api().bytes(job + "/report.json");
    }

    /** Goes by undo or redo as far as it goes; how many steps that were. */
    private int all(String job, String way) throws Exception {
        int steps = 0;
        for (JsonNode now = api().job(job); !now.at("/" + way).isNull(); now = api().job(job)) {
            int to = now.at("/" + way + "/to").asInt();
            assertThat(
                            api().on(
                                            now.at("/version").asInt(),
                                            "POST",
                                            job + "/versions/" + to,
                                            "")
                                    .statusCode())
                    .isEqualTo(200);
            steps++;
        }
        return steps;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void whateverIsChosenUndoneGivesTheFirstReportAndRedoneTheLast(int seed) throws Exception {
        Random r = new Random(seed);
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "wren-bench");
        api().work(job, "check");
        byte[] first = report(job);
        byte[] ticket = api().bytes(job + "/ticket.json");
        int before = version(job);
        for (int i = 0; i < 8; i++) {
            api().choose(job, choice(r));
            if (i == 4) {
                api().work(job, "check");
                api().signOffAll(job);
            }
        }
        api().work(job, "check");
        byte[] last = report(job);
        int after = version(job);

        int undone = all(job, "undo");
        // The shop was chosen after the job was brought in: one step more than that.
        int shop = api().json("GET", job + "/history", null).at("/steps/1/version").asInt();
        assertThat(shop).isEqualTo(before);
        api().json("POST", job + "/versions/" + shop, null);
        assertThat(api().bytes(job + "/ticket.json")).isEqualTo(ticket);
        // Nothing is computed for it: the check is there as soon as it is asked for.
        assertThat(api().json("GET", job + "/check", null).at("/ran").asBoolean()).isTrue();
        assertThat(report(job)).isEqualTo(first);

        assertThat(all(job, "redo")).isEqualTo(undone - 1);
        assertThat(version(job)).isEqualTo(after);
        assertThat(api().json("GET", job + "/check", null).at("/ran").asBoolean()).isTrue();
        assertThat(report(job)).isEqualTo(last);
    }

    @Test
    void everyStepIsListedInWordsAndOneThatWasLeftCanBeFoundAgain() throws Exception {
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "wren-bench");
        api().choose(job, "{\"headroom\":{\"mm\":{\"clearance\":0.05}}}");
        int left = version(job);
        // The same again is no step.
        api().choose(job, "{\"headroom\":{\"mm\":{\"clearance\":0.05}}}");
        JsonNode steps = api().json("GET", job + "/history", null).at("/steps");
        assertThat(steps.valueStream().map(s -> s.at("/says").asString()))
                .containsExactly(
                        "brought in", "shop: Wren bench mill", "headroom on clearance 0.05 mm");
        all(job, "undo");
        api().chooseShop(job, "anvil-mini");
        JsonNode other = api().json("GET", job + "/history", null);
        assertThat(other.at("/steps").size()).isEqualTo(2);
        assertThat(api().job(job).at("/redo").isNull()).isTrue();
        api().json("POST", job + "/versions/" + left, null);
        assertThat(api().job(job).at("/headroom/mm/clearance").asDouble()).isEqualTo(0.05);
        assertThat(api().status("POST", job + "/versions/999", null)).isEqualTo(404);
        assertThatThrownBy(() -> jdbc.sql("update ticket_version set says = 'x'").update())
                .hasMessageContaining("cannot be changed");
    }

    @Test
    void aChoiceOnWhatNoLongerHoldsIsRefusedWithWhatHappenedMeanwhile() throws Exception {
        String job = api().bringIn("joint-box");
        int seen = version(job);
        api().chooseShop(job, "wren-bench");
        String mine = "{\"headroom\":{\"percent\":10}}";
        HttpResponse<byte[]> refused = api().on(seen, "PATCH", job + "/ticket", mine);
        assertThat(refused.statusCode()).isEqualTo(412);
        JsonNode why = Json.MAPPER.readTree(refused.body());
        assertThat(why.at("/code").asString()).isEqualTo("stale");
        assertThat(why.at("/meanwhile").asString()).isEqualTo("shop: Wren bench mill");
        assertThat(api().job(job).at("/headroom/percent").asDouble()).isZero();
        int now = why.at("/version").asInt();
        assertThat(api().on(now, "PATCH", job + "/ticket", mine).statusCode()).isEqualTo(200);
        JsonNode both = api().job(job);
        assertThat(both.at("/headroom/percent").asDouble()).isEqualTo(10);
        assertThat(both.at("/sheetId").asString()).isEqualTo("wren-bench");
        // The other ways to change a job hold to the same.
        api().work(job, "check");
        for (String[] way :
                new String[][] {
                    {"POST", "/versions/1", ""},
                    {"POST", "/sign-offs", "{\"findings\":[],\"by\":\"a\",\"reason\":\"b\"}"},
                    {"PUT", "/correction", "{\"path\":\"joint-box-holes.drl\",\"apply\":false}"},
                    {"PUT", "/mill/heights/bottom", "{\"text\":\"\"}"},
                    {"DELETE", "/mill/heights/bottom", ""}
                }) {
            int status = api().on(seen, way[0], job + way[1], way[2]).statusCode();
            assertThat(status).as(way[1]).isIn(412, 409);
        }
        assertThat(api().on(0, "PATCH", job + "/ticket", mine).statusCode()).isEqualTo(404);
        assertThat(version(job)).isEqualTo(both.at("/version").asInt());
    }

    @Test
    void theOtherWindowHearsOfIt() throws Exception {
        String job = api().bringIn("joint-box");
        URI address = URI.create("http://127.0.0.1:" + port + job + "/events");
        CompletableFuture<JsonNode> heard = new CompletableFuture<>();
        CompletableFuture<Void> listening = new CompletableFuture<>();
        Thread window =
                new Thread(
                        () -> {
                            try (var in =
                                    new BufferedReader(
                                            new InputStreamReader(
                                                    address.toURL().openStream(),
                                                    StandardCharsets.UTF_8))) {
                                for (String l = in.readLine(); l != null; l = in.readLine()) {
                                    if (l.startsWith("data:")) {
                                        JsonNode event = Json.MAPPER.readTree(l.substring(5));
                                        listening.complete(null);
                                        if (!event.at("/kind").asString().equals("now")) {
                                            heard.complete(event);
                                            return;
                                        }
                                    }
                                }
                            } catch (Exception e) {
                                heard.completeExceptionally(e);
                            }
                        });
        window.start();
        listening.get(20, TimeUnit.SECONDS);
        api().choose(job, "{\"headroom\":{\"percent\":15}}");
        JsonNode event = heard.get(20, TimeUnit.SECONDS);
        assertThat(event.at("/says").asString()).isEqualTo("headroom 15 % on every number");
        assertThat(event.at("/version").asInt()).isEqualTo(version(job));
    }

    @Test
    void aTicketGoesFromOneJobToAnotherWholeOrNotAtAll() throws Exception {
        String job = api().bringIn("joint-box");
        api().chooseShop(job, "wren-bench");
        api().choose(job, choice(new Random(4)));
        api().choose(job, "{\"roles\":{\"joint-box-silk-top.gbr\":\"not-part\"}}");
        byte[] ticket = api().bytes(job + "/ticket.json");

        String other = api().bringIn("joint-box");
        HttpResponse<byte[]> started =
                api().send("POST", other + "/ticket", "application/json", ticket);
        JsonNode over = api().finish(Json.MAPPER.readTree(started.body()));
        assertThat(over.at("/status").asString()).isEqualTo("DONE");
        assertThat(api().bytes(other + "/ticket.json")).isEqualTo(ticket);

        // A board of other files: each of those it does not have is named, and nothing is changed.
        String tag = api().bringIn("honeycomb-tag");
        byte[] before = api().bytes(tag + "/ticket.json");
        List<byte[]> bad = new ArrayList<>();
        bad.add(ticket);
        bad.add("{\"headroom\":{\"percent\":5},\"oder\":{}}".getBytes(StandardCharsets.UTF_8));
        bad.add("{\"headroom\":{\"percent\":5},\"shop\":\"x\"}".getBytes(StandardCharsets.UTF_8));
        String[] says = {"roles.joint-box-silk-top.gbr", "oder: there is no such key", "shop:"};
        for (int i = 0; i < bad.size(); i++) {
            HttpResponse<byte[]> answer =
                    api().send("POST", tag + "/ticket", "application/json", bad.get(i));
            JsonNode failed = api().finish(Json.MAPPER.readTree(answer.body()));
            assertThat(failed.at("/status").asString()).isEqualTo("FAILED");
            assertThat(failed.at("/error").asString()).contains(says[i]);
            assertThat(api().bytes(tag + "/ticket.json")).isEqualTo(before);
        }
    }

    @Test
    void aNewRevisionStartsFromTheLastTicketAndSaysWhatNoLongerFits() throws Exception {
        String job = api().bringIn("joint-box");
        api().choose(
                        job,
                        "{\"headroom\":{\"percent\":7},\"roles\":{"
                                + "\"joint-box-parts.csv\":\"parts-list\","
                                + "\"joint-box-silk-top.gbr\":\"silk-top\"}}");
        api().bringInAgainWithout(job, "joint-box", path -> path.contains("parts"));
        JsonNode now = api().job(job);
        assertThat(now.at("/headroom/percent").asDouble()).isEqualTo(7);
        assertThat(now.at("/leftOut").size()).isEqualTo(1);
        assertThat(now.at("/leftOut/0").asString()).contains("joint-box-parts.csv");
        assertThat(now.at("/undo").isNull()).as("files brought in are not undone").isTrue();
        assertThat(api().text(job + "/ticket.json"))
                .contains("\"joint-box-silk-top.gbr\" : \"silk-top\"")
                .doesNotContain("joint-box-parts.csv");
    }
}
