package dev.lastcut.core.intake.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.geometry.Flattener;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Damaged files of every format: no reader throws, hangs, or reports without a file and a line. */
class ReaderFuzzTest {
    private static final int ROUNDS = 400;

    static List<String> samples() {
        return List.of(
                "%FSLAX46Y46*%\n%MOMM*%\n%AMRR*21,1,$1,$2,0,0,$3*1,1,$1x0.5,0,0*%\n"
                        + "%ADD10C,1.5X0.5*%\n%ADD11RR,1X2X30*%\n%SRX2Y2I5J5*%\nD10*\nX0Y0D03*\n%SR*%\n"
                        + "%ABD12*%D11*X1000000Y0D03*%AB*%\nD12*X5000000D03*\nG75*\nG03*\nD10*\n"
                        + "X5000000Y0D02*X0Y5000000I-5000000J0D01*\nG36*X0Y0D02*G01*X9000000D01*"
                        + "Y9000000D01*X0Y0D01*G37*\n%LPC*%\nX1Y1D03*\nM02*\n",
                "M48\nMETRIC,TZ\nT1C0.8\nT2C1.2\n%\nT1\nX1.0Y2.0\nR5X1.5\nT2\nX1000Y2000G85X3000Y2000\n"
                        + "G00X0Y0\nM15\nG02X5.0Y5.0A5.0\nM16\nM30\n",
                "P  UNITS CUST 1\n317GND              J1    -1    D0394PA00X+015000Y-002500X0600Y0600R000 S0\n999\n",
                "Ref,X,Y,Rot,Side\nR1,1.0,2.0mm,90,top\n\"C1\",\"3,5\",1in,0,bottom\n",
                "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n"
                        + "0\nLWPOLYLINE\n90\n2\n70\n1\n10\n0\n20\n0\n42\n1\n10\n9\n20\n0\n0\nARC\n10\n1\n20\n1\n"
                        + "40\n2\n50\n0\n51\n90\n0\nSPLINE\n71\n2\n40\n0\n40\n0\n40\n0\n40\n1\n40\n1\n40\n1\n"
                        + "10\n0\n20\n0\n10\n2\n20\n3\n10\n4\n20\n0\n0\nENDSEC\n0\nEOF\n",
                "<svg width='40mm' height='30mm' viewBox='0 0 40 30'><g transform='rotate(30)'>"
                        + "<path d='M0 0C1 2 3 4 5 6S7 8 9 9Q1 1 2 2T3 3A2 1 0 0 1 4 4z'/>"
                        + "<rect width='4' height='3' rx='1'/><circle r='2'/></g></svg>",
                "M48\nINCH,LZ\nT1\n; T1 0.8mm\n%\nT0101\nG93X1Y1\nM25\nX01Y01\nR2X005\nM01\nM02X1Y1\nM08\nM30\n",
                "Ref;Value;Qty\n\"R1, R2-R9\";4k7;9\nC1;100n;1\n");
    }

    @ParameterizedTest
    @MethodSource("samples")
    void damagedFiles(String sample) {
        long seed = sample.hashCode();
        Random r = new Random(seed);
        byte[] original = sample.getBytes(StandardCharsets.UTF_8);
        assertTimeoutPreemptively(
                Duration.ofSeconds(60),
                () -> {
                    for (int i = 0; i < ROUNDS; i++) {
                        byte[] damaged = damage(original, r);
                        Reading reading = Reading.of("f", damaged);
                        assertThat(reading.problems())
                                .as("seed %d round %d", seed, i)
                                .allSatisfy(ReaderFuzzTest::hasPlace);
                        if (reading instanceof Reading.Gerber g
                                && g.file().features().size() < 500) {
                            LayerImage.of(g.file().features(), Flattener.SCREEN).area();
                        }
                    }
                });
    }

    private static void hasPlace(Problem p) {
        assertThat(p.file()).isEqualTo("f");
        assertThat(p.line()).isNotNegative();
        assertThat(p.text()).isNotBlank();
        assertThat(p.action()).isNotBlank();
    }

    private static byte[] damage(byte[] original, Random r) {
        byte[] b = original.clone();
        for (int n = 1 + r.nextInt(6); n > 0; n--) {
            int at = r.nextInt(b.length);
            switch (r.nextInt(4)) {
                case 0 -> b[at] = (byte) r.nextInt(256);
                case 1 -> b[at] = (byte) "0123456789XYDGM*%,.-$".charAt(r.nextInt(21));
                case 2 -> b = java.util.Arrays.copyOf(b, Math.max(1, at));
                default -> {
                    int length = Math.min(b.length - at, 1 + r.nextInt(20));
                    byte[] longer = java.util.Arrays.copyOf(b, b.length + length);
                    System.arraycopy(b, at, longer, at + length, b.length - at);
                    b = longer;
                }
            }
        }
        return b;
    }
}
