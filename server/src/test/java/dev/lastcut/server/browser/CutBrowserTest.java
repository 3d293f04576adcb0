package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.api.Packs;
import dev.lastcut.server.jobs.OutputService;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** From the order to two cuts, to whom one went, what differs, and a zip that was tampered with. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class CutBrowserTest extends BrowserTest {
    @TempDir static Path data;
    @Autowired OutputService outputs;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    @Test
    void aCutIsOrderedHandedOverComparedAndKnownAgain() throws Exception {
        bringInFor("waggle-quick", "joint-box");
        bench.see("[data-option=finish]");
        String before = bench.see("[aria-label=Quote]").getText();
        assertThat(before).contains("5 boards, lot of up to 5", "26.00 EUR", "Carriage: parcel");
        bench.click("[data-station=cut]");
        bench.press("Make the cut");
        bench.seeText("ul[aria-label=Cuts]", "Cut 1");

        bench.click("[data-station=shop]");
        bench.click("button[aria-label=Finish]");
        bench.option("silver · +21.60 EUR");
        bench.seeText("[aria-label=Quote]", "Finish: silver");
        bench.click("[data-station=cut]");
        bench.press("Make the cut");
        bench.seeText("ul[aria-label=Cuts]", "Cut 2");

        bench.click("ul[aria-label=Cuts] li button");
        bench.type("input[aria-label='To whom']", "Waggle, by their form");
        bench.type("input[aria-label=Note]", "ask about the edge");
        bench.press("Note it");
        bench.seeText("[data-handed='2']", "Waggle, by their form");
        bench.reload();
        bench.seeText("[data-handed='2']", "ask about the edge");

        bench.click("button[aria-label='Earlier cut']");
        bench.option("cut 1");
        bench.seeText("section[aria-label=Difference]", "finish silver");
        bench.seeText("section[aria-label=Difference]", "layers, holes and parts are the same");
        bench.seeText("ul[aria-label='Files that differ']", "fabrication/job.gbrjob");

        byte[] zip = outputs.cutZip(job(), 2);
        bench.drop("[data-verify]", "joint-box-cut-2.zip", zip);
        bench.seeText("[data-whole=true]", "byte for byte as it is kept here");
        bench.drop(
                "[data-verify]",
                "from-mail.zip",
                Packs.edit(zip, n -> n.endsWith("outline.gbr"), t -> t + "G04 x*\n"));
        bench.seeText("[data-whole=false]", "fabrication/outline.gbr was changed");
    }

    private long job() {
        return Long.parseLong(bench.path().split("/")[2]);
    }

    /**
     * A review is signed by name, taken back and undone; carriage is chosen; the shop gets parcels.
     */
    @Test
    void reviewsAreSignedOffAndParcelsAreThere() throws Exception {
        bringInFor("waggle-quick", "joint-box");
        bench.click("button[aria-label='Parts fitted']");
        bench.optionBeginning("top");
        bench.seeText("[aria-label=Quote]", "Parts and their fitting");
        bench.click("button[aria-label=Carriage]");
        bench.optionBeginning("courier · +11.60 EUR, −1 day");
        bench.seeText("[aria-label=Quote]", "Carriage: courier, 1 day");
        bench.click("[data-station=cut]");
        bench.seeText("[data-review=parts]", "2 lines of the parts list with problems");
        bench.seeText("[data-next]", "Review");
        bench.type("input[name=reviewed-by]", "Ada");
        bench.click("[data-review=parts] button:last-of-type");
        bench.seeText("[data-review=parts]", "reviewed by Ada");
        bench.reload();
        bench.seeText("[data-review=parts]", "reviewed by Ada");
        bench.click("[data-review=parts] button:last-of-type");
        bench.seeText("[data-review=parts]", "not reviewed yet");
        bench.press("Undo");
        bench.seeText("[data-review=parts]", "reviewed by Ada");

        bench.press("Make the cut");
        bench.seeText("[aria-label='Parcels of cut 1']", "board.zip");
        bench.seeText("[aria-label='Parcels of cut 1']", "list.csv");
        assertThat(outputs.cutFile(job(), 1, "parcels/list.csv"))
                .isEqualTo(outputs.cutFile(job(), 1, "assembly/parts.csv"));
        assertThat(new String(outputs.cutFile(job(), 1, "report.json"), StandardCharsets.UTF_8))
                .contains("\"by\" : \"Ada\"");
    }
}
