package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.awt.Color;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** What a user does from the drop to the download, and what they see. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class WholeWalkBrowserTest extends BrowserTest {
    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    @Test
    void fromTheDropToTheDownload() throws Exception {
        bringIn("hive-scale-node");
        bench.seeText("[data-station=look-over]", "80.0 × 56.0 mm, 2 copper");

        bench.click("[data-station=shop]");
        bench.click("[data-sheet=skep-pooled]");
        bench.seeText("[data-station=shop]", "Skep Boards, pooled");
        bench.press("Go on to the check");

        // It is checked in the background as soon as there is a shop.
        bench.see("[data-finding]");
        assertThat(bench.all("[data-finding]")).hasSize(24);
        bench.seeText("[data-station=check]", "6 of 6 stops open");

        // The shop will not get a board with open stops.
        bench.click("[data-station=cut]");
        bench.seeText("section[aria-label=Cut]", "6 stop findings are open");
        assertThat(button("Make the cut").isEnabled()).isFalse();

        bench.click("[data-station=check]");
        bench.click("[data-rule=clearance] button");
        bench.seeText("[data-rule=clearance]", "0.120 mm / 0.150 mm");
        // The table went there: the gap between TP1 and TP2 is in its middle.
        bench.until(
                () -> bench.center().startsWith("7181") && bench.center().endsWith(",42000000"));

        for (String rule :
                new String[] {
                    "clearance", "copper-to-edge", "copper-to-hole", "annular-ring", "mask-missing"
                }) {
            bench.click("[data-rule=" + rule + "] > button");
            bench.press(rule.equals("copper-to-hole") ? "All 2 alike …" : "Sign off …");
            bench.type("[role=dialog] input[name=by]", "Ida");
            bench.type("[role=dialog] textarea", "prototype, five pieces only");
            bench.press("Sign off");
            bench.seeText("[data-rule=" + rule + "]", "signed off");
        }
        bench.seeText("[data-station=check]", "6 stops signed off");

        bench.click("[data-station=cut]");
        bench.until(() -> button("Make the cut").isEnabled());
        bench.press("Make the cut");
        bench.seeText("[aria-label=Cuts]", "Cut 1");
        String job = bench.path().split("/")[2];
        bench.press("Download the zip");
        Path zip = downloads.resolve("hive-scale-node-cut-1.zip");
        bench.until(() -> Files.isRegularFile(zip));

        byte[] first = fetch("/api/jobs/" + job + "/cuts/1.zip");
        assertThat(Files.readAllBytes(zip)).isEqualTo(first);
        assertThat(names(first))
                .contains(
                        "fabrication/copper-top.gbr",
                        "fabrication/plated-holes.xnc",
                        "stencil/stencil-top.svg",
                        "assembly/parts.csv",
                        "assembly/placement.csv",
                        "manifest.json",
                        "report.json",
                        "report.html",
                        "report.pdf",
                        "sheet.json",
                        "note.txt");
        assertThat(Arrays.equals(first, fetch("/api/jobs/" + job + "/cuts/1.zip"))).isTrue();
        assertThat(bench.complaints()).isEmpty();
    }

    private org.openqa.selenium.WebElement button(String text) {
        return bench.all("button").stream()
                .filter(b -> b.getText().equals(text))
                .findFirst()
                .orElseThrow();
    }

    private byte[] fetch(String path) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path)).build();
        return HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    private static TreeSet<String> names(byte[] zip) throws IOException {
        TreeSet<String> names = new TreeSet<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                names.add(e.getName());
            }
        }
        return names;
    }

    @Test
    void theTableIsTrueToTheFileAndAnswers() throws Exception {
        bringIn("hive-scale-node");
        bench.press("copper");
        // TP1 lies at (71, 42) mm; left of the board is bare table.
        Color pad = bench.colorAt(71, 42);
        Color table = bench.colorAt(17, 42);
        assertThat(table.getRed() + table.getGreen() + table.getBlue()).isGreaterThan(700);
        assertThat(pad.getRed() + pad.getGreen() + pad.getBlue()).isLessThan(560);

        bench.pointAt(71, 42);
        bench.seeText("[aria-label='Under the pointer']", "VCC");
        bench.seeText("[aria-label='Under the pointer']", "round 1.500 mm");
        bench.seeText("[aria-label='Under the pointer']", "pin TP1.1");
        Color before = bench.colorAt(52.4, 65);
        bench.clickAt(71, 42);
        bench.see("button[aria-pressed=true].num");
        bench.until(() -> !bench.colorAt(52.4, 65).equals(before));

        // Two pins of the programming header: 2.54 mm apart (header pitch).
        bench.keys("m");
        bench.clickAt(49.46, 63.87);
        bench.clickAt(52.0, 63.87);
        bench.seeText("output[aria-label=Measure]", "2.540 mm");
        bench.keys("u");
        bench.seeText("output[aria-label=Measure]", "100.00 mil");
        bench.keys(Keys.BACK_SPACE);
        bench.until(() -> bench.all("output[aria-label=Measure]").isEmpty());

        double scale = bench.scale();
        bench.wheel(-400);
        bench.until(() -> bench.scale() > scale * 1.3);
        String center = bench.center();
        bench.dragTable(80, 40);
        bench.until(() -> !bench.center().equals(center));
        bench.press("Fit");
        bench.until(() -> Math.abs(bench.scale() / scale - 1) < 0.01);
        bench.press("Below");
        bench.seeText("main", "seen from below");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void everyPlaceHasAnAddress() throws Exception {
        bringIn("joint-box");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=wren-bench]");
        bench.click("[data-station=mill]");
        bench.seeText("[aria-label=Operations]", "1. isolation, bottom");
        assertThat(bench.all("[aria-label=Operations] li")).hasSize(6);
        bench.click("[aria-label=Operations] li:nth-child(6) button");
        bench.see("[aria-label=Operations] li:nth-child(6) button[aria-pressed=true]");
        bench.reload();
        bench.seeText("[aria-label=Operations]", "contour");
        bench.click("[data-station=parts]");
        bench.seeText("section[aria-label=Parts]", "queen amp");
        bench.back();
        bench.seeText("[aria-label=Operations]", "drilling");
        assertThat(bench.path()).endsWith("/mill");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void aBadPackIsRefusedWithASentenceAndTheServerGoesOn() throws Exception {
        bench.open("/");
        bench.drop("[data-over]", "notes.zip", "hello".getBytes(StandardCharsets.UTF_8));
        bench.seeText("[role=alert]", "notes.zip is not a zip file");
        bench.press("Close");
        bench.drop("[data-over]", "letter.gbr", "Dear shop".getBytes(StandardCharsets.UTF_8));
        bench.seeText("[role=alert]", "holds no Gerber or drill file");
        bench.press("Close");
        byte[] good = pack("joint-box");
        bench.drop("[data-over]", "cut-off.zip", Arrays.copyOf(good, good.length / 2));
        bench.see("[role=alert]");
        bench.press("Close");
        bringIn("joint-box");
        bench.seeText("[data-station=look-over]", "78.7 × 55.9 mm");
    }
}
