package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.awt.Color;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Touches drawn and dragged with the mouse, made by keyboard alone, and from a finding. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TouchUpBrowserTest extends BrowserTest {
    private static final String STATION = "section[aria-label='Touch up']";
    private static final String SHAPE = "input[aria-label='Shape, x, y in mm']";

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private String shape() {
        return bench.see(SHAPE).getAttribute("value");
    }

    /** Whether a thin line crosses a place, which lies on the bare table otherwise. */
    private boolean isDrawnAt(double x, double y, Color table) {
        for (double dy = -0.3; dy <= 0.3; dy += 0.06) {
            if (!bench.colorAt(x, y + dy).equals(table)) {
                return true;
            }
        }
        return false;
    }

    /** The right half of the joint box is empty: a window goes there. */
    @Test
    void aCutOutIsDrawnDraggedAndTakenBackWithTheMouse() throws Exception {
        bringInFor("skep-pooled", "joint-box");
        bench.click("[data-station=touch-up]");
        bench.seeText("[data-station=touch-up]", "as brought in");
        bench.press("Add a touch …");
        bench.press("Cut-out, drawn");
        bench.seeText(STATION, "Still to say: shape.");
        bench.click("button[aria-label='Show shape on the table']");
        bench.seeText(STATION, "Click the corners");
        bench.seeBoard();
        Color table = bench.colorAt(24, 53);
        double[][] corners = {{86, 32}, {96, 32}, {96, 40}, {86, 40}};
        for (double[] c : corners) {
            bench.clickAt(c[0], c[1]);
        }
        bench.clickAt(86, 32);
        bench.until(() -> shape().split(";").length == 4);
        assertThat(shape()).matches("8[56]\\.?\\d*, 3[12].*");
        bench.press("Do it");
        bench.see("[data-touch=edge][data-state=done]");
        bench.seeText(STATION, "cuts out");
        bench.seeText("[data-station=touch-up]", "1 touch");

        // What is dragged is cut out anew; a place that holds a part is refused with the place.
        bench.dragAt(96, 40, -4, 0);
        bench.until(
                () ->
                        bench.see("[data-touch=edge]")
                                .getText()
                                .matches("(?s).*cuts out 6\\d\\.\\d+ mm².*"));
        // Put away, nothing is drawn there but what will be the edge.
        bench.click("[data-touch=edge] button");
        bench.press("as it will be");
        bench.until(() -> isDrawnAt(88, 32, table));
        bench.press("as brought in");
        bench.until(() -> !isDrawnAt(88, 32, table));

        bench.press("Undo");
        bench.until(
                () ->
                        bench.see("[data-touch=edge]")
                                .getText()
                                .matches("(?s).*cuts out [78]\\d\\.\\d+ mm².*"));
        bench.click("[data-touch=edge] button");
        bench.press("Switch off");
        bench.see("[data-touch=edge][data-state=off]");
        bench.reload();
        bench.see("[data-touch=edge][data-state=off]");
        bench.press("Undo");
        bench.see("[data-touch=edge][data-state=done]");
        bench.press("Undo");
        bench.seeText("[data-station=touch-up]", "as brought in");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void aHoleIsPlacedMovedAndUndoneByKeyboardAlone() throws Exception {
        bringInFor("skep-pooled", "joint-box");
        bench.click("[data-station=touch-up]");
        bench.see("[role=application][data-ready=true]");
        bench.see(STATION + " button").sendKeys(Keys.SPACE);
        bench.press("Add a hole");
        // The cross starts in the middle of the table, which is that of the board.
        bench.see("button[aria-label='Show place on the table']").sendKeys(Keys.SPACE);
        bench.seeText(STATION, "Click the place.");
        for (int i = 0; i < 25; i++) {
            bench.see("[role=application]").sendKeys(Keys.ARROW_RIGHT);
        }
        for (int i = 0; i < 17; i++) {
            bench.see("[role=application]").sendKeys(Keys.ARROW_DOWN);
        }
        bench.see("[role=application]").sendKeys(Keys.SPACE);
        String at = "input[aria-label='Place, x, y in mm']";
        bench.until(() -> bench.see(at).getAttribute("value").equals("90, 36"));
        // Enter in a field does what the form is for.
        bench.retype("input[aria-label='Diameter, mm']", "2.5" + Keys.ENTER);
        bench.see("[data-touch=hole][data-state=done]");
        bench.seeText(STATION, "Unplated hole of 2.5 mm at (90.000, 36.000)");

        // Typed elsewhere: on a pad it is refused, with what is there.
        bench.press("Change …");
        bench.retype(at, "33.65, 74.6" + Keys.ENTER);
        bench.press("Change it");
        bench.see("[data-touch=hole][data-state='not done']");
        bench.seeText("[data-touch=hole]", "too near to another hole");
        bench.seeText("[data-station=touch-up]", "1 touch, 1 not done");
        bench.hold("z", Keys.CONTROL);
        bench.see("[data-touch=hole][data-state=done]");
        bench.hold("z", Keys.CONTROL);
        bench.seeText("[data-station=touch-up]", "as brought in");
    }

    @Test
    void aFindingOffersItsTouchAndAllAreMendedTogether() throws Exception {
        bringInFor("skep-pooled", "hive-scale-node");
        bench.click("[data-station=check]");
        bench.click("[data-rule=silk-on-pad] button");
        bench.press("Clip the silk");
        bench.see("[data-touch=silk-clip][data-state=done]");
        assertThat(bench.path()).endsWith("/touch-up");
        bench.see("[data-effect='2 0']");
        bench.seeText(STATION, "Mends 2 findings");
        bench.seeText("[data-mendable]", "8");

        bench.press("Mend all that can be mended …");
        bench.seeText("ul[aria-label='What would be done']", "Thicken rings to 0.15 mm");
        bench.click("[role=dialog] summary");
        bench.seeText("ul[aria-label='What stays']", "move them in the layout");
        bench.press("Do these 6");
        bench.until(() -> bench.all("[data-touch][data-state=done]").size() == 7);
        bench.seeText(STATION, "None of the 15 findings can be mended by a touch.");
        bench.click("[data-station=check]");
        bench.until(() -> bench.all("[data-rule=silk-on-pad]").isEmpty());
        assertThat(bench.all("[data-rule=annular-ring]")).isEmpty();
        bench.back();
        bench.seeText("[data-station=touch-up]", "7 touches");
    }
}
