package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** A panel by numbers, by mouse and by keyboard. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class PanelBrowserTest extends BrowserTest {
    private static final String PANEL = "section[aria-label=Panel]";
    private static final String HELD = "output[aria-label=Board]";

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private void begin() throws Exception {
        bringInFor("waggle-quick", "joint-box");
        bench.click("[data-station=panel]");
    }

    private void boards(int count) {
        bench.see("[role=application][data-boards='" + count + "'][data-ready=true]");
    }

    /** The joint box is 78.74 × 55.88 mm. */
    @Test
    void aPanelIsLaidOutByNumbersDraggedAndTakenBack() throws Exception {
        begin();
        bench.press("Make a panel of 2 × 2");
        boards(4);
        // Two boards, three gaps and two rails of 7 mm.
        bench.seeText(PANEL, "177.48 × 131.76 mm");
        bench.seeText("[data-station=panel]", "4 boards, 177 × 132 mm");
        bench.retype("input[aria-label=Columns]", "3" + Keys.ENTER);
        boards(6);
        bench.seeText(PANEL, "258.22 × 131.76 mm");
        // The rail is material; the channel beside the first board is bare table.
        bench.until(() -> !bench.colorAt(3, 30).equals(bench.colorAt(8, 9 + 3)));

        bench.dragAt(9 + 2 * 80.74 + 39, 9 + 57.88 + 28, 0, 15);
        bench.seeText(PANEL, "Boards were moved by hand");
        bench.seeText(HELD, "board 6 at 170.480");
        bench.until(
                () -> bench.see(PANEL).getText().matches("(?s).*258.22 × 14[67]\\.\\d\\d mm.*"));
        bench.click("[role=application]");
        bench.press("In rows again");
        bench.seeText(PANEL, "258.22 × 131.76 mm");
        bench.press("Undo");
        bench.seeText(PANEL, "Boards were moved by hand");
        bench.reload();
        boards(6);
        bench.seeText(PANEL, "Boards were moved by hand");
        bench.press("Back to single boards");
        bench.seeText("[data-station=panel]", "single boards");
        bench.back();
    }

    @Test
    void boardsAreMovedTurnedAndTakenOffByKeyboard() throws Exception {
        begin();
        bench.press("Make a panel of 2 × 2");
        boards(4);
        bench.see("[role=application]").sendKeys("n");
        bench.seeText(HELD, "board 1 at 9.000, 9.000 mm, 0°");
        bench.see("[role=application]").sendKeys("p");
        bench.seeText(HELD, "board 4 at 89.740, 66.880 mm, 0°");
        bench.see("[role=application]").sendKeys(Keys.ARROW_RIGHT);
        bench.seeText(HELD, "board 4 at 90.740");
        bench.seeText(PANEL, "178.48 × 131.76 mm");
        // Turned it would lie on the board below: that is said, and it can be moved away.
        bench.see("[role=application]").sendKeys("t");
        bench.seeText(HELD, "90°");
        bench.seeText("[role=alert]", "lie upon each other");
        for (int i = 0; i < 12; i++) {
            bench.see("[role=application]").sendKeys(Keys.ARROW_UP);
            bench.seeText(HELD, String.format(Locale.ROOT, "%.3f mm", 56.45 + i));
        }
        bench.until(() -> bench.all("[role=alert]").isEmpty());
        bench.see("[role=application]").sendKeys(Keys.DELETE);
        boards(3);
        bench.see("[role=application]").sendKeys(Keys.chord(Keys.CONTROL, "z"));
        boards(4);
    }

    @Test
    void whatCannotBeIsSaidAndTheWayOutIsThere() throws Exception {
        begin();
        bench.press("Make a panel of 2 × 2");
        boards(4);
        bench.retype("input[aria-label=Turn]", "30" + Keys.ENTER);
        bench.seeText(PANEL, "Boards");
        bench.click("button[aria-label=Join]");
        bench.option("V-score");
        bench.seeText("[role=alert]", "a V-score runs straight");
        bench.retype("input[aria-label=Turn]", "0" + Keys.ENTER);
        bench.click("button[aria-label=Join]");
        bench.option("V-score");
        bench.seeText(PANEL, "171.48 × 125.76 mm");
        bench.retype("input[aria-label=Columns]", "5" + Keys.ENTER);
        // 5 × 78.74 and two rails of 7 mm are wider than the 350 mm that the shop takes.
        bench.seeText(PANEL, "407.700 mm wide");
        bench.seeText("ul[aria-label='Findings of the panel']", "takes at most 350.000 mm");
        bench.press("Sign off at Check");
        bench.see("[data-rule=panel-size]");
        bench.click("[data-rule=panel-size] button");
        bench.press("Show it on the panel");
        boards(10);
        assertThat(bench.path()).endsWith("/panel");
    }
}
