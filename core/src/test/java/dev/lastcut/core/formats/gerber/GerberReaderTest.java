package dev.lastcut.core.formats.gerber;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/** Areas and places by hand calculation; commands after the Gerber Layer Format Specification. */
class GerberReaderTest {
    private static final String HEAD = "%FSLAX46Y46*%%MOMM*%";

    private static GerberFile read(String text) {
        return GerberReader.read("t.gbr", text.getBytes(StandardCharsets.UTF_8));
    }

    /** In mm², flattened to 0.01 µm so that only the reader can be wrong. */
    private static double area(GerberFile file) {
        return LayerImage.of(file.features(), new Flattener(10)).area().getArea() / 1e12;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "C,2          | 3.14159265", // πr²
                "C,2X1        | 2.35619449", // less the hole, π/4
                "R,2X3        | 6",
                "R,2X3X1      | 5.21460184",
                "O,3X1        | 2.78539816", // 2 × 1 and a disc of 1
                "O,1X3        | 2.78539816",
                "P,2X6        | 2.59807621", // hexagon in a circle of radius 1: 3√3/2
                "P,2X4X45     | 2",
                "P,2X3X0X0.2  | 1.26762218" // 3√3/4 less π·0.01
            })
    void aperturesHaveTheirAreas(String template, double mm2) {
        GerberFile f = read(HEAD + "%ADD10" + template.strip() + "*%D10*X0Y0D03*M02*");
        assertThat(f.problems()).isEmpty();
        assertThat(area(f)).isCloseTo(mm2, within(2e-5));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1,1,2,0,0,0*                      | 3.14159265",
                "1,1,2,0,0*1,0,1,0,0*              | 2.35619449",
                "20,1,0.5,0,0,4,0,30*              | 2",
                "21,1,2,3,1,1,17*                  | 6",
                "4,1,4,0,0,2,0,2,2,0,2,0,0,0*      | 4",
                "5,1,6,0,0,2,0*                    | 2.59807621",
                // Ring of 2 and 1 cut by a cross of 0.2: four quarter rings each less two bars.
                "7,0,0,2,1,0.2,0*                  | 1.954847",
                "$1=2x(1+0.5)-1*21,1,$1,$1,0,0,0*  | 4"
            })
    void macroPrimitivesHaveTheirAreas(String body, double mm2) {
        GerberFile f = read(HEAD + "%AMT*" + body.strip() + "%%ADD10T*%D10*X0Y0D03*M02*");
        assertThat(f.problems()).isEmpty();
        assertThat(area(f)).isCloseTo(mm2, within(3e-5));
    }

    @Test
    void macroTakesParameters() {
        GerberFile f =
                read(HEAD + "%AMB*21,1,$1,$2,0,0,$3*%%ADD11B,4X0.5X90*%D11*X1000000Y0D03*M02*");
        var e = LayerImage.of(f.features(), Flattener.FINE).area().getEnvelopeInternal();
        assertThat(e.getWidth()).isCloseTo(500_000, within(2.0));
        assertThat(e.getHeight()).isCloseTo(4_000_000, within(2.0));
        assertThat(e.centre().x).isCloseTo(1_000_000, within(2.0));
    }

    @Test
    void strokeCoversItsCapsule() {
        GerberFile f = read(HEAD + "%ADD10C,1*%D10*X0Y0D02*X10000000Y0D01*M02*");
        assertThat(area(f)).isCloseTo(10 + Math.PI / 4, within(2e-5));
    }

    @Test
    void arcsOfBothModesCoverTheirBand() {
        double quarterBand = Math.PI / 2 * 5 * 1 + Math.PI / 4;
        String head = HEAD + "%ADD10C,1*%D10*X5000000Y0D02*";
        GerberFile multi = read(head + "G75*G03*X0Y5000000I-5000000J0D01*M02*");
        GerberFile single = read(head + "G74*G03*X0Y5000000I5000000J0D01*M02*");
        assertThat(area(multi)).isCloseTo(quarterBand, within(5e-5));
        assertThat(area(single)).isCloseTo(quarterBand, within(5e-5));
        GerberFile full = read(head + "G75*G02*X5000000Y0I-5000000J0D01*M02*");
        assertThat(area(full)).isCloseTo(2 * Math.PI * 5, within(5e-5));
    }

    /**
     * By points worked out by hand from the Gerber specification: from (5, 0) to (0, 5) about the
     * origin, 1 mm wide. Against the clock the middle of the arc is (5 cos 45°, 5 sin 45°); with
     * it, the arc is the other three quarters. Its mirror about the chord, (1.464, 1.464), is on
     * neither.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "G75*G03*X0Y5000000I-5000000J0D01* | 3.536 | -3.536",
                "G75*G02*X0Y5000000I-5000000J0D01* | -3.536 | 3.536",
                "G74*G03*X0Y5000000I5000000J0D01*  | 3.536 | -3.536"
            })
    void arcsLieWhereTheyAreDrawn(String arc, double on, double off) {
        GerberFile f = read(HEAD + "%ADD10C,1*%D10*X5000000Y0D02*" + arc.strip() + "M02*");
        assertThat(covers(f, on, on)).isTrue();
        assertThat(covers(f, off, off)).isFalse();
        assertThat(covers(f, 1.464, 1.464)).isFalse();
        // The ends are round, half a millimetre beyond the last places, and no more.
        assertThat(covers(f, 5.45, 0)).isTrue();
        assertThat(covers(f, 5.55, 0)).isFalse();
        assertThat(covers(f, 0, 4.55)).isTrue();
        assertThat(covers(f, 0, 4.45)).isFalse();
    }

    private static boolean covers(GerberFile f, double xMm, double yMm) {
        return !LayerImage.of(f.features(), new Flattener(10))
                .area()
                .intersection(
                        new GeometryFactory().createPoint(new Coordinate(xMm * 1e6, yMm * 1e6)))
                .isEmpty();
    }

    @Test
    void regionWithArcAndCutIn() {
        // A half disc of radius 2.
        GerberFile half =
                read(
                        HEAD
                                + "G36*X-2000000Y0D02*G75*G02*X2000000Y0I2000000J0D01*G01*"
                                + "X-2000000Y0D01*G37*M02*");
        assertThat(area(half)).isCloseTo(2 * Math.PI, within(5e-5));
        // A 10 × 10 square with a 4 × 4 hole reached along a cut-in.
        GerberFile cutIn =
                read(
                        HEAD
                                + "G36*X0Y0D02*G01*X10000000D01*Y10000000D01*X0D01*Y3000000D01*"
                                + "X3000000D01*Y7000000D01*X7000000D01*Y3000000D01*X3000000D01*X0D01*"
                                + "Y0D01*G37*M02*");
        assertThat(area(cutIn)).isCloseTo(84, within(1e-6));
    }

    @Test
    void clearErasesOnlyWhatWasDrawnBefore() {
        GerberFile f =
                read(
                        HEAD
                                + "%ADD10R,4X4*%%ADD11R,2X2*%%ADD12R,1X1*%D10*X0Y0D03*%LPC*%D11*"
                                + "X0Y0D03*%LPD*%D12*X0Y0D03*M02*");
        assertThat(area(f)).isCloseTo(16 - 4 + 1, within(1e-9));
    }

    @Test
    void stepRepeatAndBlocksMultiply() {
        GerberFile sr =
                read(HEAD + "%ADD10R,1X1*%%SRX3Y2I2J3*%D10*X0Y0D03*%SR*%X20000000Y0D03*M02*");
        assertThat(sr.features()).hasSize(7);
        assertThat(((Feature.Flash) sr.features().get(5)).at()).isEqualTo(Pt.mm(4, 3));
        GerberFile block =
                read(
                        HEAD
                                + "%ADD10R,1X1*%%ABD12*%D10*X1000000Y0D03*%AB*%D12*%LR90*%"
                                + "X10000000Y0D03*%LMX*%%LR0*%X0Y10000000D03*M02*");
        assertThat(((Feature.Flash) block.features().get(0)).at()).isEqualTo(Pt.mm(10, 1));
        assertThat(((Feature.Flash) block.features().get(1)).at()).isEqualTo(Pt.mm(-1, 10));
    }

    @ParameterizedTest
    @CsvSource({
        "%FSLAX24Y24*%%MOIN*%, X15000Y-500, 38.1, -1.27", // 1.5 in, -0.05 in
        "%FSTAX24Y24*%%MOIN*%, X015Y-0005, 38.1, -1.27", // trailing zeros left out
        "%FSLAX33Y33*%%MOMM*%, X38100Y-1270, 38.1, -1.27",
        "%FSLAX46Y46*%G70*, X1500000Y-50000, 38.1, -1.27",
        "%FSLAX46Y46*%%MOIN*%, X1.5Y-.05, 38.1, -1.27" // an explicit point wins
    })
    void numbersInEveryUsualManner(String head, String place, double x, double y) {
        GerberFile f = read(head + "%ADD10C,0.1*%D10*" + place + "D03*M02*");
        assertThat(((Feature.Flash) f.features().get(0)).at()).isEqualTo(Pt.mm(x, y));
    }

    @Test
    void attributesOfFileApertureAndObject() {
        GerberFile f =
                read(
                        "G04 #@! TF.FileFunction,Copper,L1,Top*"
                                + HEAD
                                + "%TA.AperFunction,SMDPad,CuDef*%%ADD10C,1*%%TD*%%TO.N,VCC*%"
                                + "%TO.P,U1,14*%D10*X0Y0D03*%TD.N*%X0Y0D03*M02*");
        assertThat(f.fileFunction()).contains("Copper,L1,Top");
        var a = f.features().get(0).attributes();
        assertThat(a.function()).isEqualTo("SMDPad");
        assertThat(a.net()).isEqualTo("VCC");
        assertThat(a.component() + "." + a.pin()).isEqualTo("U1.14");
        assertThat(f.features().get(1).attributes().net()).isEmpty();
    }

    @Test
    void lowerCaseMissingEndAndCarriageReturns() {
        GerberFile f = read("%fslax46y46*%\r%momm*%\r%add10c,1*%\rd10*\rx0y0d03*\rx1000000*\r");
        assertThat(f.features()).hasSize(2);
        assertThat(f.problems())
                .singleElement()
                .satisfies(p -> assertThat(p.code()).isEqualTo(Problem.Code.TRUNCATED));
    }

    @Test
    void problemsCarryTheirLine() {
        GerberFile f =
                read(HEAD + "\n%ADD10C,1*%\nD10*\nX0Y0D03*\nHELLO WORLD*\nD77*\nX1Y1D03*\nM02*\n");
        assertThat(f.problems())
                .extracting(p -> p.code() + " " + p.line())
                .containsExactly("UNKNOWN_COMMAND 5", "UNDEFINED_APERTURE 6");
        assertThat(f.features()).hasSize(1);
    }

    @Test
    void textIsNotGerber() {
        assertThat(read("Dear shop, please make ten of these.").looksLikeGerber()).isFalse();
    }
}
