package dev.lastcut.core.formats.drill;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Tools that stand late in a drill file, beside it, or nowhere; paths that go all round. */
class ToolReportTest {
    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Tool report\nT01  0.35 mm  PLATED  88\nT02  1.00 mm  NON-PLATED  4\n",
                "NARZĘDZIE ŚREDNICA (mm) METALIZACJA ILOŚĆ\nT1 0,35 TAK 88\nT2 1,00 NIE 4\n",
                "units: inch\nTool 1: 0.01378 yes 88\nTool 2: 0.03937 no 4\n",
                "T1;0.35mm;pth;88\nT2;1mm;npth;4\n"
            })
    void toolsInTheirHabits(String text) {
        Map<Integer, DrillTool> tools = ToolReport.read(bytes(text));
        assertThat(tools).containsOnlyKeys(1, 2);
        assertThat(tools.get(1).diameterNm()).isBetween(349_900L, 350_100L);
        assertThat(tools.get(2).diameterNm()).isBetween(999_900L, 1_000_100L);
        assertThat(tools.get(1).plated()).contains(true);
        assertThat(tools.get(2).plated()).contains(false);
        assertThat(tools.get(1).count()).hasValue(88);
    }

    @Test
    void whatIsNoReportStatesNoTools() {
        assertThat(ToolReport.read(bytes("T1 is a transformer\nT2 99\nSee T3, 400 pages\n")))
                .isEmpty();
        assertThat(ToolReport.read(bytes("T1 900 mm\n"))).as("no drill is so large").isEmpty();
    }

    private static final String BARE =
            "M48\nMETRIC\n%\nT1\nX1.0Y1.0\nX2.0Y1.0\nT2\nX3.0Y1.0\nM30\n";

    @Test
    void holesWaitForTheirSize() {
        DrillFile open = DrillReader.read("d", bytes(BARE));
        assertThat(open.holes()).isEmpty();
        assertThat(open.unsized().get(1)).hasSize(2);
        assertThat(open.places()).hasSize(3);
        DrillFile known =
                DrillReader.read(
                        "d",
                        bytes(BARE),
                        Optional.empty(),
                        ToolReport.read(bytes("T1 0.3 mm yes\nT2 3.2 mm no\n")));
        assertThat(known.unsized()).isEmpty();
        assertThat(known.mixed()).isTrue();
        assertThat(known.holes())
                .extracting(h -> h.diameter() + " " + h.plated())
                .containsExactly("300000 true", "300000 true", "3200000 false");
    }

    @Test
    void toolsDefinedBehindTheirHoles() {
        DrillFile f = DrillReader.read("d", bytes(BARE.replace("M30", "T1C0.4\nT2C0.9\nM30")));
        assertThat(f.holes())
                .extracting(h -> h.diameter())
                .containsExactly(400_000L, 400_000L, 900_000L);
    }

    /** Two files put together: the second header gives the same number another size. */
    @Test
    void aHeaderForEachOfSeveralParts() {
        String two =
                "M48\nMETRIC\nT1C0.3\n%\nT1\nX1.0Y1.0\nM30\nM48\nMETRIC\nT1C0.8\n%\nT1\nX2.0Y1.0\nM30\n";
        assertThat(DrillReader.read("d", bytes(two)).holes())
                .extracting(h -> h.diameter())
                .containsExactly(300_000L, 800_000L);
    }

    @ParameterizedTest
    @ValueSource(strings = {"NON_PLATED", "non-plated", "NonPlated", "NPTH", "Not plated"})
    void platingInCommentsWithAnySeparator(String words) {
        String text =
                "M48\nMETRIC\n;TYPE=PLATED\nT1C0.3\n;TYPE="
                        + words
                        + "\nT2C3.2\n%\nT1\nX1.0Y1.0\nT2\nX2.0Y1.0\nM30\n";
        assertThat(DrillReader.read("d", bytes(text)).holes())
                .extracting(h -> h.plated())
                .containsExactly(true, false);
    }

    /** A path all round is one, with its arcs; an open one is slots. */
    @Test
    void aRoutedPathThatClosesIsNoSlots() {
        String round =
                "M48\nMETRIC\nT1C2.0\n%\nT1\nG00X1.0Y0.0\nM15\nG01X9.0Y0.0\nG03X10.0Y1.0I0.0J1.0\nG01X10.0Y5.0\nG01X0.0Y5.0\nG01X0.0Y0.0\nG01X1.0Y0.0\nM16\n"
                        + "G00X2.0Y2.0\nM15\nG01X4.0Y2.0\nM16\nG05\nX5.0Y5.0\nM30\n";
        DrillFile f = DrillReader.read("d", bytes(round));
        assertThat(f.routes()).hasSize(1);
        assertThat(f.routes().get(0).path()).hasSize(6);
        assertThat(f.routes().get(0).path().get(0).from()).isEqualTo(Pt.mm(1, 0));
        assertThat(f.holes()).hasSize(2);
        assertThat(f.holes().get(0).isSlot()).isTrue();
        assertThat(f.withRoutesAsSlots().holes().size()).isGreaterThan(7);
    }
}
