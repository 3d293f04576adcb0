package dev.lastcut.server.browser;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.api.Packs;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Placement by footprint, the stencil's openings, and the bench kit. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class AssemblyBrowserTest extends BrowserTest {
    private static final String PARTS = "section[aria-label=Parts]";
    private static final String STENCIL = "section[aria-label=Stencil]";
    private static final String ROOM = "[data-room]";
    private static final String BENCH = "section[aria-label=Bench]";
    private static final String LINE_OF_R6 =
            "[role=table][aria-label='Parts list'] [role=row][data-first='R6']";

    /** Just inside the end of a pad of the radio, which is 1.94 mm long, mm. */
    private static final double[] EDGE = {79.3, 53.5};

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private void shop(String sheet) {
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=" + sheet + "]");
        bench.see("[data-sheet=" + sheet + "][aria-checked=true]");
    }

    /** The hive scale node with its flash told to lie the other way round than it does. */
    private static byte[] turned() throws Exception {
        return Packs.edit(
                pack("hive-scale-node"),
                name -> name.endsWith("placement.csv"),
                text -> text.replaceFirst("(?m)^(U6,[^,]*,[^,]*),0,", "$1,180,"));
    }

    @Test
    void theOddOneIsSeenTurnedAndSignedOff() throws Exception {
        bench.open("/");
        bench.drop("[data-over]", "turned.zip", turned());
        bench.seeBoard();
        shop("longcomb-fine");
        bench.click("[data-station=parts]");
        bench.click("[role=tab][data-parts=placement]");
        bench.seeText("button[data-kind=SO8]", "1 turned");
        bench.click("button[data-kind=SO8]");
        bench.seeText("li[data-odd=true]", "U6");
        bench.seeText("li[data-odd=true]", "180°");
        assertThat(bench.all("ul[aria-label='Parts of this footprint'] > li")).hasSize(2);
        bench.press("Turn it by 180°");
        bench.seeText(PARTS, "turned by 180° here");
        bench.until(() -> bench.all("li[data-odd=true]").isEmpty());
        // What is learned of one is offered for all, with what it touches.
        bench.seeText(PARTS, "that touches U5");
        bench.click("input[type=checkbox]");
        bench.see("input[type=checkbox]:checked");
        bench.press("← All footprints");
        bench.seeText("button[data-kind=SO8]", "looked at");
        bench.seeText("button[data-kind=SO8]", "lie alike");
        bench.press("Line by line");
        bench.seeText("[role=table][aria-label=Placement]", "60.400");
        // It stays so, and every choice is a step back.
        bench.reload();
        bench.click("[role=tab][data-parts=placement]");
        bench.seeText("button[data-kind=SO8]", "looked at");
        bench.hold("z", Keys.CONTROL);
        bench.until(() -> !bench.see("button[data-kind=SO8]").getText().contains("looked at"));
        bench.hold("z", Keys.CONTROL);
        bench.seeText("button[data-kind=SO8]", "1 turned");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void whoFitsWhatIsChosenAndTheBenchHasTheRest() throws Exception {
        bringIn("hive-scale-node");
        shop("longcomb-fine");
        // Bare boards are the usual order: everything is left to the maker.
        bench.seeText("[data-station=bench]", "0 of 56 parts soldered");
        bench.click("[data-station=parts]");
        bench.seeText(LINE_OF_R6, "soldered by hand: bare boards are ordered");
        bench.click("[data-station=shop]");
        bench.click("[aria-label='Parts fitted']");
        bench.optionBeginning("both");
        bench.seeText("[data-station=bench]", "nothing to solder by hand");
        bench.click("[data-station=parts]");
        bench.seeText(LINE_OF_R6, "fitted by Longcomb Fine Line");
        bench.hold("z", Keys.CONTROL);
        bench.seeText("[data-station=bench]", "0 of 56 parts soldered");
        bench.seeText(LINE_OF_R6, "bare boards are ordered");
        bench.hold("z", Keys.CONTROL, Keys.SHIFT);
        bench.seeText("[data-station=bench]", "nothing to solder by hand");
        bench.click("[role=tab][data-parts=placement]");
        bench.click("button[data-kind=JACK]");
        bench.press("← All footprints");
        bench.click("button[data-kind=HDR1X4]");
        bench.until(() -> bench.all(PARTS + " input[type=checkbox]").size() == 2);
        bench.all(PARTS + " input[type=checkbox]").get(1).click();
        bench.seeText("[data-station=bench]", "0 of 1 parts soldered");
        bench.click("[data-station=bench]");
        bench.seeText(BENCH, "J2");
        bench.seeText(BENCH, "pin 1");
        bench.keys("d");
        bench.seeText("[data-station=bench]", "1 of 1 parts soldered");
        bench.see("[data-station=bench][data-mark=done]");
        bench.press("Test points");
        bench.seeText("table[aria-label='Test points']", "TP1");
        assertThat(bench.complaints()).isEmpty();
    }

    /** What nothing tells is assumed and called so, until it is told once for the footprint. */
    @Test
    void polarityIsAskedOnce() throws Exception {
        bringIn("hive-scale-node");
        shop("longcomb-fine");
        bench.click("[data-station=parts]");
        bench.click("[role=tab][data-parts=placement]");
        bench.seeText("button[data-kind=D0805]", "polarity assumed");
        bench.click("button[data-kind=D0805]");
        bench.seeText(PARTS, "Cathode: pin 1, assumed, nothing says so");
        bench.seeText(PARTS, "Nothing says which pin of D1 D2 is the cathode");
        bench.click("[aria-label='Which pin is the cathode']");
        bench.option("pin 2");
        bench.seeText(PARTS, "Cathode: pin 2, told for this footprint");
        bench.press("← All footprints");
        bench.until(() -> !bench.see("button[data-kind=D0805]").getText().contains("assumed"));
        bench.click("[data-station=bench]");
        bench.press("Lay out");
        bench.all("ol[aria-label=Steps] button").stream()
                .filter(b -> b.getText().startsWith("green LED"))
                .findFirst()
                .orElseThrow()
                .click();
        bench.seeText(BENCH, "marked corner or dot (cathode)");
        assertThat(bench.see(BENCH).getText()).doesNotContain("which nothing says");
        assertThat(bench.complaints()).isEmpty();
    }

    /** Lines of the guide are moved by keys, and one of one's own is put in and taken away. */
    @Test
    void theOrderOfTheGuideIsOnesOwn() throws Exception {
        bringIn("joint-box");
        shop("wren-bench");
        bench.click("[data-station=bench]");
        bench.press("Lay out");
        String second = bench.see("ol[aria-label=Steps] > li:nth-child(2) b").getText();
        String first = bench.see("ol[aria-label=Steps] > li:nth-child(1) b").getText();
        assertThat(first).isNotEqualTo(second);
        bench.see("ol[aria-label=Steps] > li:nth-child(2) button")
                .sendKeys(Keys.chord(Keys.ALT, Keys.ARROW_UP));
        bench.seeText("ol[aria-label=Steps] > li:nth-child(1)", second);
        bench.seeText("ol[aria-label=Steps] > li:nth-child(2)", first);
        bench.type("input[aria-label='A step of your own']", "close the bridge");
        bench.keys(Keys.ENTER);
        bench.seeText("ol[aria-label=Steps] > li:last-child", "close the bridge");
        bench.click("[aria-label='Move up: close the bridge']");
        bench.seeText("ol[aria-label=Steps] > li:nth-last-child(2)", "close the bridge");
        bench.click("ol[aria-label=Steps] > li:last-child button");
        bench.seeText(BENCH, "Before this: close the bridge");
        // It is a choice like any other, and stays.
        bench.reload();
        bench.press("Lay out");
        bench.seeText("ol[aria-label=Steps] > li:nth-child(1)", second);
        bench.press("Back to the proposed order");
        bench.seeText("ol[aria-label=Steps] > li:nth-child(1)", first);
        assertThat(bench.all("ol[aria-label=Steps] > li i, [data-own]")).isEmpty();
        assertThat(bench.complaints()).isEmpty();
    }

    /** A line is dragged by its grip with a finger. */
    @Test
    void aLineOfTheGuideIsMovedWithAFinger() throws Exception {
        bringIn("joint-box");
        shop("wren-bench");
        bench.click("[data-station=bench]");
        bench.press("Lay out");
        String first = bench.see("ol[aria-label=Steps] > li:nth-child(1) b").getText();
        bench.fingerDrag(
                "ol[aria-label=Steps] > li:nth-child(1) [data-grip]",
                "ol[aria-label=Steps] > li:nth-child(3)");
        bench.seeText("ol[aria-label=Steps] > li:nth-child(3)", first);
        assertThat(bench.complaints()).isEmpty();
    }

    /** Ticks of one board of the batch are its own; all of them are done when each is. */
    @Test
    void everyBoardOfTheBatchHasItsTicks() throws Exception {
        bringIn("joint-box");
        shop("wren-bench");
        bench.click("[data-station=bench]");
        String boards = "[aria-label='Boards of the batch']";
        bench.seeText(boards, "Done on 0 of 5 boards");
        bench.see(boards);
        bench.all(boards + " button").get(2).click();
        bench.seeText(boards, "Ticks are for board 2");
        bench.keys("d");
        bench.seeText(BENCH, "Step 2 of 13");
        bench.keys("N");
        bench.seeText(boards, "Done on 1 of 5 boards");
        bench.seeText(boards, "2 ✓");
        bench.seeText(BENCH, "✓ done");
        bench.all(boards + " button").get(0).click();
        bench.until(() -> !bench.see(BENCH).getText().contains("✓ done"));
        bench.keys("d");
        bench.seeText(BENCH, "Step 2 of 13");
        bench.keys("N");
        bench.seeText(boards, "Done on 5 of 5 boards");
        bench.reload();
        bench.seeText(boards, "Done on 5 of 5 boards");
        assertThat(bench.complaints()).isEmpty();
    }

    /** A zone over the whole board, one drawn on the table; what is too high is told and red. */
    @Test
    void theRoomAboveTheBoard() throws Exception {
        bringIn("hive-scale-node");
        shop("longcomb-fine");
        bench.click("[data-station=parts]");
        bench.click("[role=tab][data-parts=placement]");
        bench.click(ROOM + " summary");
        bench.seeText(ROOM, "Highest on the top:");
        bench.press("Over the whole board");
        bench.seeText(ROOM, "the whole board");
        bench.type("input[aria-label='Room under a board above, mm']", "0.2");
        bench.keys(Keys.ENTER);
        bench.seeText(ROOM, "too high:");
        bench.press("Draw an area");
        bench.seeText(ROOM, "Click the corners of the area");
        bench.clickAt(41, 26);
        bench.clickAt(51, 26);
        bench.clickAt(51, 36);
        bench.clickAt(41, 36);
        bench.keys(Keys.ENTER);
        bench.seeText(ROOM, "an area of 10.");
        bench.press("See it solid");
        bench.seeText("main [role=status]", "Too high here:");
        bench.press("Back to the films");
        bench.click("[data-station=check]");
        bench.seeText("aside", "Room above the board");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void openingsAreShapedOnTheTableAndBackAgain() throws Exception {
        bringIn("hive-scale-node");
        shop("longcomb-fine");
        bench.click("[data-station=stencil]");
        bench.seeText(STENCIL, "182 openings, 152.6 mm²");
        bench.seeText(STENCIL, "Paste leaves every opening");
        Color edge = bench.colorAt(EDGE[0], EDGE[1]);
        bench.type("input[aria-label='Reduce by mm']", "0.25");
        bench.keys(Keys.ENTER);
        bench.until(() -> !bench.see(STENCIL).getText().contains("152.6 mm²"));
        bench.until(() -> !bench.colorAt(EDGE[0], EDGE[1]).equals(edge));
        bench.seeText(STENCIL, "stay as they were");
        bench.seeText(STENCIL, "the paste does not leave a foil of 0.12 mm");
        bench.type("input[aria-label='Reduce by percent']", "twelve");
        bench.keys(Keys.ENTER);
        bench.seeText(STENCIL, "stay as they were");
        bench.hold("z", Keys.CONTROL);
        bench.seeText(STENCIL, "182 openings, 152.6 mm²");
        bench.until(() -> bench.colorAt(EDGE[0], EDGE[1]).equals(edge));
        bench.click("label:has(input) input[type=checkbox]");
        bench.seeText(STENCIL, "stencil-top.dxf");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void theGuideByKeyboardAlone() throws Exception {
        bringIn("joint-box");
        shop("wren-bench");
        bench.click("[data-station=bench]");
        bench.seeText(BENCH, "0 of 23 parts soldered");
        bench.seeText(BENCH, "Step 1 of 13");
        bench.seeText(BENCH, "Mind:");
        bench.keys("nnn");
        bench.seeText(BENCH, "Step 4 of 13");
        bench.seeText(BENCH, "brown black red gold");
        bench.see(BENCH + " svg[role=img][aria-label='brown black red gold']");
        bench.seeText(BENCH, "10.16 mm");
        bench.keys("d");
        bench.seeText(BENCH, "Step 5 of 13");
        bench.seeText(BENCH, "4 of 23 parts soldered");
        bench.keys("N");
        bench.seeText(BENCH, "✓ done");
        bench.type(BENCH + " textarea", "measure them first");
        bench.click("h1");
        bench.press("steps …");
        bench.seeText("[role=dialog]", "note to R1");
        bench.keys(Keys.ESCAPE);
        bench.reload();
        bench.seeText(BENCH, "4 of 23 parts soldered");
        bench.keys("nnn");
        bench.until(
                () ->
                        "measure them first"
                                .equals(bench.see(BENCH + " textarea").getDomProperty("value")));
        bench.drop("[aria-label='Picture of this step']", "leads.png", "none".getBytes(UTF_8));
        bench.seeText(BENCH + " [role=alert]", "neither a PNG nor a JPEG");
        bench.drop("[aria-label='Picture of this step']", "leads.png", Files.readAllBytes(scan()));
        bench.see(BENCH + " img[alt='To R1']");
        bench.keys("n");
        bench.until(() -> bench.all(BENCH + " img").isEmpty());
        bench.press("Lay out");
        bench.seeText(BENCH + " ol", "20 for 5");
        bench.seeText(BENCH, "guide.pdf");
        assertThat(bench.complaints()).filteredOn(c -> !c.contains("409")).isEmpty();
    }

    /** A scan of 10 pixels to the millimetre, a red patch where the radio stands. */
    private Path scan() throws Exception {
        BufferedImage image = new BufferedImage(1000, 800, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(new Color(20, 90, 50));
        g.fillRect(0, 0, 1000, 800);
        g.setColor(Color.RED);
        g.fillRect(500, 300, 100, 100);
        Path file = data.resolve("scan.png");
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    @Test
    void aScanIsLaidUnderTheFilmsAndWhatCameIsHeldAgainstTheCut() throws Exception {
        bringIn("honeycomb-tag");
        shop("wren-bench");
        bench.click("[data-station=bench]");
        bench.press("Received");
        bench.seeText(BENCH, "No cut was made yet");
        Path wrong = data.resolve("notes.png");
        Files.writeString(wrong, "no picture at all");
        bench.upload("input[aria-label='Photograph of the board']", wrong);
        bench.seeText(BENCH + " [role=alert]", "notes.png is no picture");
        bench.upload("input[aria-label='Photograph of the board']", scan());
        bench.seeText("[role=dialog]", "Click where you see");
        int[][] clicks = {{100, 700}, {900, 100}, {100, 100}};
        for (int i = 0; i < clicks.length; i++) {
            bench.clickIn(
                    "canvas[aria-label=Photograph]", clicks[i][0] * 0.76, clicks[i][1] * 0.76);
            bench.seeText("[role=dialog]", "Lay it on the table (" + (i + 1) + ")");
        }
        bench.press("Lay it on the table (3)");
        bench.seeText(BENCH, "scan.png lies on the board; the worst place is 0.00 mm off");
        bench.click("[role=slider][aria-label='Between films and photograph']");
        bench.keys(Keys.END);
        bench.until(() -> bench.anyOnTable(new Color(255, 0, 0)));
        bench.keys(Keys.HOME);
        bench.until(() -> !bench.anyOnTable(new Color(255, 0, 0)));
        bench.press("Take it away");
        bench.until(() -> bench.all("[role=slider][aria-label*=photograph]").isEmpty());
        assertThat(bench.complaints()).isEmpty();
    }
}
