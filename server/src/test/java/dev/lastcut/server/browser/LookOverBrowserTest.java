package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.api.Packs;
import java.awt.Color;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Looking a board over, and bringing newer files in, as a user sees it. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class LookOverBrowserTest extends BrowserTest {
    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private static int light(Color c) {
        return c.getRed() + c.getGreen() + c.getBlue();
    }

    @Test
    void findMeasureTurnAndGrid() throws Exception {
        bringIn("hive-scale-node");
        bench.seeText("section[aria-label='Look over']", "0.120 mm");
        bench.seeText("section[aria-label='Look over']", "80 %");

        // A part: the table goes there. Y1 lies at (50.6, 46.6).
        bench.keys("f");
        bench.type("#find-field", "Y1");
        bench.seeText("[aria-label=Found]", "32.768 kHz");
        bench.keys(Keys.ENTER);
        bench.until(() -> bench.center().equals("50600000,46600000"));
        // A place, in the unit of the screen.
        bench.type("#find-field", "40.5, 30" + Keys.ENTER);
        bench.until(() -> bench.center().equals("40500000,30000000"));
        // A hole size: the four mounting holes.
        bench.type("#find-field", "3.2");
        bench.until(() -> bench.all("[aria-label=Found] li").size() == 4);
        // A net is lit and its facts stand in the list.
        bench.type("#find-field", "GND");
        bench.seeText("[aria-label=Found]", "net,");
        bench.keys(Keys.ENTER);
        bench.see("[aria-label=Found] button[aria-pressed=true]");

        // The smallest gap: the table goes there and lays a measure on it.
        bench.press("0.120 mm");
        bench.seeText("output[aria-label=Measure]", "0.120 mm");
        bench.until(() -> bench.center().startsWith("7181"));

        bench.press("Fit");
        bench.press("Turn");
        bench.see("[role=application][data-turn='1']");
        bench.press("Grid");
        bench.see("button[aria-pressed=true][title='Show a grid (G)']");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void xrayShowsWhereTwoFilmsPart() throws Exception {
        bringIn("hive-scale-node");
        bench.press("copper");
        bench.keys("x");
        bench.seeText("main", "a fringe shows where they part");
        // Top copper alone reaches over the upper edge at (60, 76); both lie at (71.8, 50).
        Color table = bench.colorAt(17, 42);
        assertThat(light(table)).isGreaterThan(700);
        bench.until(() -> light(bench.colorAt(30, 30)) < 330);
        bench.keys("x");
        bench.until(() -> bench.all("[data-film=copper-top]").size() == 1);
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void theSolidBoardIsDrawnAndTurns() throws Exception {
        bringIn("hive-scale-node");
        bench.keys("s");
        bench.see("canvas[aria-label^='Solid view'][data-drawn]");
        Color board = bench.middleOf("canvas[aria-label^='Solid view']");
        bench.press("Solid");
        bench.seeBoard();
        Color flat = bench.middleOf("[role=application]");
        assertThat(board).isNotEqualTo(flat);
        // The middle of the board is the dark body of U1.
        assertThat(light(board)).isLessThan(250);
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void newerFilesAreComparedAndAFileOutOfPlaceIsPutRight() throws Exception {
        bringIn("hive-scale-node");
        byte[] newer =
                Packs.edit(
                        pack("hive-scale-node"),
                        name -> name.endsWith("mask-top.gbr"),
                        text -> Packs.shifted(text, 1_500_000, -700_000));
        newer =
                Packs.edit(
                        newer,
                        name -> name.endsWith("parts.csv"),
                        text -> text.replace("C2,100n,", "C2,220n,"));
        bench.click("[data-station=bring-in]");
        bench.drop("[data-again]", "hive-scale-node-b.zip", newer);
        bench.seeText("section[aria-label=Changes]", "Changed since revision 1");
        bench.seeText("section[aria-label=Changes]", "C2 value 100n → 220n");
        bench.seeText("section[aria-label=Changes]", "mask top");
        // An opening that is gone shows in its own ink: TP1's, at (71, 42).
        bench.until(
                () -> {
                    Color c = bench.colorAt(70.7, 42.4);
                    return c.getRed() > c.getGreen() + 60;
                });

        bench.seeText("section[aria-label='Bring in']", "moved by 1.500 mm left and 0.700 mm up");
        bench.press("Put it right");
        bench.seeText("section[aria-label='Bring in']", "Put right by you");
        bench.until(() -> !bench.see("section[aria-label=Changes]").getText().contains("mask top"));
        bench.press("undo");
        bench.seeText("section[aria-label='Bring in']", "Does not lie on the others");
        bench.reload();
        bench.seeText("section[aria-label=Changes]", "C2 value 100n → 220n");
        assertThat(bench.complaints()).isEmpty();
    }
}
