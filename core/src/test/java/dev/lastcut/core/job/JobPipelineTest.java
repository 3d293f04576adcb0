package dev.lastcut.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.TestMills;
import dev.lastcut.core.report.CheckReport;
import dev.lastcut.core.report.HtmlReport;
import dev.lastcut.core.report.PdfReport;
import dev.lastcut.core.ticket.Ticket;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The whole way, on packs that nobody here drew. */
class JobPipelineTest {
    private static Pack pack(String name) throws Exception {
        try (InputStream in =
                JobPipelineTest.class.getResourceAsStream("/packs/" + name + ".zip")) {
            return PackReader.fromZip(name + ".zip", in.readAllBytes());
        }
    }

    private static CapabilitySheet sheet(boolean mill) {
        CapabilitySheet house =
                TestBoards.house(
                        Map.of(
                                LimitKey.CLEARANCE, 0.25,
                                LimitKey.TRACK_WIDTH, 0.3,
                                LimitKey.COPPER_TO_EDGE, 0.5,
                                LimitKey.MASK_DAM, 0.12));
        return !mill
                ? house
                : new CapabilitySheet(
                        "test-mill",
                        "Test mill",
                        CapabilitySheet.Kind.MILL,
                        "",
                        house.limits(),
                        2,
                        false,
                        Map.of(),
                        List.of(),
                        house.price(),
                        Optional.of(
                                TestMills.mill(
                                        TestMills.flat(0.8),
                                        TestMills.V,
                                        TestMills.drill(0.9),
                                        TestMills.flat(2))));
    }

    /** Every file and every page of the report, as text that can be compared. */
    private static Map<String, String> made(String pack, boolean mill) throws Exception {
        JobPipeline.Product p = JobPipeline.all(pack(pack), sheet(mill), Ticket.BLANK);
        Map<String, String> all = new TreeMap<>();
        for (OutputFile f : p.outputs().files()) {
            all.put(f.path(), new String(f.content(), StandardCharsets.ISO_8859_1));
        }
        CheckReport report =
                new CheckReport("b", "t", List.of(), p.geometry(), p.run(), p.signOffs());
        all.put("html", new String(HtmlReport.write(report), StandardCharsets.UTF_8));
        all.put("pdf", new String(PdfReport.write(report), StandardCharsets.ISO_8859_1));
        return all;
    }

    /**
     * Read anew, all objects are others, and so is the order in which sets of them are gone
     * through: just as in another run of the program. What is written must not show it.
     */
    @ParameterizedTest
    @ValueSource(strings = {"p02_extensions_macros", "p05_letters_four", "p07_mill_single"})
    void whatIsMadeTwiceIsTheSameToTheByte(String name) throws Exception {
        boolean mill = name.contains("mill");
        Map<String, String> first = made(name, mill);
        assertThat(first.keySet().stream().filter(f -> f.endsWith(".nc")).findAny().isPresent())
                .isEqualTo(mill);
        Map<String, String> again = made(name, mill);
        assertThat(again.keySet()).isEqualTo(first.keySet());
        first.forEach((path, text) -> assertThat(again.get(path)).as(path).isEqualTo(text));
    }

    @Test
    void aTicketThatNamesWhatIsNotThereIsRefusedWithEachOfIt() throws Exception {
        Pack pack = pack("p07_mill_single");
        Ticket ticket =
                Ticket.BLANK
                        .with(
                                d ->
                                        d.files =
                                                d.files.withRole(
                                                        "none.gbr", Optional.of(Role.OUTLINE)))
                        .withMill(MillSetup.USUAL.withTools(List.of("chisel")));
        assertThatThrownBy(() -> JobPipeline.all(pack, sheet(false), ticket))
                .hasMessageContaining("roles.none.gbr");
        Ticket tools = Ticket.BLANK.withMill(ticket.mill());
        assertThatThrownBy(() -> JobPipeline.all(pack, sheet(true), tools))
                .hasMessageContaining("mill.tools.chisel: the rack of Test mill");
    }
}
