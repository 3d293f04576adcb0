package dev.lastcut.server.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetLibrary;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The job without a browser, on the demo packs. */
class MakeCommandTest {
    @TempDir Path folder;

    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int make(String... args) {
        return new MakeCommand(
                        new PrintStream(new ByteArrayOutputStream()),
                        new PrintStream(err, true, StandardCharsets.UTF_8))
                .run(List.of(args));
    }

    private Path demo(String name) throws IOException {
        Path zip = folder.resolve(name);
        try (InputStream in = getClass().getResourceAsStream("/demo-packs/" + name)) {
            Files.write(zip, in.readAllBytes());
        }
        return zip;
    }

    private JsonNode report(Path out) throws IOException {
        return Json.MAPPER.readTree(Files.readAllBytes(out.resolve("report.json")));
    }

    /** The sums are worked by hand from the sheet's fees and the prices in the ticket. */
    @Test
    void theReportTellsWhatThePartsOfTheTicketCost() throws Exception {
        Path ticket = folder.resolve("ticket.json");
        Files.writeString(
                ticket,
                """
                {
                  "order": { "quantity": 20, "assembly": "top" },
                  "known_parts": {
                    "LC-C0603-100N": { "package": "0603", "supply": { "stock": 9, "currency": "EUR",
                      "line_stock": true,
                      "breaks": [ { "from": 1, "price": 0.02 }, { "from": 100, "price": 0.01 } ] } },
                    "TF-PFET": { "package": "SOT23", "supply": { "stock": 9, "currency": "EUR",
                      "line_stock": false, "life": "last-orders",
                      "breaks": [ { "from": 1, "price": 0.1 } ] } }
                  }
                }
                """);
        Path out = folder.resolve("out");
        make(
                demo("hive-scale-node.zip").toString(),
                "--for",
                "waggle-quick",
                "--with",
                ticket.toString(),
                "--out",
                out.toString());
        JsonNode report = report(out);
        int placed = report.at("/placement/lines").asInt();
        // 9 × 20 × 1.06 = 190.8: 191 at 0.01; 2 × 20 × 1.06 = 42.4: 43 at 0.1, loaded for 3;
        // the line is set up for 9, and each part fitted for 0.0015.
        double batch = 191 * 0.01 + 43 * 0.1 + 3 + 9 + placed * 20 * 0.0015;
        assertThat(report.at("/bill/cost/batch").asDouble()).isCloseTo(batch, within(0.005));
        assertThat(report.at("/bill/cost/per_board").asDouble())
                .isCloseTo(batch / 20, within(0.005));
        assertThat(report.at("/bill/cost/boards").asInt()).isEqualTo(20);
        assertThat(report.at("/bill/loaded_kinds").asInt()).isEqualTo(1);
        assertThat(report.at("/bill/cost/unpriced").asInt())
                .isEqualTo(report.at("/bill/kinds").asInt() - 2);
        // Waggle takes 20 designators on a line, and no kind has more.
        assertThat(report.at("/bill/lines")).isEqualTo(report.at("/bill/kinds"));
        JsonNode q1 = part(report, "Q1");
        assertThat(q1.at("/kind").asString()).isEqualTo("loaded-to-order");
        assertThat(q1.at("/by").asString()).isEqualTo("house");
        assertThat(q1.at("/package").asString()).isEqualTo("SOT23");
        assertThat(q1.at("/pins").asInt()).isEqualTo(3);
    }

    /** Designator to the rotation written, of a placement in the usual columns. */
    private static Map<String, String> rotations(Path placement) throws IOException {
        Map<String, String> all = new TreeMap<>();
        Files.readAllLines(placement).stream()
                .skip(1)
                .map(l -> l.split(","))
                .forEach(c -> all.put(c[0], c[3]));
        return all;
    }

    @Test
    void turnsHandsAndStencilOfATicketGoOut() throws Exception {
        Path ticket = folder.resolve("placing.json");
        Files.writeString(
                ticket,
                """
                {
                  "turns": { "packages": { "SO8": 90, "0603": 180 }, "parts": { "U5": 270, "R1": -90 } },
                  "by_hand": { "packages": ["JACK"], "parts": { "J2": true } },
                  "notes": { "J2": "the keyed one" },
                  "stencil": { "foil_mm": 0.1, "reduce_percent": 10, "align_mm": 3,
                    "packages": { "SOIC8": { "reduce_percent": 20 } } },
                  "order": { "quantity": 20, "assembly": "both" }
                }
                """);
        Path fitted = folder.resolve("fitted.json");
        Files.writeString(fitted, "{ \"order\": { \"assembly\": \"both\" } }");
        String pack = demo("hive-scale-node.zip").toString();
        Path plain = folder.resolve("plain");
        Path out = folder.resolve("placed");
        make(
                pack,
                "--for",
                "longcomb-fine",
                "--with",
                fitted.toString(),
                "--out",
                plain.toString());
        make(pack, "--for", "longcomb-fine", "--with", ticket.toString(), "--out", out.toString());
        Map<String, String> was = rotations(plain.resolve("assembly/placement.csv"));
        Map<String, String> is = rotations(out.resolve("assembly/placement.csv"));
        assertThat(was).containsKeys("J2", "J3").containsEntry("U6", "0").containsEntry("R1", "0");
        assertThat(is)
                .doesNotContainKeys("J2", "J3")
                .containsEntry("U6", "90")
                // Its package's and its own.
                .containsEntry("U5", "0")
                .containsEntry("R1", "90")
                .containsEntry("C1", "180")
                .containsEntry("U1", was.get("U1"));
        assertThat(Files.readString(plain.resolve("assembly/by-hand.csv"))).doesNotContain("J2");
        assertThat(Files.readString(out.resolve("assembly/by-hand.csv")))
                .contains("J2,1,20,", "J3,1,20,");
        assertThat(Files.readString(out.resolve("assembly/parts.csv"))).doesNotContain("J3");
        assertThat(Files.readAllBytes(out.resolve("assembly/guide.pdf"))).startsWith('%', 'P');
        JsonNode report = report(out);
        JsonNode j2 = part(report, "J2");
        assertThat(j2.at("/by").asString()).isEqualTo("hand");
        assertThat(part(report, "U6").at("/rotation_deg").asDouble()).isEqualTo(90);
        assertThat(report.at("/placement/lines").asInt()).isEqualTo(is.size());
        JsonNode before = report(plain).at("/stencil/0");
        JsonNode after = report.at("/stencil/0");
        assertThat(after.at("/foil_mm").asDouble()).isEqualTo(0.1);
        assertThat(after.at("/openings")).isEqualTo(before.at("/openings"));
        // Two SO8 of eight openings, 1.49 x 0.54 less its corners, are a fifth smaller.
        double so8 = 16 * (1.49 * 0.54 - (4 - Math.PI) * 0.135 * 0.135);
        assertThat(after.at("/area_mm2").asDouble())
                .isCloseTo(
                        0.9 * before.at("/area_mm2").asDouble() - 0.1 * so8,
                        withinPercentage(0.05));
        assertThat(out.resolve("stencil/stencil-top.dxf")).content().contains("ALIGN", "OPENINGS");
    }

    private static JsonNode part(JsonNode report, String designator) {
        return report.at("/parts")
                .valueStream()
                .filter(p -> p.at("/designator").asString().equals(designator))
                .findFirst()
                .orElseThrow();
    }

    private static long openings(Path out) throws IOException {
        return Files.readString(out.resolve("stencil/stencil-top.gbr"))
                .lines()
                .filter(l -> l.endsWith("D03*"))
                .count();
    }

    /** The panel of the ticket is made beside the board, and again to the same bytes. */
    @Test
    void aPanelGoesOutWithAllItsFolders() throws Exception {
        demo("honeycomb-tag.zip");
        Path ticket = folder.resolve("ticket.json");
        Files.writeString(
                ticket,
                """
                { "made_at": "2026-03-04T05:06:07Z",
                  "panel": { "rows": 2, "columns": 2, "rotation_deg": 90, "gap_mm": 2, "rails": "all",
                             "rail_mm": 7, "fiducials": true, "tooling_mm": 3,
                             "also": [ { "pack": "honeycomb-tag", "count": 1 } ] } }
                """);
        String board = demo("hive-scale-node.zip").toString();
        for (String out : List.of("one", "two")) {
            make(
                    board,
                    "--for",
                    "waggle-quick",
                    "--with",
                    ticket.toString(),
                    "--out",
                    folder.resolve(out).toString());
        }
        assertThat(err.toString(StandardCharsets.UTF_8)).isEmpty();
        Path one = folder.resolve("one");
        List<String> made;
        try (Stream<Path> all = Files.walk(one)) {
            made = all.filter(Files::isRegularFile).map(f -> one.relativize(f).toString()).toList();
        }
        for (String f : made) {
            assertThat(Files.readAllBytes(folder.resolve("two").resolve(f)))
                    .as(f)
                    .isEqualTo(Files.readAllBytes(one.resolve(f)));
        }
        assertThat(made)
                .contains(
                        "panel/fabrication/copper-top.gbr",
                        "panel/fabrication/job.gbrjob",
                        "panel/fabrication/netlist.ipc",
                        "panel/fabrication/drawing.pdf",
                        "panel/assembly/placement.csv",
                        "panel/stencil/stencil-top.gbr",
                        "panel/mechanical/board.stl");
        JsonNode panel = report(one).get("panel");
        // Turned, the node is 56 mm wide and 80 high; the tag lies in a row of its own above.
        assertThat(panel.get("width_mm").asDouble()).isEqualTo(2 * 56 + 2 + 2 * 9);
        assertThat(panel.get("boards")).hasSize(5);
        JsonNode quote = report(one).get("quote");
        double sum = 0;
        for (JsonNode l : quote.get("lines")) {
            sum += l.get("amount").asDouble();
        }
        assertThat(quote.get("total").asDouble()).isCloseTo(sum, within(1e-9));
        // Five boards are two panels, whose size is told beside.
        assertThat(quote.get("lines").get(1).get("text").asString()).startsWith("2 panels of ");
        assertThat(panel.get("boards").get(4).get("pack").asString()).isEqualTo("honeycomb-tag");
        // Each part's place is its own on the board, turned and shifted as the report says.
        Map<String, double[]> single = places(one.resolve("assembly/placement.csv"));
        Map<String, double[]> all = places(one.resolve("panel/assembly/placement.csv"));
        for (int n = 1; n <= 4; n++) {
            JsonNode b = panel.get("boards").get(n - 1);
            for (Map.Entry<String, double[]> e : single.entrySet()) {
                double[] at = all.get(e.getKey() + "." + n);
                double[] own = e.getValue();
                assertThat(at[0]).isCloseTo(b.get("x_mm").asDouble() - own[1], within(0.002));
                assertThat(at[1]).isCloseTo(b.get("y_mm").asDouble() + own[0], within(0.002));
                assertThat((at[2] - own[2] + 720) % 360).isCloseTo(90, within(0.01));
            }
        }
    }

    private static Map<String, double[]> places(Path csv) throws IOException {
        Map<String, double[]> all = new HashMap<>();
        List<String> lines = Files.readAllLines(csv);
        for (String l : lines.subList(1, lines.size())) {
            String[] c = l.split(",");
            all.put(
                    c[0],
                    new double[] {
                        Double.parseDouble(c[1]), Double.parseDouble(c[2]), Double.parseDouble(c[3])
                    });
        }
        return all;
    }

    @Test
    void aPanelThatCannotBeSaysWhyAndWritesNothing() throws Exception {
        String board = demo("hive-scale-node.zip").toString();
        Map<String, String> wrong =
                Map.of(
                        "{\"gap_mm\": -1}", "panel.gap_mm: it must be at least 0, not -1",
                        "{\"join\": \"score\", \"rotation_deg\": 30}", "join them by tabs",
                        "{\"also\": [{\"pack\": \"nowhere\"}]}",
                                "also.pack: nowhere: there is neither",
                        "{\"fiducials\": 3}", "add rails");
        for (Map.Entry<String, String> e : wrong.entrySet()) {
            Path ticket = folder.resolve("t.json");
            Files.writeString(ticket, "{\"panel\": " + e.getKey() + "}");
            err.reset();
            Path out = folder.resolve("none");
            int status =
                    make(
                            board,
                            "--for",
                            "waggle-quick",
                            "--with",
                            ticket.toString(),
                            "--out",
                            out.toString());
            assertThat(status).isEqualTo(2);
            assertThat(err.toString(StandardCharsets.UTF_8)).contains(e.getValue());
            assertThat(out).doesNotExist();
        }
    }

    @Test
    void aVariantIsBuiltByItsName() throws Exception {
        Path ticket = folder.resolve("ticket.json");
        Files.writeString(
                ticket,
                """
                {
                  "parts": { "R7": { "value": "5k1" } },
                  "variants": { "Mains": { "J3": { "fitted": false }, "C1": { "fitted": false } } },
                  "order": { "quantity": 20 },
                  "stencil": { "leave_out_unfitted": true }
                }
                """);
        String pack = demo("hive-scale-node.zip").toString();
        Path base = folder.resolve("base");
        Path mains = folder.resolve("mains");
        String with = ticket.toString();
        make(pack, "--for", "waggle-quick", "--with", with, "--out", base.toString());
        make(
                pack,
                "--for",
                "waggle-quick",
                "--with",
                with,
                "--variant",
                "Mains",
                "--out",
                mains.toString());
        assertThat(Files.readString(base.resolve("assembly/placement.csv"))).contains("J3,");
        assertThat(Files.readString(mains.resolve("assembly/placement.csv")))
                .doesNotContain("J3,")
                .contains("R7,45.6000,61.4000,90,top,5k1");
        // C1's two openings are gone; J3 has none.
        assertThat(openings(base) - openings(mains)).isEqualTo(2);
        // In the columns the shop wants, no ranges, commas between.
        assertThat(Files.readString(mains.resolve("assembly/parts.csv")))
                .startsWith("Comment,Designator,Footprint,Part number,Quantity")
                .contains("100n,\"C2, C5, C10, C13, C18, C19, C20, C22\",C0603");
        assertThat(mains.resolve("assembly/parts.xlsx")).isRegularFile();
        JsonNode report = report(mains);
        assertThat(report.at("/variant").asString()).isEqualTo("Mains");
        JsonNode j3 =
                report.at("/parts")
                        .valueStream()
                        .filter(p -> p.at("/designator").asString().equals("J3"))
                        .findFirst()
                        .orElseThrow();
        assertThat(j3.at("/fitted").asBoolean()).isFalse();
        assertThat(report.at("/placement/lines").asInt())
                .isEqualTo(report(base).at("/placement/lines").asInt() - 2);
        assertThat(
                        make(
                                pack,
                                "--for",
                                "waggle-quick",
                                "--with",
                                with,
                                "--variant",
                                "Nope",
                                "--out",
                                mains.toString()))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("no variant Nope; there are Mains");
    }

    @Test
    void aHouseGetsEverythingAndOpenStopsAreNotReleased() throws Exception {
        Path out = folder.resolve("out");
        int status =
                make(
                        demo("hive-scale-node.zip").toString(),
                        "--for",
                        "skep-pooled",
                        "--out",
                        out.toString());
        assertThat(status).isEqualTo(1);
        assertThat(out.resolve("fabrication/copper-top.gbr")).isRegularFile();
        assertThat(out.resolve("stencil/stencil-top.svg")).isRegularFile();
        assertThat(out.resolve("assembly/parts.csv")).isRegularFile();
        assertThat(out.resolve("assembly/placement.csv")).isRegularFile();
        assertThat(out.resolve("milling")).doesNotExist();
        JsonNode report = report(out);
        assertThat(report.at("/board/width_mm").asDouble()).isEqualTo(80);
        assertThat(report.at("/board/copper_layers").asInt()).isEqualTo(2);
        assertThat(report.at("/board/slots").asInt()).isEqualTo(5);
        assertThat(report.at("/board/net_count").asInt()).isEqualTo(46);
        assertThat(rules(report))
                .containsExactlyInAnyOrder(
                        "clearance",
                        "copper-to-edge",
                        "copper-to-hole",
                        "copper-to-hole",
                        "hand-soldering",
                        "hand-soldering",
                        "annular-ring",
                        "mask-missing",
                        "copper-sliver",
                        "plane-cut",
                        "plane-cut",
                        "mask-exposes",
                        "mask-exposes",
                        "mask-exposes",
                        "mask-dam",
                        "silk-on-pad",
                        "silk-on-pad",
                        "paste-on-hole",
                        "part-not-listed",
                        "part-not-placed",
                        "layer-empty",
                        "pour-covers-track",
                        "fine-work",
                        "finish-lead");
        JsonNode gap = finding(report, "clearance");
        assertThat(gap.at("/measured").asDouble()).isBetween(0.118, 0.122);
        assertThat(gap.at("/from/x_mm").isNumber()).isTrue();
        assertThat(report.at("/checks"))
                .allMatch(c -> c.at("/status").asString().matches("passed|findings|not-run"));
    }

    /**
     * Each parcel holds the very files of the cut; what is empty is said; the price is a sum by
     * hand.
     */
    @Test
    void aShopGetsItsParcelsAndTheOrderItsCarriage() throws Exception {
        Path ticket = folder.resolve("ticket.json");
        Files.writeString(ticket, "{\"order\": {\"carriage\": \"courier\"}}");
        Path out = folder.resolve("out");
        make(
                demo("hive-scale-node.zip").toString(),
                "--for",
                "waggle-quick",
                "--with",
                ticket.toString(),
                "--out",
                out.toString());
        assertThat(out.resolve("parcels/list.csv"))
                .hasSameBinaryContentAs(out.resolve("assembly/parts.csv"));
        assertThat(out.resolve("parcels/placement.csv"))
                .hasSameBinaryContentAs(out.resolve("assembly/placement.csv"));
        assertThat(out.resolve("parcels/panel.zip")).doesNotExist();
        try (ZipFile zip = new ZipFile(out.resolve("parcels/board.zip").toFile());
                Stream<Path> made = Files.list(out.resolve("fabrication"))) {
            assertThat(zip.getComment()).isEqualTo("hive-scale-node");
            List<Path> files = made.toList();
            assertThat(zip.size()).isEqualTo(files.size());
            for (Path f : files) {
                ZipEntry entry = zip.getEntry(f.getFileName().toString());
                assertThat(zip.getInputStream(entry)).hasBinaryContent(Files.readAllBytes(f));
            }
        }
        JsonNode report = report(out);
        assertThat(report.at("/remarks").toString())
                .contains("The parcel panel is not made: there is no panel.");
        // A lot of 26, nothing finer than Waggle's usual work, and the courier for 18.50.
        assertThat(report.at("/quote/lines").toString()).contains("lot of up to 5", "courier");
        assertThat(report.at("/quote/total").asDouble()).isEqualTo(26 + 18.5);
        assertThat(report.at("/quote/days").asInt()).isEqualTo(5 + 1);
        // What comes back is read once, not once more for each parcel.
        Path again = folder.resolve("again");
        make(out.toString(), "--for", "skep-pooled", "--out", again.toString());
        assertThat(report(again).at("/files"))
                .noneMatch(f -> f.at("/path").asString().startsWith("parcels"));
    }

    @Test
    void everyFileIsInTheManifestWithItsHash() throws Exception {
        Path out = folder.resolve("out");
        make(demo("joint-box.zip").toString(), "--for", "wren-bench", "--out", out.toString());
        JsonNode manifest = Json.MAPPER.readTree(Files.readAllBytes(out.resolve("manifest.json")));
        assertThat(manifest.at("/released").asBoolean()).isFalse();
        for (JsonNode f : manifest.at("/files")) {
            byte[] content = Files.readAllBytes(out.resolve(f.at("/path").asString()));
            String hash =
                    HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
            assertThat(f.at("/sha256").asString()).isEqualTo(hash);
        }
        try (Stream<Path> all = Files.walk(out)) {
            assertThat(all.filter(Files::isRegularFile)).hasSize(manifest.at("/files").size() + 1);
        }
    }

    @Test
    void aMillGetsProgramsAndTheReportSaysHowTheyLie() throws Exception {
        Path out = folder.resolve("out");
        make(demo("joint-box.zip").toString(), "--for", "wren-bench", "--out", out.toString());
        JsonNode milling = report(out).at("/milling");
        assertThat(milling.get(0).at("/operation").asString()).isEqualTo("isolation");
        assertThat(milling.get(0).at("/side").asString()).isEqualTo("bottom");
        assertThat(milling.get(0).at("/to_pack/mirror_x").asBoolean()).isTrue();
        assertThat(milling.get(0).at("/tool/kind").asString()).isIn("v", "flat");
        for (JsonNode m : milling) {
            assertThat(out.resolve(m.at("/file").asString())).isRegularFile();
            assertThat(m.at("/minutes").asDouble()).isPositive();
        }
    }

    @Test
    void aFolderServesAsWellAsAZipAndASheetFileAsWellAsAnId() throws Exception {
        Path pack = folder.resolve("pack");
        try (ZipInputStream in =
                new ZipInputStream(
                        new ByteArrayInputStream(Files.readAllBytes(demo("joint-box.zip"))))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                Files.createDirectories(pack);
                Files.write(pack.resolve(e.getName()), in.readAllBytes());
            }
        }
        Path sheet = folder.resolve("mine.json");
        Files.write(sheet, new SheetLibrary().json("wren-bench").orElseThrow());
        Path a = folder.resolve("a");
        Path b = folder.resolve("b");
        make(pack.toString(), "--for", sheet.toString(), "--out", a.toString());
        // The ticket that was written tells the second one the time and the name of the first.
        make(
                demo("joint-box.zip").toString(),
                "--for",
                "wren-bench",
                "--with",
                a.resolve("ticket.json").toString(),
                "--out",
                b.toString());
        same(a, b);
    }

    /** Two folders hold the same files with the same bytes. */
    private static void same(Path a, Path b) throws IOException {
        assertThat(files(b)).isEqualTo(files(a)).contains("ticket.json", "report.junit.xml");
        for (String f : files(a)) {
            assertThat(b.resolve(f)).as(f).hasSameBinaryContentAs(a.resolve(f));
        }
    }

    private static List<String> files(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile)
                    .map(p -> folder.relativize(p).toString())
                    .sorted()
                    .toList();
        }
    }

    @Test
    void whatCannotBeMadeSaysSoInOneSentenceAndWritesNothing() throws Exception {
        Path out = folder.resolve("out");
        Path text = Files.writeString(folder.resolve("notes.zip"), "hello");
        assertThat(make(text.toString(), "--for", "skep-pooled", "--out", out.toString()))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("notes.zip is not a zip")
                .hasLineCount(1);
        err.reset();
        assertThat(
                        make(
                                demo("joint-box.zip").toString(),
                                "--for",
                                "nobody",
                                "--out",
                                out.toString()))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("no sheet 'nobody'")
                .hasLineCount(1);
        err.reset();
        assertThat(make("missing.zip", "--for", "skep-pooled", "--out", out.toString()))
                .isEqualTo(2);
        assertThat(make("--for", "skep-pooled")).isEqualTo(2);
        assertThat(out).doesNotExist();
    }

    @Test
    void aTicketThatDoesNotFitSaysWhereAndWritesNothing() throws Exception {
        Path out = folder.resolve("out");
        Path ticket = folder.resolve("ticket.json");
        String[][] bad = {
            {"{\"stencil\":{\"foil_mm\":\"thin\"}}", "stencil.foil_mm: it must be a number"},
            {"{\"mill\":{\"nick_mm\":true}}", "mill.nick_mm: it must be a number"},
            {"{\"mill\":{\"tools\":[\"chisel\"]}}", "mill.tools.chisel: the rack of Wren"},
            {"{\"roles\":{\"x.gbr\":\"outline\"}}", "roles.x.gbr: the pack has no such file"},
            {"{\"currents\":[{\"net\":\"N\",\"amps\":1,\"rise_c\":9}]}", "currents.N: the board"},
            {"{", "not JSON"}
        };
        for (String[] b : bad) {
            Files.writeString(ticket, b[0]);
            err.reset();
            int status =
                    make(
                            demo("joint-box.zip").toString(),
                            "--for",
                            "wren-bench",
                            "--with",
                            ticket.toString(),
                            "--out",
                            out.toString());
            assertThat(status).as(b[0]).isEqualTo(2);
            assertThat(err.toString(StandardCharsets.UTF_8)).contains(b[1]);
            assertThat(out).doesNotExist();
        }
    }

    private static List<String> rules(JsonNode report) {
        return report.at("/findings").valueStream().map(f -> f.at("/rule").asString()).toList();
    }

    private static JsonNode finding(JsonNode report, String rule) {
        return report.at("/findings")
                .valueStream()
                .filter(f -> f.at("/rule").asString().equals(rule))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void filesInDoubtAreNeverReleased() throws Exception {
        Path zip = folder.resolve("nameless.zip");
        try (InputStream in = getClass().getResourceAsStream("/packs/nameless-four.zip")) {
            Files.write(zip, in.readAllBytes());
        }
        Path out = folder.resolve("out");
        assertThat(make(zip.toString(), "--for", "longcomb-fine", "--out", out.toString()))
                .isEqualTo(1);
        JsonNode report = report(out);
        int open = 0;
        for (JsonNode f : report.at("/files")) {
            open += f.at("/doubt").asString().isEmpty() ? 0 : 1;
        }
        assertThat(open).isEqualTo(9);
        assertThat(rules(report)).contains("file-unassigned");
    }
}
