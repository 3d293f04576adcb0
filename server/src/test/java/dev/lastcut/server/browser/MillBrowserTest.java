package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** From the choice of cutters to a program that was rehearsed and run on the bench mill. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class MillBrowserTest extends BrowserTest {
    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private static final String BENCH = "[aria-label='Bench mill']";
    private static final String STATE = BENCH + " [role=status]";

    private void fit(String tool) {
        bench.click("[aria-label='Tool in the spindle']");
        bench.option(tool);
        bench.seeText("[aria-label='Tool in the spindle']", tool);
    }

    @Test
    void fromCuttersToAProgramThatWasRunAndStopped() throws Exception {
        bringIn("joint-box");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=wren-bench]");
        bench.see("[data-sheet=wren-bench][aria-checked=true]");
        bench.click("[data-station=mill]");

        // Cutters: what is out of reach, and where.
        bench.click("[data-tab=cutters]");
        String sets = "[aria-label='Sets of cutters']";
        bench.seeText(sets, "Found: flat-0.80 + v-10-0.1");
        bench.seeText(sets + " li:nth-child(5)", "nets stay joined at 1 place");
        bench.click(sets + " li:nth-child(5) button");
        bench.seeText("[aria-label=Places]", "gap 0.199 mm");
        bench.click("[aria-label=Places] button");
        bench.until(() -> bench.center().startsWith("61") && bench.center().contains(",66"));

        // Level: measured points come in as text, a wild one is said.
        bench.click("[data-tab=level]");
        bench.type("[aria-label='Measured points']", "2 2 0.1");
        bench.press("Take these points");
        bench.seeText("[aria-label=Levelling] [role=alert]", "probe again before levelling");

        // Rehearse: on a warped stock it fails, on a flat one all is well.
        bench.click("[data-tab=rehearse]");
        bench.click("[aria-label=Stock]");
        bench.option("a stock warped by ±0.3 mm");
        bench.press("Start the rehearsal");
        bench.see("[data-passes=false]");
        bench.click("[aria-label=Stock]");
        bench.option("a flat stock");
        bench.press("Start the rehearsal");
        bench.see("[data-passes=true]");
        bench.seeText("[aria-label=Verdict]", "20 separate and whole");
        bench.seeText("[aria-label=Verdict]", "58 as wanted");
        bench.seeText("[aria-label=Verdict]", "by 4 tabs");
        bench.click("[aria-label='Time by tool'] li:nth-child(2) button");
        bench.seeText("[aria-label=Rehearsal]", "2-isolation-bottom-v-10-0.1.nc");

        // Run: probe a warped stock, level by it, cut, stop, go on.
        bench.click("[data-tab=bench]");
        bench.click("[aria-label='Kind of stock']");
        bench.option("warped");
        bench.press("Lay a stock");
        bench.see(STATE + "[data-state=idle]");
        bench.click("[aria-label='Faster than life']");
        bench.option("600 ×");
        bench.press("Touch off");
        bench.press("Probe the surface");
        bench.until(
                () ->
                        bench.all(BENCH + " button").stream()
                                .anyMatch(b -> b.getText().startsWith("Level by these")));
        bench.all(BENCH + " button").stream()
                .filter(b -> b.getText().startsWith("Level by these"))
                .findFirst()
                .orElseThrow()
                .click();
        bench.click("[data-tab=level]");
        bench.seeText("[aria-label=Levelling]", "follows this surface");
        bench.click("[data-tab=bench]");
        fit("5: 0.80 mm flat end mill");
        bench.press("Touch off");
        bench.click("[aria-label='Faster than life']");
        bench.option("60 ×");
        bench.press("Send");
        bench.see(STATE + "[data-state=running]");
        bench.press("Hold");
        bench.see(STATE + "[data-state=holding]");
        bench.press("Go on");
        bench.see(STATE + "[data-state=running]");
        bench.press("Stop");
        bench.see(STATE + "[data-state=stopped]");
        bench.click("[aria-label='Faster than life']");
        bench.option("600 ×");
        bench.all(BENCH + " button").stream()
                .filter(b -> b.getText().startsWith("Go on from line"))
                .findFirst()
                .orElseThrow()
                .click();
        bench.seeText(STATE, "idle, 1-isolation-bottom-flat-0.80.nc: done");

        // The next tool has a program of its own.
        fit("1: 10 degree V cutter, 0.1 mm tip");
        bench.press("Touch off");
        bench.click("[aria-label='Program to run']");
        bench.option("2-isolation-bottom-v-10-0.1.nc");
        bench.press("Send");
        bench.seeText(STATE, "idle, 2-isolation-bottom-v-10-0.1.nc: done");
        bench.press("Look at the stock");
        bench.seeText("[aria-label=Verdict]", "20 separate and whole");

        // And away with it.
        bench.click("[data-tab=programs]");
        bench.click("[aria-label='Output files'] a[href*='1-isolation-bottom']");
        Path file = downloads.resolve("1-isolation-bottom-flat-0.80.nc");
        bench.until(() -> Files.isRegularFile(file));
        assertThat(Files.readString(file)).contains("G21 G90").endsWith("M2\n");
        assertThat(bench.complaints().stream().filter(c -> !c.contains("409"))).isEmpty();
    }

    /** A mill that pauses for tools: the program waits, and tells which tool it wants. */
    @Test
    void aProgramWithPausesWaitsForItsTools() throws Exception {
        bringIn("joint-box");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=anvil-mini]");
        bench.see("[data-sheet=anvil-mini][aria-checked=true]");
        bench.click("[data-station=mill]");
        bench.click("[data-tab=bench]");
        bench.press("Lay a stock");
        bench.see(STATE + "[data-state=idle]");
        fit("1: 60 degree V cutter, 0.2 mm tip");
        bench.press("Touch off");
        bench.click("[aria-label='Faster than life']");
        bench.option("600 ×");
        bench.press("Send");
        bench.see(STATE + "[data-state=waiting]");
        bench.seeText(BENCH, "The program wants tool 5, 1.20 mm drill.");
        fit("5: 1.20 mm drill");
        bench.press("Touch off");
        bench.press("Go on");
        bench.seeText(STATE, "Fit tool 6");
        bench.press("Stop");
        bench.see(STATE + "[data-state=stopped]");
        bench.press("Reset");
        bench.see(STATE + "[data-state=idle]");
        assertThat(bench.complaints()).isEmpty();
    }

    /** The rack and the habits are changed where they are used; what cannot be is said. */
    @Test
    void theRackIsChangedWhereItIsUsed() throws Exception {
        bringIn("joint-box");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=wren-bench]");
        bench.see("[data-sheet=wren-bench][aria-checked=true]");
        bench.click("[data-station=mill]");
        bench.click("[data-tab=setup]");
        bench.seeText("[aria-label='Set-up']", "channels 0.400 mm wide");
        bench.press("Change rack and habits");
        bench.retype("[aria-label='Channel']", "0.5");
        bench.retype("[aria-label='feed of tool 1, mm/min']", "0");
        bench.press("Keep this sheet");
        bench.seeText("[role=dialog] [role=alert]", "v-10-0.1 must be above 0");
        bench.retype("[aria-label='feed of tool 1, mm/min']", "100");
        bench.press("Keep this sheet");
        bench.seeText("[aria-label='Set-up']", "channels 0.500 mm wide");
        bench.press("Change rack and habits");
        bench.click("[aria-label='Take out tool 1']");
        bench.press("Keep this sheet");
        // Without its finest cutter the rack makes the board no more; that is found anew.
        bench.click("[data-tab=cutters]");
        bench.seeText("[aria-label='Sets of cutters'] li:nth-child(1)", "nets stay joined");
        assertThat(bench.all("[role=dialog]")).isEmpty();
        assertThat(bench.complaints().stream().filter(c -> !c.contains("409"))).isEmpty();
    }
}
