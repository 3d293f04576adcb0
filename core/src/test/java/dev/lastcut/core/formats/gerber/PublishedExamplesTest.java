package dev.lastcut.core.formats.gerber;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.geometry.Flattener;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

/**
 * Examples in the manner of those that the published Gerber Layer Format Specification prints, set
 * down from memory; the areas are by hand calculation. Deprecated forms after its chapter on them.
 */
class PublishedExamplesTest {
    private static GerberFile read(String text) {
        return GerberReader.read("t.gbr", text.getBytes(StandardCharsets.UTF_8));
    }

    private static double mm2(GerberFile f) {
        return LayerImage.of(f.features(), new Flattener(20)).area().getArea() / 1e12;
    }

    @Test
    void twoSquareBoxes() {
        GerberFile f =
                read(
                        """
                        G04 Two square boxes*
                        %FSLAX26Y26*%
                        %MOMM*%
                        %TF.Part,Other,example*%
                        %LPD*%
                        %ADD10C,0.010*%
                        D10*
                        X0Y0D02*
                        G01*
                        X5000000Y0D01*
                        Y5000000D01*
                        X0D01*
                        Y0D01*
                        X6000000D02*
                        X11000000D01*
                        Y5000000D01*
                        X6000000D01*
                        Y0D01*
                        M02*
                        """);
        assertThat(f.problems()).isEmpty();
        assertThat(f.features()).hasSize(8);
        // Each box: four bands of 5 × 0.01 and round corners; inside corners overlap.
        double corner = 0.01 * 0.01 - (0.005 * 0.005) * (1 - Math.PI / 4);
        double box = 4 * (5 - 0.01) * 0.01 + 4 * corner;
        assertThat(mm2(f)).isCloseTo(2 * box, within(1e-5));
    }

    @Test
    void regionsCutInsAndPolarityLevels() {
        GerberFile f =
                read(
                        """
                        %FSLAX24Y24*%
                        %MOMM*%
                        G01*
                        %LPD*%
                        G36*
                        X0Y0D02*
                        X100000D01*
                        Y100000D01*
                        X0D01*
                        Y0D01*
                        G37*
                        %LPC*%
                        G36*
                        X10000Y50000D02*
                        X50000D01*
                        Y90000D01*
                        X10000D01*
                        Y50000D01*
                        G37*
                        %LPD*%
                        %ADD10C,2*%
                        D10*
                        X30000Y70000D03*
                        %LPC*%
                        %ADD11C,1*%
                        D11*
                        X30000Y70000D03*
                        M02*
                        """);
        assertThat(f.problems()).isEmpty();
        assertThat(mm2(f)).isCloseTo(100 - 16 + Math.PI * (1 - 0.25), within(1e-4));
    }

    @Test
    void deprecatedFormsMeanWhatTheyMeant() {
        String modern =
                "%FSLAX46Y46*%%MOMM*%%ADD10C,1*%D10*X2540000Y5080000D02*G01*X7620000Y5080000D01*"
                        + "X7620000Y7620000D01*X2540000Y7620000D03*M02*";
        String[] old = {
            // Unit by G70, tool by G54, words joined, operation codes left out.
            "%FSLAX24Y24*%G70*%ADD10C,0.0393700787*%G54D10*X1000Y2000D02*G01X3000D01*Y3000*"
                    + "X1000D03*M02*",
            // Trailing zeros left out.
            "%FSTAX23Y23*%%MOIN*%%ADD10C,0.0393700787*%D10*X001Y002D02*G01*X003Y002D01*X003Y003D01*"
                    + "X001Y003D03*M02*",
            // Incremental.
            "%FSLIX46Y46*%%MOMM*%%ADD10C,1*%D10*X2540000Y5080000D02*G01*X5080000Y0D01*"
                    + "X0Y2540000D01*X-5080000Y0D03*M02*",
            // Incremental by word, lower case, line ends of every kind, no end.
            "%fslax46y46*%\r\n%momm*%\r%add10c,1*%\ng91*\nd10*x2540000y5080000d02*g01*x5080000d01*"
                    + "y2540000d01*x-5080000d03*m02*",
            // A mirrored, shifted image.
            "%FSLAX46Y46*%%MOMM*%%MIA1B0*%%OFA10B0*%%ADD10C,1*%D10*X7460000Y5080000D02*"
                    + "X2380000D01*Y7620000D01*X7460000D03*M02*",
            // Axes exchanged.
            "%FSLAX46Y46*%%MOMM*%%ASAYBX*%%ADD10C,1*%D10*X5080000Y2540000D02*Y7620000D01*"
                    + "X7620000D01*Y2540000D03*M02*",
            // Turned by half about the origin.
            "%FSLAX46Y46*%%MOMM*%%IR180*%%ADD10C,1*%D10*X-2540000Y-5080000D02*X-7620000D01*"
                    + "Y-7620000D01*X-2540000D03*M02*",
            // Scaled places, apertures as they are.
            "%FSLAX46Y46*%%MOMM*%%SFA2B2*%%ADD10C,1*%D10*X1270000Y2540000D02*X3810000D01*"
                    + "Y3810000D01*X1270000D03*M02*"
        };
        var expected = LayerImage.of(read(modern).features(), Flattener.FINE).area();
        for (String text : old) {
            var found = LayerImage.of(read(text).features(), Flattener.FINE).area();
            assertThat(expected.symDifference(found).getArea() / 1e12).as(text).isLessThan(1e-4);
        }
    }

    @Test
    void deprecatedImageCommandsAreSaid() {
        GerberFile f = read("%FSLAX46Y46*%%MOMM*%%IPNEG*%%ADD10C,1*%D10*X0Y0D03*M02*");
        assertThat(f.negative()).isTrue();
        assertThat(f.problems()).singleElement().extracting("text").asString().contains("IPNEG");
    }
}
