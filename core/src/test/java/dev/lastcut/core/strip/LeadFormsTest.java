package dev.lastcut.core.strip;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LeadFormsTest {
    /** Names as layout programs and lists write them. */
    @ParameterizedTest
    @CsvSource({
        "AXIAL-0.4, R1, 2, AXIAL, 2",
        "R_Axial_DIN0207_L6.3mm_D2.5mm_P10.16mm_Horizontal, R1, 2, AXIAL, 2",
        "DO-41, D1, 2, AXIAL, 2",
        "CP_Radial_D6.3mm_P2.50mm, C1, 2, RADIAL, 2",
        "C_Disc_D5.0mm_W2.5mm_P5.00mm, C1, 2, RADIAL, 2",
        "LED_D5.0mm, D1, 2, RADIAL, 2",
        "DIP-8_W7.62mm, U1, 8, FIXED, 8",
        "14-DIP, U1, 14, FIXED, 14",
        "PDIP16, U1, 16, FIXED, 16",
        "TO-92_Inline, Q1, 3, FIXED, 3",
        "TO-220-3_Vertical, U1, 3, FIXED, 3",
        "PinHeader_1x04_P2.54mm_Vertical, J1, 4, FIXED, 4",
        "HDR2X5, J1, 10, FIXED, 10",
        "TerminalBlock_1x02_P5.08mm, J1, 2, FIXED, 2"
    })
    void namesTellTheLeads(
            String name, String designator, int pins, LeadForm.Kind kind, int leads) {
        LeadForm form = LeadForms.of(name, designator, pins).orElseThrow();
        assertThat(form.kind()).isEqualTo(kind);
        assertThat(form.leads()).isEqualTo(leads);
    }

    @ParameterizedTest
    @CsvSource({"0603, R1, 2", "QFN-16, U1, 16", "SOIC-8, U1, 8", "PinHeader_1x04_P2.00mm, J1, 4"})
    void whatHasNoLeadsForTheGridIsNotGuessed(String name, String designator, int pins) {
        assertThat(LeadForms.of(name, designator, pins)).isEmpty();
    }

    /** JEDEC MS-001: pins count down one row and up the other, rows 7.62 mm apart (from memory). */
    @Test
    void aDualInLinePackageCountsDownAndUpAgain() {
        LeadForm dip = LeadForms.of("DIP-8", "U1", 8).orElseThrow();
        assertThat(dip.feet())
                .containsExactly(
                        new GridHole(0, 0),
                        new GridHole(1, 0),
                        new GridHole(2, 0),
                        new GridHole(3, 0),
                        new GridHole(3, 3),
                        new GridHole(2, 3),
                        new GridHole(1, 3),
                        new GridHole(0, 3));
    }

    /** However a part is turned its leads fit, and its body keeps its size and its place. */
    @Test
    void turnedPartsFitAndTheirBodiesTurnWithThem() {
        StripCircuit circuit =
                StripCircuits.circuit("U1=x/DIP-8 R1=1k/AXIAL\nA: U1.1 R1.1\nB: U1.8 R1.2\n");
        StripPart dip = circuit.parts().get("U1");
        double area = -1;
        for (int quarters = 0; quarters < 4; quarters++) {
            Map<String, GridHole> pins = new LinkedHashMap<>();
            for (int i = 0; i < 8; i++) {
                GridHole foot = BodyBox.turned(dip.form().orElseThrow().feet().get(i), quarters);
                pins.put(dip.pins().get(i), foot.plus(10, 10));
            }
            StripPlan.Placed placed = new StripPlan.Placed(pins, false, false);
            assertThat(BodyBox.reaches(dip, placed)).isTrue();
            var body = BodyBox.of(dip, placed, 2.54).orElseThrow();
            assertThat(area < 0 || Math.abs(body.getArea() - area) < 1e-6).isTrue();
            area = body.getArea();
            // Its middle is the middle of its leads.
            double x = pins.values().stream().mapToInt(GridHole::hole).average().orElseThrow();
            double y = pins.values().stream().mapToInt(GridHole::strip).average().orElseThrow();
            assertThat(body.getCentroid().getX()).isEqualTo(x * 2.54, within());
            assertThat(body.getCentroid().getY()).isEqualTo(y * 2.54, within());
        }
        Map<String, GridHole> mirrored = new LinkedHashMap<>();
        for (int i = 0; i < 8; i++) {
            GridHole foot = dip.form().orElseThrow().feet().get(i);
            mirrored.put(dip.pins().get(i), new GridHole(foot.strip(), 3 - foot.hole()));
        }
        assertThat(BodyBox.reaches(dip, new StripPlan.Placed(mirrored, false, false)))
                .as("no part can be put in from below")
                .isFalse();
    }

    private static Offset<Double> within() {
        return Offset.offset(1e-6);
    }
}
