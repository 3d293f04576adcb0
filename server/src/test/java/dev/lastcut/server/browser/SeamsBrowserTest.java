package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.awt.Color;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Between the stations: views left and taken up again, fingers, small windows, keys. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class SeamsBrowserTest extends BrowserTest {
    /** A place of bare copper of GND, on no pad and under no silk, mm. */
    private static final double GND_X = 23;

    private static final double GND_Y = 40;

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    @AfterEach
    void usualWindow() {
        bench.usualWindow();
    }

    /** Copper as it lies on the lit table: redder than green, greener than blue, not pale. */
    private static boolean isCopper(Color c) {
        return c.getRed() > c.getGreen() + 30
                && c.getGreen() > c.getBlue() + 10
                && c.getRed() < 235;
    }

    private void seeCopper() {
        bench.until(() -> isCopper(bench.colorAt(45, 30)));
    }

    @Test
    void theSolidViewLeavesTheFilmsAsTheyWere() throws Exception {
        bringIn("hive-scale-node");
        seeCopper();
        bench.wheel(-240);
        bench.until(() -> bench.scale() > 1e-5);
        double scale = bench.scale();
        bench.press("Solid");
        bench.see("canvas[aria-label^='Solid view']");
        bench.press("Solid");
        bench.seeBoard();
        seeCopper();
        assertThat(bench.scale()).isEqualTo(scale);
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void theGraphicsSystemMayBeLost() throws Exception {
        bringIn("hive-scale-node");
        seeCopper();
        String lose =
                "window.lost = document.querySelector('[role=application] canvas')"
                        + ".getContext('webgl2').getExtension('WEBGL_lose_context');"
                        + "window.lost.loseContext()";
        bench.ask(lose);
        bench.seeText("main [role=alert]", "The graphics system was lost");
        bench.ask("window.lost.restoreContext()");
        bench.until(() -> bench.all("main [role=alert]").isEmpty());
        seeCopper();
    }

    @Test
    void fingersTapDragAndPinch() throws Exception {
        bringIn("hive-scale-node");
        seeCopper();
        assertThat(bench.lit()).isZero();
        bench.tapAt(GND_X, GND_Y);
        bench.until(() -> bench.lit() == 1);
        bench.seeText("[aria-label='Under the pointer']", "GND");

        String before = bench.center();
        double scale = bench.scale();
        bench.swipe(80, 30);
        bench.until(() -> !bench.center().equals(before));
        assertThat(bench.scale()).isEqualTo(scale);

        String middle = bench.center();
        bench.pinch(80, 240);
        bench.until(() -> bench.scale() > 2.9 * scale);
        assertThat(bench.scale()).isBetween(2.9 * scale, 3.1 * scale);
        // The middle between the fingers stays, and the page is not zoomed.
        String[] was = middle.split(",");
        String[] is = bench.center().split(",");
        for (int i = 0; i < 2; i++) {
            assertThat(Double.parseDouble(is[i]))
                    .isCloseTo(
                            Double.parseDouble(was[i]),
                            org.assertj.core.data.Offset.offset(2 / bench.scale()));
        }
        assertThat(bench.ask("return window.visualViewport.scale")).isEqualTo(1L);
        assertThat(bench.complaints()).isEmpty();
    }

    /** A click beside all copper puts the net out, however late the words come. */
    @Test
    void aClickMeansThePlaceItIsMadeAt() throws Exception {
        bringIn("hive-scale-node");
        bench.clickAt(GND_X, GND_Y);
        bench.until(() -> bench.lit() == 1);
        bench.ask(
                """
                const real = window.fetch;
                window.asked = 0;
                window.fetch = (path, init) => {
                  if (!String(path).includes('/under')) return real(path, init);
                  window.asked += 1;
                  return new Promise((r) => setTimeout(r, 400)).then(() => real(path, init));
                };
                """);
        bench.clickAt(GND_X, 90);
        bench.until(() -> bench.lit() == 0);
        bench.until(() -> isCopper(bench.colorAt(45, 30)));
        // A hand that moves asks nothing, unless a frame takes as long as a rest; then it asks
        // once.
        bench.ask(
                """
                const table = document.querySelector('[role=application]');
                const box = table.getBoundingClientRect();
                window.asked = 0;
                let moves = 0;
                const move = () => {
                  table.dispatchEvent(new PointerEvent('pointermove', {
                    bubbles: true, pointerType: 'mouse', pointerId: 1,
                    clientX: box.left + 200 + moves, clientY: box.top + 300 }));
                  if (++moves < 150) requestAnimationFrame(move); else window.moved = true;
                };
                move();
                """);
        bench.until(() -> Boolean.TRUE.equals(bench.ask("return window.moved === true")));
        bench.seeText("[aria-label='Under the pointer']", "copper");
        assertThat((Long) bench.ask("return window.asked")).isBetween(1L, 30L);
    }

    @Test
    void lettersInAListOnlyChooseThere() throws Exception {
        bringIn("hive-scale-node");
        bench.press("copper");
        bench.keys("x");
        bench.seeText("main", "a fringe shows where they part");
        // X in the list of films is no key of the table: the x-ray stays.
        bench.ask("document.querySelector('main [role=combobox]').focus()");
        bench.keys("x");
        bench.keys("g");
        bench.seeText("main", "a fringe shows where they part");
        assertThat(bench.all("button[aria-pressed=true][title^='Show a grid']")).isEmpty();
        bench.ask("document.activeElement.blur()");
        bench.keys("g");
        bench.see("button[aria-pressed=true][title^='Show a grid']");
    }

    /** Wherever the focus is, Esc ends what the pointer is doing. */
    @Test
    void escapeLetsGo() throws Exception {
        bringIn("hive-scale-node");
        bench.press("Measure");
        bench.see("button[aria-pressed=true][title^='Measure']");
        bench.click("#find-field");
        bench.keys(Keys.ESCAPE);
        bench.until(() -> bench.all("button[aria-pressed=true][title^='Measure']").isEmpty());
    }

    /** What was typed is not thrown away by a slip of the hand. */
    @Test
    void aDialogAsksBeforeItForgets() throws Exception {
        bringInFor("waggle-quick", "hive-scale-node");
        bench.click("nav [data-station=check]");
        bench.click("section[aria-label=Check] [data-finding]");
        bench.keys("a");
        bench.type("[role=dialog] textarea[name=reason]", "agreed with the shop");
        bench.keys(Keys.ESCAPE);
        bench.seeText("[role=dialog] [role=alert]", "not kept yet");
        bench.press("Go on editing");
        bench.until(() -> bench.all("[role=dialog] [role=alert]").isEmpty());
        assertThat(bench.see("textarea[name=reason]").getDomProperty("value"))
                .isEqualTo("agreed with the shop");
        bench.keys(Keys.ESCAPE);
        bench.press("Discard it");
        bench.until(() -> bench.all("[role=dialog]").isEmpty());
    }

    /** A cut does not hold what was chosen after it, and says so. */
    @Test
    void aCutThatIsOlderThanTheChoicesSaysSo() throws Exception {
        bringInFor("waggle-quick", "joint-box");
        bench.click("nav [data-station=cut]");
        bench.until(() -> bench.see("section[aria-label=Cut] button").isEnabled());
        bench.press("Make the cut");
        bench.seeText("nav [data-station=cut]", "cut 1 of");
        bench.click("nav [data-station=shop]");
        bench.click("[data-sheet=skep-pooled]");
        bench.seeText("nav [data-station=cut]", "changed since cut 1");
        bench.click("nav [data-station=cut]");
        bench.seeText("ul[aria-label='Changed since cut 1']", "Skep Boards");
        bench.press("Undo");
        bench.until(() -> bench.all("ul[aria-label='Changed since cut 1']").isEmpty());
        bench.seeText("nav [data-station=cut]", "cut 1 of");
    }

    @ParameterizedTest
    @CsvSource({"1024, 768, 1", "640, 400, 2"})
    void smallWindows(int width, int height, int zoom) throws Exception {
        bringIn("hive-scale-node");
        bench.window(width, height, zoom);
        bench.until(() -> right("main") <= width);
        WebElement table = bench.see("[role=application]");
        WebElement pane = bench.see("aside");
        // The board is the largest thing, and nothing hangs out of the window.
        bench.until(() -> table.getSize().width >= pane.getSize().width);
        assertThat(right("aside")).isLessThanOrEqualTo(width);
        assertThat(bench.ask("return document.documentElement.scrollWidth"))
                .isEqualTo((long) width);

        // The pane is put away and comes back; its edge is moved by keys.
        int wide = table.getSize().width;
        bench.click("button[aria-label='Put the station away']");
        bench.until(() -> table.getSize().width > wide + 100);
        bench.click("button[aria-label='Show the station beside the board']");
        bench.until(() -> table.getSize().width <= wide + 2);
        bench.ask("document.querySelector('[role=separator]').focus()");
        bench.keys(Keys.ARROW_RIGHT);
        if (width > 940) {
            bench.until(() -> table.getSize().width > wide + 10);
        }

        // Every station can be reached.
        if (width < 940) {
            bench.click("button[aria-label='Open the traveller']");
        }
        bench.click("nav [data-station=shop]");
        bench.seeText("section[aria-label=Shop]", "Waggle Quickturn");
    }

    private double right(String css) {
        return ((Number)
                        bench.ask(
                                "return document.querySelector(arguments[0])"
                                        + ".getBoundingClientRect().right",
                                css))
                .doubleValue();
    }
}
