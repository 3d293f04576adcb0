package dev.lastcut.core.formats.drill;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DrillReaderTest {
    private static DrillFile read(String text) {
        return DrillReader.read("t.drl", text.getBytes(StandardCharsets.UTF_8));
    }

    /** The same hole of 0.8 mm at (38.1, 6.35) mm in every usual manner. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "M48;METRIC;T1C0.8;%;T1;X38.1Y6.35;M30",
                "M48;METRIC,TZ;T1C0.800;%;T1;X38100Y6350;M30",
                "M48;METRIC,LZ;T1C0.8;%;T1;X0381Y00635;M30",
                "M48;METRIC,TZ,000.00;T1C0.8;%;T1;X3810Y635;M30",
                "M48;INCH,TZ;T1C0.031496;%;T1;X15000Y2500;M30",
                "M48;INCH,LZ;T1C0.031496;%;T1;X015Y0025;M30",
                "M48;M71;;T01F00S00C0.8;%;G05;T01;X38.1Y6.35;M30",
                "%;T1C0.8;X38.1Y6.35;M30"
            })
    void dialects(String lines) {
        DrillFile f = read(lines.replace(';', '\n'));
        assertThat(f.holes()).singleElement();
        Hole h = f.holes().get(0);
        assertThat(h.from()).isEqualTo(Pt.mm(38.1, 6.35));
        assertThat(Math.abs(h.diameter() - 800_000)).isLessThan(20);
    }

    /**
     * Zeros left out at the end say nothing of how fine a file is: 68.8 may be 68.800. Where they
     * are written, they do.
     */
    @ParameterizedTest
    @CsvSource({
        "METRIC, X68.8Y34.7, X60.5Y53.3, 1000",
        "METRIC, X68.80Y34.70, X60.55Y53.31, 10000",
        "METRIC, X68.8Y34.7125, X60.5Y53.3, 100",
        "INCH, X1.025Y2.5, X1.1Y0.3, 2540",
        "INCH, X1.025Y2.500, X1.100Y0.300, 25400"
    })
    void howFineAFileIsFollowsFromItsNumbers(String unit, String a, String b, double nm) {
        DrillFile f = read(String.join("\n", "M48", unit, "T1C0.03", "%", "T1", a, b, "M30"));
        assertThat(f.stepNm()).isEqualTo(nm);
    }

    @Test
    void slotsRepeatsAndPlating() {
        DrillFile f =
                read(
                        """
                        M48
                        ; #@! TF.FileFunction,NonPlated,1,2,NPTH
                        METRIC
                        T1C1.0
                        %
                        T1
                        X1.0Y1.0
                        R3X2.0
                        X0.0Y10.0G85X5.0Y10.0
                        G00X0.0Y20.0
                        M15
                        G01X0.0Y25.0
                        M16
                        G05
                        X9.0Y9.0
                        M30
                        """);
        assertThat(f.plated()).contains(false);
        assertThat(f.holes()).hasSize(7).allMatch(h -> !h.plated());
        assertThat(f.holes().get(3).from()).isEqualTo(Pt.mm(7, 1));
        assertThat(f.holes().stream().filter(Hole::isSlot).map(Hole::to))
                .containsExactly(Pt.mm(5, 10), Pt.mm(0, 25));
        assertThat(f.problems()).isEmpty();
    }

    @Test
    void noHeaderIsSaidAndReadByAnAssumedFormat() {
        String text = "T1C0.8\nX015000Y002500\nM30\n";
        DrillFile guessed = read(text);
        assertThat(guessed.formatStated()).isFalse();
        assertThat(guessed.problems())
                .extracting(Problem::code)
                .contains(Problem.Code.FORMAT_GUESSED);
        DrillFile inch =
                DrillReader.read(
                        "t.drl",
                        text.getBytes(StandardCharsets.UTF_8),
                        java.util.Optional.of(DrillFormat.INCH));
        assertThat(inch.holes().get(0).from()).isEqualTo(Pt.mm(38.1, 6.35));
    }

    @Test
    void holesWithoutToolAreReportedWithTheirLine() {
        DrillFile f = read("M48\nMETRIC\n%\nT5\nX1.0Y1.0\nX2.0Y1.0\nM30\n");
        assertThat(f.holes()).isEmpty();
        assertThat(f.problems())
                .extracting(p -> p.code() + " " + p.line())
                .containsExactly("UNDEFINED_TOOL 5");
    }

    @Test
    void writtenAndReadAgainToTheNanometre() {
        Random r = new Random(42);
        List<Hole> holes = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            Pt at = new Pt(r.nextInt(200_000_000) - 50_000_000, r.nextInt(100_000_000));
            Pt to = i % 5 == 0 ? at.plus(new Pt(r.nextInt(3_000_000) + 1, 0)) : at;
            holes.add(new Hole(at, to, Length.mm(0.3 + 0.1 * (i % 7)), true, "t", 1));
        }
        DrillFile read = DrillReader.read("t", DrillWriter.write(holes, true, 2));
        assertThat(read.problems()).isEmpty();
        assertThat(read.plated()).contains(true);
        assertThat(read.holes().stream().map(DrillReaderTest::key).sorted())
                .containsExactlyElementsOf(
                        holes.stream().map(DrillReaderTest::key).sorted().toList());
    }

    private static String key(Hole h) {
        return h.from() + " " + h.to() + " " + h.diameter();
    }
}
