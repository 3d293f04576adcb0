package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.api.Packs;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Going back and forward, two windows on one job, and a ticket that goes to another job. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TicketBrowserTest extends BrowserTest {
    private static final String HEADROOM = "input[aria-label='Headroom on all numbers, per cent']";
    private static final String DONE = "section[aria-label='What was done']";

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private static void choose(Bench bench, String sheet) {
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=" + sheet + "]");
        bench.see("[data-sheet=" + sheet + "][aria-checked=true]");
        bench.see("[data-limit=clearance]");
    }

    private static void headroom(Bench bench, String percent) {
        bench.retype(HEADROOM, percent);
        bench.keys(Keys.ENTER);
        bench.seeText(DONE, "");
    }

    private static void seeHeadroom(Bench bench, String percent) {
        bench.until(() -> percent.equals(bench.see(HEADROOM).getAttribute("value")));
    }

    private static void undo(Bench bench) {
        bench.hold("z", Keys.CONTROL);
    }

    private static void redo(Bench bench) {
        bench.hold("z", Keys.CONTROL, Keys.SHIFT);
    }

    @Test
    void backAndForwardOverSeveralStations() throws Exception {
        bringIn("joint-box");
        bench.click("[data-station=bring-in]");
        bench.click("[aria-label='Role of joint-box-silk-top.gbr']");
        bench.option("not part of the board");
        bench.seeText("ul[aria-label='Files beside the board']", "joint-box-silk-top.gbr");
        choose(bench, "wren-bench");
        headroom(bench, "20");
        bench.seeText("[data-limit=clearance]", "0.300 mm");
        bench.click("[data-station=check]");
        bench.see("[data-rule=clearance]");

        // At any station, and what it shows follows.
        undo(bench);
        bench.seeText(DONE, "Undone: headroom 20 % on every number");
        bench.click("[data-station=shop]");
        seeHeadroom(bench, "0");
        undo(bench);
        bench.seeText(DONE, "Undone: shop: Wren bench mill");
        bench.seeText("[data-station=shop]", "choose who makes it");
        bench.click("[data-station=bring-in]");
        undo(bench);
        bench.seeText("ul[aria-label='Files of the board']", "joint-box-silk-top.gbr");
        bench.until(() -> !bench.see(DONE + " button").isEnabled());

        redo(bench);
        bench.seeText("ul[aria-label='Files beside the board']", "joint-box-silk-top.gbr");
        // In a field the keys are the field's own.
        redo(bench);
        bench.seeText("[data-station=shop]", "Wren bench mill");
        bench.reload();
        bench.press("steps …");
        bench.seeText("ol[aria-label=Steps]", "headroom 20 % on every number (undone)");
        bench.click("ol[aria-label=Steps] li:last-child button");
        bench.see("ol[aria-label=Steps] li:last-child [aria-current=step]");
        bench.keys(Keys.ESCAPE);
        bench.click("[data-station=shop]");
        seeHeadroom(bench, "20");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void twoWindowsNeverOverwriteEachOtherUnseen() throws Exception {
        bringIn("joint-box");
        choose(bench, "wren-bench");
        try (Bench other = new Bench(port, downloads)) {
            other.open(bench.path());
            seeHeadroom(other, "0");
            headroom(bench, "5");
            // The other window hears of it by itself.
            seeHeadroom(other, "5");
            other.seeText(DONE, "In another window: headroom 5 % on every number");

            // One whose stream was lost makes its change on what it saw: it is asked first.
            other.loseStreams();
            other.open(bench.path());
            seeHeadroom(other, "5");
            headroom(bench, "10");
            headroom(other, "30");
            other.seeText("[role=dialog]", "Changed meanwhile in another window");
            other.seeText("[role=dialog]", "headroom 10 % on every number");
            other.press("Leave mine out");
            seeHeadroom(other, "10");
            seeHeadroom(bench, "10");

            headroom(bench, "15");
            headroom(other, "40");
            other.press("Make mine again");
            seeHeadroom(other, "40");
            seeHeadroom(bench, "40");
            // What was refused once and made again can be undone like any other choice.
            undo(bench);
            seeHeadroom(bench, "15");
        }
    }

    /** Makes the one cut of a job and downloads it. */
    private Map<String, byte[]> cut(String name) throws IOException {
        bench.click("[data-station=cut]");
        bench.press("Make the cut");
        bench.press("Download the zip");
        Path zip = downloads.resolve(name + "-cut-1.zip");
        bench.until(() -> Files.isRegularFile(zip));
        return Packs.unzipped(Files.readAllBytes(zip));
    }

    @Test
    void aTicketTakenIntoANewJobMakesTheSameCut() throws Exception {
        bringIn("joint-box");
        choose(bench, "wren-bench");
        headroom(bench, "7");
        bench.click("[data-station=check]");
        for (String rule : new String[] {"clearance", "track-width"}) {
            bench.click("[data-rule=" + rule + "] button");
            bench.keys("a");
            bench.type("input[name=by]", "Ida");
            bench.type("textarea[name=reason]", "tried on a piece of stock");
            bench.press("Sign off");
            bench.seeText("[data-rule=" + rule + "]", "Ida");
        }
        Map<String, byte[]> first = cut("joint-box");
        assertThat(new String(first.get("ticket.json"), StandardCharsets.UTF_8))
                .contains("\"percent\" : 7.0", "tried on a piece of stock", "\"made_at\"");
        bench.click("[data-station=bring-in]");
        bench.press("Export");
        Path ticket = downloads.resolve("ticket.json");
        bench.until(() -> Files.isRegularFile(ticket));

        bench.open("/");
        bench.drop("[data-over]", "again.zip", pack("joint-box"));
        bench.seeBoard();
        bench.click("[data-station=bring-in]");
        Path wrong = Files.writeString(downloads.resolve("wrong.json"), "{\"headrom\":{}}");
        bench.upload("input[aria-label='Ticket to take in']", wrong);
        bench.seeText("[role=alert]", "headrom: there is no such key");
        bench.press("Close");
        bench.seeText("[data-station=shop]", "choose who makes it");
        bench.upload("input[aria-label='Ticket to take in']", ticket);
        bench.seeText("[data-station=shop]", "Wren bench mill");
        bench.seeText("[data-station=check]", "2 stops signed off");
        Map<String, byte[]> second = cut("again");
        assertThat(second.keySet()).isEqualTo(first.keySet());
        int same = 0;
        for (String path : first.keySet()) {
            // The others say when they were made, and for which job.
            if (path.matches(".*\\.(nc|csv|svg)|report.json|sheet.json")) {
                assertThat(second.get(path)).as(path).isEqualTo(first.get(path));
                same++;
            }
        }
        assertThat(same).isGreaterThan(8);
    }
}
