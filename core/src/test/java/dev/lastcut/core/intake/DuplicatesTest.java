package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Problem;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files that hold the same, however they are written; and such as differ in one thing alone. */
class DuplicatesTest {
    private static final String HEAD = "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\n%ADD11C,2*%\nD10*\n";
    private static final String AREA =
            "G36*\nX0Y0D02*\nX5000000Y0D01*\nX5000000Y5000000D01*\nX0Y0D01*\nG37*\n";

    private final Map<String, Reading> readings = new LinkedHashMap<>();

    private void put(String path, String text) {
        readings.put(
                path, Reading.of(path, text.replace('|', '\n').getBytes(StandardCharsets.UTF_8)));
    }

    private Map<String, String> copies() {
        return Duplicates.find(readings).originals();
    }

    /** The same in another order, then something else in the place of a piece of it. */
    @ParameterizedTest
    @CsvSource({
        "X0Y0D03*, X7000000Y0D03*, X0Y0D03*, X7000000Y1000D03*",
        "X0Y0D03*, D11*|X7000000Y0D03*|D10*, X0Y0D03*, X7000000Y0D03*",
        "X0Y0D03*, X7000000Y0D03*, %LPC*%|X0Y0D03*|%LPD*%, X7000000Y0D03*",
        "X0Y0D02*|X9000000Y0D01*, X0Y5000000D03*, X9000000Y0D02*|X0Y1000D01*, X0Y5000000D03*",
        "X0Y0D02*|X9000000Y0D01*, X0Y5000000D03*, D11*|X0Y0D02*|X9000000Y0D01*|D10*,"
                + " X0Y5000000D03*"
    })
    void picturesInAnyOrder(String a, String b, String otherA, String otherB) {
        put("first", HEAD + a + "|" + b + "|M02*\n");
        put("second", HEAD + b + "|" + a + "|M02*\n");
        put("third", HEAD + otherA + "|" + otherB + "|M02*\n");
        assertThat(copies()).containsExactlyEntriesOf(Map.of("second", "first"));
        assertThat(Duplicates.find(readings).problems())
                .singleElement()
                .satisfies(
                        p -> {
                            assertThat(p.code()).isEqualTo(Problem.Code.DUPLICATE_FILE);
                            assertThat(p.file()).isEqualTo("second");
                            assertThat(p.text()).isEqualTo("holds exactly what first holds");
                        });
    }

    @Test
    void areasAndALineDrawnTheOtherWay() {
        put("a", HEAD + AREA + "X0Y0D02*\nX9000000Y0D01*\nM02*\n");
        put("b", HEAD + "X9000000Y0D02*\nX0Y0D01*\n" + AREA + "M02*\n");
        put("c", HEAD + "X9000000Y0D02*\nX0Y0D01*\n" + AREA.replace("5", "6") + "M02*\n");
        put("d", HEAD + AREA + AREA + "M02*\n");
        assertThat(copies()).containsExactlyEntriesOf(Map.of("b", "a"));
    }

    @ParameterizedTest
    @CsvSource({
        // Holes: another place, another tool, one hole fewer.
        "M48|METRIC|T1C0.8|T2C1.0|%|, T1|X1.0Y1.0|, T1|X2.0Y1.0|, M30, T1|X2.0Y1.1|",
        "M48|METRIC|T1C0.8|T2C1.0|%|, T1|X1.0Y1.0|, T1|X2.0Y1.0|, M30, T2|X2.0Y1.0|",
        "M48|METRIC|T1C0.8|T2C1.0|%|, T1|X1.0Y1.0|, T1|X2.0Y1.0|, M30, ''",
        // Parts lists: another value. Placements: turned, on the other side, elsewhere.
        "'Designator,Value|', 'R1,1k|', 'R2,2k|', '', 'R2,3k|'",
        "'Designator,X,Y,Rotation,Side|', 'R1,1,1,0,Top|', 'R2,3,3,0,Top|', '', 'R2,3,3,90,Top|'",
        "'Designator,X,Y,Rotation,Side|', 'R1,1,1,0,Top|', 'R2,3,3,0,Top|', '', 'R2,3,3,0,Bottom|'",
        "'Designator,X,Y,Rotation,Side|', 'R1,1,1,0,Top|', 'R2,3,3,0,Top|', '', 'R2,3,4,0,Top|'"
    })
    void tablesAndHolesInAnyOrder(String head, String a, String b, String end, String other) {
        put("first", head + a + b + end);
        put("second", head + b + a + end);
        put("third", head + a + other + end);
        assertThat(copies()).containsExactlyEntriesOf(Map.of("second", "first"));
    }

    @Test
    void netlistsAndWhatIsEmpty() {
        String units = "P  UNITS CUST 1\n";
        String gnd = "327GND           U1    -1         A01X+000100Y+000100X0500Y0500R000 S0\n";
        put("first", units + gnd + gnd.replace("GND", "VCC").replace("-1 ", "-2 ") + "999\n");
        put("second", units + gnd.replace("GND", "VCC").replace("-1 ", "-2 ") + gnd + "999\n");
        put("third", units + gnd + gnd.replace("GND", "VDD").replace("-1 ", "-2 ") + "999\n");
        put("empty 1", HEAD + "M02*\n");
        put("empty 2", HEAD + "M02*\n");
        put("text 1.txt", "hello");
        put("text 2.txt", "hello");
        assertThat(copies()).containsExactlyEntriesOf(Map.of("second", "first"));
    }
}
