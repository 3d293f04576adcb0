package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.api.Packs;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Choosing a shop and working through what the checks find, as a maker does. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class CheckBrowserTest extends BrowserTest {
    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private void choose(String sheet) {
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=" + sheet + "]");
        bench.see("[data-sheet=" + sheet + "][aria-checked=true]");
        bench.see("[data-limit=clearance]");
    }

    private int listed() {
        return bench.all("[data-finding]").size();
    }

    @Test
    void shopsSideBySideThenASheetOfOnesOwn() throws Exception {
        bringIn("joint-box");
        choose("wren-bench");
        bench.press("Which shop? …");
        bench.seeText("[data-number=clearance]", "0.199 mm");
        bench.seeText("[data-number=clearance]", "× 0.250 mm");
        bench.seeText("[data-number=track-width]", "× 0.380 mm");
        // A number leads to its place.
        bench.click("[data-number=clearance] button");
        bench.until(() -> bench.center().startsWith("61") && bench.center().contains(",66"));

        bench.press("Copy …");
        bench.type("input[aria-label='Minimum copper clearance']", "0.15");
        bench.press("Keep this sheet");
        bench.see("[data-sheet=wren-bench-own][aria-checked=true]");
        bench.seeText("[data-limit=clearance]", "0.150 mm");
        bench.click("[data-station=check]");
        bench.see("[data-rule=track-width]");
        assertThat(bench.all("[data-rule=clearance]")).isEmpty();

        bench.click("[data-station=shop]");
        bench.press("Change its sheet …");
        bench.type("input[aria-label='Minimum copper clearance']", "-");
        bench.type("input[aria-label='Name']", " ");
        bench.press("Keep this sheet");
        bench.seeText("[role=dialog] [role=alert]", "the name must have");
        bench.press("Close");
        bench.press("Export");
        Path file = downloads.resolve("wren-bench-own.json");
        bench.until(() -> Files.isRegularFile(file));
        assertThat(Files.readString(file)).contains("\"id\":\"wren-bench-own\"");
        bench.press("Delete");
        bench.until(() -> bench.all("[data-sheet]").size() == 8);

        // What was exported can be brought in again.
        bench.upload("input[aria-label='Sheet file']", file);
        bench.see("[data-sheet=wren-bench-own][aria-checked=true]");
        assertThat(bench.complaints().stream().filter(c -> !c.contains("409"))).isEmpty();
    }

    @Test
    void orderAndHeadroomChangeWhatIsChecked() throws Exception {
        bringIn("hive-scale-node");
        choose("skep-pooled");
        bench.click("[aria-label='Copper weight outside']");
        bench.optionBeginning("2 oz");
        bench.seeText("[data-limit=clearance]", "0.250 mm");
        bench.seeText("[data-limit=clearance]", "for this order");
        bench.type("input[aria-label='Headroom on Minimum copper clearance']", "20 %");
        bench.keys(Keys.ENTER);
        bench.seeText("[data-limit=clearance]", "0.300 mm");
        bench.reload();
        bench.seeText("[data-limit=clearance]", "0.300 mm");
        bench.click("[data-station=check]");
        bench.until(() -> bench.all("[data-rule=clearance]").size() > 1);
        bench.seeText("[data-rule=clearance]", "/ 0.300 mm");
    }

    @Test
    void workingThroughTheFindings() throws Exception {
        bringIn("hive-scale-node");
        choose("skep-pooled");
        bench.click("[data-station=check]");
        bench.until(() -> listed() == 24);
        bench.type("[aria-label='Find in the findings']", "unplated");
        bench.until(() -> listed() == 2);
        bench.seeText("section[aria-label=Check]", "2 of 24 shown");
        bench.type("[aria-label='Find in the findings']", "x");
        bench.keys(Keys.BACK_SPACE);
        bench.until(() -> listed() == 24);

        // Keys alone: the next finding, the one after, sign it off.
        bench.click("[role=application]");
        bench.keys("n");
        bench.see("[data-rule=clearance][data-chosen=true]");
        bench.keys("n");
        bench.see("[data-rule=copper-to-edge][data-chosen=true]");
        bench.keys("a");
        bench.type("[role=dialog] input[name=by]", "Ida");
        bench.type("[role=dialog] textarea", "the shop trims it");
        bench.keys(Keys.chord(Keys.TAB, Keys.TAB, Keys.ENTER));
        bench.seeText("[data-rule=copper-to-edge]", "signed off");
        bench.seeText("[data-station=check]", "5 of 6 stops open");

        // Both holes with one reason.
        bench.click("[data-rule=copper-to-hole] > button");
        bench.press("All 2 alike …");
        bench.type("[role=dialog] textarea", "plastic screws");
        bench.press("Sign off");
        bench.seeText("[data-station=check]", "3 of 6 stops open");

        bench.click("[aria-label='Put together']");
        bench.option("by place");
        bench.see("section[aria-label^='about x']");
        bench.click("[aria-label='Which findings']");
        bench.option("signed off");
        bench.until(() -> listed() == 3);

        // The next revision has no parts list: two findings go, the sign-offs stay.
        byte[] newer =
                Packs.edit(
                        pack("hive-scale-node"),
                        name -> name.endsWith("parts.csv"),
                        text -> text.replaceAll("(?m)^C21,.*\\R?", ""));
        bench.click("[data-station=bring-in]");
        bench.drop("[data-again]", "hive-scale-node-b.zip", newer);
        bench.seeText("section[aria-label=Changes]", "Changed since revision 1");
        bench.click("[data-station=check]");
        bench.until(() -> listed() == 3);
        bench.click("[data-rule=copper-to-edge] > button");
        bench.seeText("[data-rule=copper-to-edge]", "on revision 1, carried over");
        bench.seeText("[aria-label=Gone]", "C21");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void aNetInPiecesIsShownInInksWithItsMissingLink() throws Exception {
        bench.open("/");
        byte[] open =
                Packs.edit(
                        pack("joint-box"),
                        name -> name.endsWith("copper-bottom.gbr"),
                        text -> text.replaceFirst("X[^\\n]*D02\\*\\R(X[^\\n]*D01\\*\\R)+", ""));
        bench.drop("[data-over]", "joint-box.zip", open);
        bench.seeBoard();
        choose("wren-bench");
        bench.click("[data-station=check]");
        bench.click("[data-rule=open] > button");
        bench.seeText("[data-rule=open]", "missing");
        bench.until(() -> bench.lit() >= 2);
    }

    @Test
    void aCurrentIsWorkedOutAndChecked() throws Exception {
        bringIn("hive-scale-node");
        choose("skep-pooled");
        bench.click("[data-station=check]");
        bench.until(() -> listed() == 24);
        bench.press("Currents …");
        bench.type("[aria-label=Net]", "VBAT");
        bench.type("[aria-label='Current, A']", "3");
        bench.press("Work it out");
        // 3 A, 10 °C, 35 µm outside want 1.37 mm (IPC-2221, from memory).
        bench.seeText("section[aria-label=Currents]", "1.36");
        bench.seeText("section[aria-label=Currents]", "Too narrow");
        bench.press("Check this current");
        bench.seeText("[aria-label='Currents given']", "VBAT");
        bench.see("[data-rule=current]");
        bench.press("take out");
        bench.until(() -> bench.all("[data-rule=current]").isEmpty() && listed() == 24);
    }
}
