package dev.lastcut.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.drill.DrillReader;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.formats.gerber.GerberWriter;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.print.PaperPages;
import dev.lastcut.core.stencil.StencilPlan;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TimeZone;
import org.apache.pdfbox.Loader;
import org.junit.jupiter.api.Test;

class StampTest {
    private static final String AT = "2026-03-01T12:34:56Z";

    private static List<OutputFile> outputs() {
        var board =
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .round(10, 10, 1)
                        .outline(0, 0, 30, 20)
                        .hole(10, 10, 0.5, true)
                        .board();
        return OutputSet.make(
                        new BoardGeometry(board),
                        TestBoards.house(Map.of(LimitKey.CLEARANCE, 0.15)),
                        MillSetup.USUAL,
                        Map.of(),
                        PartsPlan.NONE,
                        StencilPlan.AS_DRAWN,
                        Order.USUAL,
                        Optional.empty())
                .files();
    }

    /** What a Gerber file shows, written anew: without the lines it stands in. */
    private static String again(OutputFile f) {
        var features = GerberReader.read(f.path(), f.content()).features();
        return new String(GerberWriter.write(Map.of(), features), StandardCharsets.UTF_8);
    }

    /** ".CreationDate", Gerber layer format specification 2024.05, 5.6.6 (from memory). */
    @Test
    void gerberAndDrillFilesSayWhenTheyWereMadeAndReadAsBefore() {
        int stamped = 0;
        for (OutputFile f : outputs()) {
            OutputFile with = Stamp.on(f, AT);
            String before = new String(f.content(), StandardCharsets.UTF_8);
            String after = new String(with.content(), StandardCharsets.UTF_8);
            if (f.path().endsWith(".gbr")) {
                assertThat(after.replace("%TF.CreationDate," + AT + "*%\n", "")).isEqualTo(before);
                assertThat(again(with)).isEqualTo(again(f));
            } else if (f.path().endsWith(".xnc")) {
                assertThat(after.replace("; #@! TF.CreationDate," + AT + "\n", ""))
                        .isEqualTo(before);
                assertThat(DrillReader.read(with.path(), with.content()).holes())
                        .usingRecursiveFieldByFieldElementComparatorIgnoringFields("line")
                        .isEqualTo(DrillReader.read(f.path(), f.content()).holes());
            } else if (f.path().endsWith(".gbrjob")) {
                JsonObject root = JsonParser.parseString(after).getAsJsonObject();
                assertThat(root.getAsJsonObject("Header").remove("CreationDate").getAsString())
                        .isEqualTo(AT);
                assertThat(root).isEqualTo(JsonParser.parseString(before));
            } else if (f.path().endsWith(".pdf")) {
                continue;
            } else {
                assertThat(after).isEqualTo(before);
                continue;
            }
            assertThat(after).isNotEqualTo(before);
            stamped++;
        }
        assertThat(stamped).isGreaterThanOrEqualTo(4);
    }

    @Test
    void pdfCarriesTheTimeWhereverItIsMade() throws Exception {
        byte[] plain;
        try (PaperPages pages = new PaperPages("a board")) {
            pages.line(pages.plain(), 10, 50, "hello");
            plain = pages.bytes();
        }
        OutputFile file = new OutputFile("report.pdf", plain, "a report");
        byte[] here = Stamp.on(file, AT).content();
        TimeZone zone = TimeZone.getDefault();
        try {
            TimeZone.setDefault(TimeZone.getTimeZone("Pacific/Auckland"));
            assertThat(Stamp.on(file, AT).content()).isEqualTo(here);
        } finally {
            TimeZone.setDefault(zone);
        }
        try (var document = Loader.loadPDF(here)) {
            assertThat(document.getDocumentInformation().getCreationDate().toInstant())
                    .hasToString(AT);
        }
    }
}
