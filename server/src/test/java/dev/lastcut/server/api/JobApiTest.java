package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.server.LastCut;
import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** The API over HTTP on a real server and a real, temporary database. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class JobApiTest {
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

    private HttpResponse<byte[]> send(String method, String path, String type, byte[] body)
            throws Exception {
        return api().send(method, path, type, body);
    }

    private JsonNode json(String method, String path, String body) throws Exception {
        return api().json(method, path, body);
    }

    private int status(String method, String path, String body) throws Exception {
        return api().status(method, path, body);
    }

    private JsonNode upload(String name, byte[] content) throws Exception {
        return api().upload("/api/jobs", name, content);
    }

    private JsonNode upload(String to, String name, byte[] content) throws Exception {
        return api().upload(to, name, content);
    }

    private JsonNode finish(JsonNode task) throws Exception {
        return api().finish(task);
    }

    private String bringIn(String name) throws Exception {
        return api().bringIn(name);
    }

    @Test
    void aRoleCanBeChangedAndTakenBack() throws Exception {
        String job = bringIn("joint-box");
        String file = "joint-box-copper-bottom.gbr";
        String roles = "{\"roles\":{\"" + file + "\":%s}}";
        JsonNode changed = api().choose(job, String.format(roles, "\"copper-top\""));
        assertThat(role(changed, file)).isEqualTo("copper-top");
        assertThat(changed.at("/layers/0/role").asString()).isEqualTo("copper-top");
        assertThat(role(json("GET", job, null), file)).isEqualTo("copper-top");
        JsonNode back = api().choose(job, String.format(roles, "null"));
        assertThat(role(back, file)).isEqualTo("copper-bottom");
        assertThat(api().refused(job, String.format(roles, "\"lid\""))).contains("roles." + file);
        assertThat(api().refused(job, "{\"roles\":{\"none\":\"outline\"}}"))
                .contains("roles.none: the pack has no such file");
        assertThat(api().refused(job, "not json")).contains("not JSON");
    }

    private static String role(JsonNode job, String file) {
        return job.at("/files")
                .valueStream()
                .filter(f -> f.at("/path").asString().equals(file))
                .findFirst()
                .orElseThrow()
                .at("/role")
                .asString();
    }

    @Test
    void headroomChangesWhatIsFoundAndTheOldCheckNoLongerCounts() throws Exception {
        String job = bringIn("joint-box");
        assertThat(finish(json("POST", job + "/work/check", null)).at("/error").asString())
                .contains("Choose a shop");
        api().chooseShop(job, "wren-bench");
        finish(json("POST", job + "/work/check", null));
        JsonNode before = json("GET", job + "/check", null);
        assertThat(before.at("/findings").size()).isEqualTo(5);
        JsonNode after = api().choose(job, "{\"headroom\":{\"mm\":{\"clearance\":0.3}}}");
        assertThat(after.at("/check/ran").asBoolean()).isFalse();
        assertThat(json("GET", job + "/check", null).at("/ran").asBoolean()).isFalse();
        finish(json("POST", job + "/work/check", null));
        JsonNode wider = json("GET", job + "/check", null);
        assertThat(wider.at("/findings").size()).isGreaterThan(5);
        // One number changed, so only what depends on it was computed.
        assertThat(wider.at("/rules"))
                .filteredOn(r -> r.at("/computed").asBoolean())
                .extracting(r -> r.at("/rule").asString())
                .containsExactly("clearance");
        assertThat(api().refused(job, "{\"headroom\":{\"percent\":-5}}"))
                .contains("headroom.percent: it must be at least 0");
        assertThat(api().refused(job, "{\"shop\":\"nobody\"}")).contains("shop: there is no sheet");
    }

    @Test
    void aCutIsBlockedByOpenStopsAndNeverChanges() throws Exception {
        String job = bringIn("joint-box");
        api().chooseShop(job, "wren-bench");
        finish(json("POST", job + "/work/check", null));
        assertThat(status("POST", job + "/work/cut", null)).isEqualTo(409);
        String path = job + "/sign-offs";
        String all = "{\"findings\":" + api().findings(job) + ",\"by\":\"Ida\",\"reason\":";
        assertThat(status("POST", path, all + "\" \"}")).isEqualTo(409);
        assertThat(
                        status(
                                "POST",
                                path,
                                "{\"findings\":[\"none\"],\"by\":\"Ida\",\"reason\":\"x\"}"))
                .isEqualTo(404);
        JsonNode signed = json("POST", path, all + "\"fine here\"}");
        assertThat(signed.at("/findings"))
                .allMatch(f -> f.at("/signOff/by").asString().equals("Ida"));
        assertThat(finish(json("POST", job + "/work/cut", null)).at("/result").asString())
                .isEqualTo("1");
        assertThat(finish(json("POST", job + "/work/cut", null)).at("/result").asString())
                .isEqualTo("2");
        byte[] one = send("GET", job + "/cuts/1.zip", null, null).body();
        assertThat(send("GET", job + "/cuts/1.zip", null, null).body()).isEqualTo(one);
        assertThat(json("GET", job + "/cuts", null).size()).isEqualTo(2);
        // The sheet stays as it was, whatever becomes of the one that is chosen.
        assertThat(json("GET", job + "/cuts/1/sheet.json", null).at("/id").asString())
                .isEqualTo("wren-bench");
        assertThat(status("GET", job + "/cuts/9/sheet.json", null)).isEqualTo(404);
        assertThatThrownBy(() -> jdbc.sql("update cut set created = 'x'").update())
                .hasMessageContaining("a cut cannot be changed");
        assertThatThrownBy(() -> jdbc.sql("delete from cut").update())
                .hasMessageContaining("a cut cannot be deleted");
    }

    @Test
    void whatIsUnderAPlaceAndWhereAMeasureCatches() throws Exception {
        String job = bringIn("hive-scale-node");
        JsonNode under =
                json("GET", job + "/under?x=71000000&y=42000000&roles=copper-top,mask-top", null);
        assertThat(under.get(0).at("/netName").asString()).isEqualTo("VCC");
        assertThat(under.get(0).at("/shape").asString()).isEqualTo("round 1.500 mm");
        assertThat(under.get(0).at("/line").asInt()).isPositive();
        String snap = job + "/snap?reach=300000&roles=copper-top&";
        JsonNode centre = json("GET", snap + "x=71100000&y=42050000", null);
        assertThat(centre.at("/kind").asString()).isEqualTo("centre");
        assertThat(centre.at("/x").asLong()).isEqualTo(71_000_000);
        JsonNode edge = json("GET", snap + "x=71000000&y=42800000", null);
        assertThat(edge.at("/kind").asString()).isEqualTo("edge");
        assertThat(edge.at("/y").asLong()).isBetween(42_745_000L, 42_755_000L);
        assertThat(json("GET", snap + "x=1000000&y=1000000", null).at("/kind").asString())
                .isEqualTo("none");
    }

    /** The bytes of a layer hold the whole picture: ring by ring, closed, and nothing after. */
    @Test
    void layerBytesAreWellFormed() throws Exception {
        String job = bringIn("joint-box");
        for (JsonNode layer : json("GET", job, null).at("/layers")) {
            byte[] bytes =
                    send("GET", job + "/layers/" + layer.at("/index").asInt(), null, null).body();
            ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
            int polygons = in.getInt();
            assertThat(polygons).isPositive();
            for (int p = 0; p < polygons; p++) {
                in.getInt();
                int rings = in.getInt();
                if (rings == -1) {
                    // A round tool's way: both ends and the radius.
                    in.position(in.position() + 16);
                    assertThat(in.getInt()).isPositive();
                }
                for (; rings > 0; rings--) {
                    int points = in.getInt();
                    assertThat(points).isGreaterThan(3);
                    long first = in.getLong(in.position());
                    in.position(in.position() + 8 * (points - 1));
                    assertThat(in.getLong()).isEqualTo(first);
                }
            }
            assertThat(in.remaining()).isZero();
        }
        assertThat(status("GET", job + "/layers/99", null)).isEqualTo(404);
    }

    @Test
    void aBadPackLeavesNothingBehind() throws Exception {
        int before = json("GET", "/api/jobs", null).size();
        assertThat(upload("x.zip", "hello".getBytes(StandardCharsets.UTF_8)).at("/code").asString())
                .isEqualTo("unusable-pack");
        JsonNode letter =
                finish(upload("letter.gbr", "Dear shop".getBytes(StandardCharsets.UTF_8)));
        assertThat(letter.at("/status").asString()).isEqualTo("FAILED");
        assertThat(letter.at("/error").asString()).contains("no Gerber or drill file");
        assertThat(json("GET", "/api/jobs", null).size()).isEqualTo(before);
    }

    @Test
    void outputsAreMadeOnceAndDownloadedByPath() throws Exception {
        String job = bringIn("joint-box");
        api().chooseShop(job, "anvil-mini");
        assertThat(json("GET", job + "/outputs", null).at("/made").asBoolean()).isFalse();
        finish(json("POST", job + "/work/outputs", null));
        JsonNode outputs = json("GET", job + "/outputs", null);
        for (JsonNode f : outputs.at("/files")) {
            byte[] content =
                    send("GET", job + "/outputs/file?path=" + f.at("/path").asString(), null, null)
                            .body();
            assertThat(content).hasSize(f.at("/bytes").asInt());
        }
        JsonNode paths = json("GET", job + "/outputs/paths/0", null);
        assertThat(paths.at("/widthNm").asLong()).isBetween(315_000L, 316_000L);
        assertThat(paths.at("/paths/0").size() % 3).isZero();
        assertThat(status("GET", job + "/outputs/file?path=../../etc/passwd", null)).isEqualTo(404);
    }

    @Test
    void thePartsKnowTheirPinOne() throws IOException, Exception {
        String job = bringIn("hive-scale-node");
        JsonNode parts = json("GET", job + "/parts", null);
        assertThat(parts.at("/kinds").size() + parts.at("/off").size()).isEqualTo(35);
        JsonNode u1 =
                parts.at("/parts")
                        .valueStream()
                        .filter(p -> p.at("/designator").asString().equals("U1"))
                        .findFirst()
                        .orElseThrow();
        // The controller stands at (60, 45); pin 1 is the topmost of its left row.
        assertThat(u1.at("/pin1X").asLong()).isEqualTo(60_000_000 - 4_250_000);
        assertThat(u1.at("/pin1Y").asLong()).isEqualTo(45_000_000 + 2_800_000);
    }

    private static byte[] demo(String name) throws IOException {
        try (InputStream in =
                JobApiTest.class.getResourceAsStream("/demo-packs/" + name + ".zip")) {
            return in.readAllBytes();
        }
    }

    private static JsonNode file(JsonNode job, String path) {
        for (JsonNode f : job.at("/files")) {
            if (f.at("/path").asString().equals(path)) {
                return f;
            }
        }
        throw new AssertionError("no file " + path);
    }

    @Test
    void newerFilesKeepTheChoicesAndShowWhatChanged() throws Exception {
        String job = bringIn("joint-box");
        String copper = "joint-box-copper-bottom.gbr";
        api().choose(job, "{\"roles\":{\"" + copper + "\":\"copper-top\"}}");
        assertThat(json("GET", job + "/changes", null).at("/since").asInt()).isZero();

        // One hole less, one wider by a tool.
        byte[] newer =
                Packs.edit(
                        demo("joint-box"),
                        name -> name.endsWith(".drl"),
                        text -> text.replaceFirst("(?m)^X[-.\\d]+Y[-.\\d]+$\\R?", ""));
        JsonNode over = finish(upload(job + "/revisions", "joint-box-b.zip", newer));
        assertThat(over.at("/status").asString()).isEqualTo("DONE");
        assertThat(over.at("/result").asString()).isEqualTo("2");
        JsonNode now = json("GET", job, null);
        assertThat(now.at("/revision").asInt()).isEqualTo(2);
        assertThat(role(now, copper)).isEqualTo("copper-top");
        JsonNode changes = json("GET", job + "/changes", null);
        assertThat(changes.at("/since").asInt()).isEqualTo(1);
        assertThat(changes.at("/layers").size()).isZero();
        assertThat(changes.at("/holes").size()).isPositive();
        assertThat(changes.at("/holes/0/what").asString()).startsWith("removed: ");

        // A pack that cannot be used leaves the revision as it was.
        JsonNode bad =
                finish(
                        upload(
                                job + "/revisions",
                                "x.gbr",
                                "Dear".getBytes(StandardCharsets.UTF_8)));
        assertThat(bad.at("/status").asString()).isEqualTo("FAILED");
        assertThat(json("GET", job, null).at("/revision").asInt()).isEqualTo(2);
    }

    @Test
    void aFileOutOfPlaceIsPutRightAndBack() throws Exception {
        byte[] shifted =
                Packs.edit(
                        demo("hive-scale-node"),
                        name -> name.endsWith("mask-top.gbr"),
                        text -> Packs.shifted(text, 1_500_000, -700_000));
        JsonNode over = finish(upload("shifted.zip", shifted));
        String job = "/api/jobs/" + over.at("/result").asString();
        String mask = "hive-scale-node-mask-top.gbr";
        JsonNode before = json("GET", job, null);
        assertThat(file(before, mask).at("/suggested").asString())
                .isEqualTo("moved by 1.500 mm left and 0.700 mm up");
        String choice = "{\"path\":\"" + mask + "\",\"apply\":%s}";
        json("PUT", job + "/correction", String.format(choice, true));
        JsonNode after = api().job(job);
        assertThat(file(after, mask).at("/suggested").asString()).isEmpty();
        assertThat(file(after, mask).at("/applied").asString()).contains("1.500 mm left");
        assertThat(after.at("/problems").size()).isZero();
        json("PUT", job + "/correction", String.format(choice, false));
        JsonNode back = api().job(job);
        assertThat(file(back, mask).at("/suggested").asString()).isNotEmpty();
        assertThat(status("PUT", job + "/correction", "{\"path\":\"none\",\"apply\":true}"))
                .isEqualTo(404);
    }

    @Test
    void numbersAreReadAsTheUserSays() throws Exception {
        String job = bringIn("hive-scale-node");
        String drill = "hive-scale-node-plated.drl";
        String inch = "inch 2.4, leading zeros left out";
        String formats = "{\"formats\":{\"" + drill + "\":%s}}";
        JsonNode changed = api().choose(job, String.format(formats, "\"" + inch + "\""));
        assertThat(file(changed, drill).at("/numbers").asString()).isEqualTo(inch);
        // Its numbers carry points, so as inches everything is 25.4 times as large.
        assertThat(file(changed, drill).at("/suggested").asString())
                .contains("scaled by 0.0393701");
        assertThat(api().refused(job, String.format(formats, "\"furlong\"")))
                .contains("formats." + drill, "furlong");
        JsonNode back = api().choose(job, String.format(formats, "null"));
        assertThat(file(back, drill).at("/suggested").asString()).isEmpty();
    }

    @Test
    void factsNetsSolidAndPrint() throws Exception {
        String job = bringIn("hive-scale-node");
        JsonNode facts = json("GET", job + "/facts", null);
        // 80 × 56 mm with round corners, a slot and a notch less.
        assertThat(facts.at("/areaMm2").asDouble()).isBetween(4400.0, 4480.0);
        assertThat(facts.at("/copper").size()).isEqualTo(2);
        assertThat(facts.at("/smallest/1/what").asString()).isEqualTo("gap");
        assertThat(facts.at("/smallest/1/nm").asDouble()).isBetween(118_000.0, 122_000.0);
        JsonNode nets = json("GET", job + "/nets", null);
        JsonNode gnd = null;
        for (JsonNode n : nets) {
            gnd = n.at("/name").asString().equals("GND") ? n : gnd;
        }
        assertThat(gnd).isNotNull();
        assertThat(gnd.at("/pads").asInt()).isGreaterThan(20);
        assertThat(gnd.at("/layers").asInt()).isEqualTo(2);
        JsonNode solid = json("GET", job + "/solid", null);
        assertThat(solid.at("/bodies").size()).isGreaterThan(50);
        HttpResponse<byte[]> pdf =
                send("GET", job + "/print?roles=copper-top,outline&composed=true", null, null);
        assertThat(pdf.statusCode()).isEqualTo(200);
        assertThat(new String(pdf.body(), 0, 5, StandardCharsets.ISO_8859_1)).isEqualTo("%PDF-");
        assertThat(status("GET", job + "/print?roles=lid", null)).isEqualTo(409);
    }

    @Test
    void aJobIsRenamedCopiedLaidAsideDeletedAndTakenBack() throws Exception {
        String job = api().bringIn("joint-box");
        long id = Long.parseLong(job.substring(job.lastIndexOf('/') + 1));
        api().chooseShop(job, "waggle-quick");
        JsonNode line = line(api().json("PATCH", job, "{\"name\":\"  cell box \"}"), id);
        assertThat(line.at("/name").asString()).isEqualTo("cell box");
        assertThat(line.at("/last").asString()).isEqualTo("shop: Waggle Quickturn");
        assertThat(line.at("/shop").asString()).isEqualTo("waggle-quick");
        assertThat(line.at("/face").asBoolean()).isTrue();
        assertThat(api().bytes(job + "/picture/face")).startsWith(0x89, 'P', 'N', 'G');
        assertThat(api().status("PATCH", job, "{\"name\":\" \"}")).isEqualTo(409);

        long copy = api().json("POST", job + "/copy", "").asLong();
        JsonNode own = api().job("/api/jobs/" + copy);
        assertThat(own.at("/name").asString()).isEqualTo("cell box copy");
        assertThat(own.at("/sheetId").asString()).isEqualTo("waggle-quick");
        assertThat(own.at("/board")).isEqualTo(api().job(job).at("/board"));
        // What is chosen for the copy is not chosen for the first.
        api().chooseShop("/api/jobs/" + copy, "skep-pooled");
        assertThat(api().job(job).at("/sheetId").asString()).isEqualTo("waggle-quick");

        assertThat(
                        line(api().json("PATCH", job, "{\"archived\":true}"), id)
                                .at("/archived")
                                .asBoolean())
                .isTrue();
        assertThat(
                        line(api().json("PATCH", job, "{\"deleted\":true}"), id)
                                .at("/deleted")
                                .asBoolean())
                .isTrue();
        JsonNode back = line(api().json("PATCH", job, "{\"deleted\":false}"), id);
        assertThat(back.at("/deleted").asBoolean()).isFalse();
        assertThat(api().job(job).at("/name").asString()).isEqualTo("cell box");
        assertThat(api().status("PATCH", "/api/jobs/999999", "{\"deleted\":true}")).isEqualTo(404);
    }

    private static JsonNode line(JsonNode list, long id) {
        return list.valueStream().filter(l -> l.at("/id").asLong() == id).findFirst().orElseThrow();
    }
}
