package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.net.URI;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** From a typed circuit to a strip board's pages: by mouse, and by keys alone. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class StripsBrowserTest extends BrowserTest {
    private static final String BOARD = "[aria-label='Strip board']";

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private void cell(String label, String text) {
        bench.type("[aria-label='" + label + "']", text);
    }

    /** Two resistors and a header: the smallest circuit with something to cut. */
    private void typed() {
        bench.open("/");
        bench.press("Type a circuit for strip board");
        cell("Name of the circuit", "divider");
        cell("Net, row 1", "TOP");
        cell("Pins, row 1", "R1.1 J1.1");
        cell("Net, row 2", "MID");
        cell("Pins, row 2", "R1.2 R2.1 J1.2");
        cell("Net, row 3", "LOW");
        cell("Pins, row 3", "R2.2 J1.3");
        cell("Designator, row 1", "R1");
        cell("Value, row 1", "10k");
        cell("Footprint, row 1", "AXIAL");
        cell("Designator, row 2", "R2");
        cell("Value, row 2", "4k7");
        cell("Footprint, row 2", "AXIAL");
        cell("Designator, row 3", "J1");
        cell("Footprint, row 3", "HEADER_1X3");
    }

    private String count(String what) {
        return bench.see(BOARD).getAttribute("data-" + what);
    }

    @Test
    void aTypedCircuitIsProposedChangedUndoneAndPrinted() throws Exception {
        typed();
        cell("Pins, row 3", "R2.2 J1");
        bench.press("Begin the job");
        bench.seeText("[role=dialog] [role=alert]", "“J1” names no pin");
        assertThat(bench.see("[aria-label='Pins, row 3']").getAttribute("aria-invalid"))
                .isEqualTo("true");
        cell("Pins, row 3", "R2.2 J1.3");
        bench.press("Begin the job");
        bench.see("[data-station=shop]");
        // A house cannot make it, and says why.
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=waggle-quick]");
        bench.seeText("[role=alert]", "makes boards from Gerber and drill files");
        bench.click("[data-sheet=burr-strip]");
        bench.see("[data-sheet=burr-strip][aria-checked=true]");
        bench.click("[data-station=strips]");
        bench.seeText("section[aria-label=Strips]", "Every net is joined, and nothing else is.");
        assertThat(count("parts")).isEqualTo("3");

        // One strip too few is found at once, and undoing takes it back.
        String cuts = count("cuts");
        bench.click("[data-tool=cut]");
        bench.click("[data-lead='R1.1']");
        bench.until(() -> !count("cuts").equals(cuts));
        bench.seeText("[data-rule=strip-hole]", "no copper to solder to");
        bench.press("Undo");
        bench.seeText("section[aria-label=Strips]", "Every net is joined, and nothing else is.");
        bench.until(() -> count("cuts").equals(cuts));

        // A part taken off is missed; it is put back by a click, and the wires are laid anew.
        bench.click("[data-listed=R2] button");
        bench.press("Take off the board");
        bench.seeText("ul[aria-label='Findings of the plan']", "R2 is not on the board");
        assertThat(count("parts")).isEqualTo("2");
        bench.press("Propose a plan");
        bench.seeText("section[aria-label=Strips]", "Every net is joined, and nothing else is.");
        assertThat(count("parts")).isEqualTo("3");

        // The circuit is changed at Bring in: what is laid out stays, and what is new is missed.
        bench.click("[data-station=bring-in]");
        bench.press("Change the circuit");
        assertThat(bench.see("[aria-label='Pins, row 2']").getAttribute("value"))
                .isEqualTo("R1.2 R2.1 J1.2");
        cell("Pins, row 2", "R1.2 R2.1 J1.2 C1.1");
        cell("Pins, row 3", "R2.2 J1.3 C1.2");
        cell("Designator, row 4", "C1");
        cell("Value, row 4", "100n");
        cell("Footprint, row 4", "DISC");
        bench.press("Bring the changed circuit in");
        bench.seeText("section[aria-label='Bring in']", "revision 2");
        bench.click("[data-station=strips]");
        bench.seeText("ul[aria-label='Findings of the plan']", "C1 is not on the board");
        bench.press("Propose a plan");
        bench.seeText("section[aria-label=Strips]", "Every net is joined, and nothing else is.");
        assertThat(count("parts")).isEqualTo("4");

        bench.click("[data-face=copper]");
        bench.see("ul[aria-label='Output files'] a");
        byte[] pdf = fetched("strip/plan.pdf");
        try (PDDocument doc = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(doc);
            assertThat(text)
                    .contains("part side")
                    .contains("copper side, mirrored")
                    .contains("100 mm")
                    .contains("R1")
                    .contains("Links:");
        }
        assertThat(bench.complaints())
                .filteredOn(c -> !c.contains("409") && !c.contains("422"))
                .isEmpty();
    }

    private byte[] fetched(String path) throws Exception {
        String job = job();
        return new URI(
                        "http://127.0.0.1:"
                                + port
                                + "/api/jobs/"
                                + job
                                + "/outputs/file?path="
                                + path)
                .toURL()
                .openStream()
                .readAllBytes();
    }

    private String job() {
        Matcher m = Pattern.compile("/jobs/(\\d+)").matcher(bench.path());
        assertThat(m.find()).isTrue();
        return m.group(1);
    }

    @Test
    void aBoardIsLaidOutByKeysAlone() {
        typed();
        bench.press("Begin the job");
        bench.see("[data-station=shop]");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=burr-strip]");
        bench.see("[data-sheet=burr-strip][aria-checked=true]");
        bench.click("[data-station=strips]");
        bench.see(BOARD);
        bench.press("Empty board");
        bench.until(() -> count("parts").equals("0"));
        place("J1");
        // The header lies along strip 0: it is turned to stand on three strips.
        key("r");
        bench.seeText("section[aria-label=Strips]", "stop");
        place("R1", Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
        key("u");
        key("r");
        place("R2", Keys.ARROW_DOWN, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
        key("u");
        key("r");
        bench.seeText("section[aria-label=Strips]", "Every net is joined, and nothing else is.");
        assertThat(count("links")).isEqualTo("0");
        assertThat(count("cuts")).isEqualTo("0");
        bench.seeText("#strip-says", "MID");
        // A cut by key parts the strip, and the same key joins it again.
        bench.click("[data-tool=cut]");
        bench.see(BOARD).sendKeys(Keys.ARROW_LEFT);
        key(Keys.ENTER.toString());
        bench.seeText("ul[aria-label='Findings of the plan']", "MID is in 2 pieces");
        key(Keys.ENTER.toString());
        bench.seeText("section[aria-label=Strips]", "Every net is joined, and nothing else is.");
    }

    private void place(String part, Keys... way) {
        bench.see("[data-listed=" + part + "]")
                .findElement(By.xpath(".//button[.='Place']"))
                .sendKeys(Keys.ENTER);
        for (Keys k : way) {
            key(k);
        }
        String before = count("parts");
        key(Keys.ENTER.toString());
        bench.until(() -> !count("parts").equals(before));
    }

    /** A key on the board, whose effect has been answered. */
    private void key(CharSequence key) {
        bench.see(BOARD).sendKeys(key);
    }

    @Test
    void anAdapterBecomesAnOrdinaryJob() {
        bench.open("/");
        bench.press("adapter for a part");
        bench.retype("[aria-label=Pitch]", "9" + Keys.TAB);
        bench.press("Make the adapter");
        bench.seeText("[role=dialog] [role=alert]", "pitch is 0.3 to 2.54 mm");
        bench.retype("[aria-label=Pitch]", "1.27" + Keys.TAB);
        bench.press("Make the adapter");
        bench.seeBoard();
        bench.seeText("section[aria-label='Look over']", "18.840 mm × 13.020 mm");
    }
}
