package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files that are small and ask for more than any board has are refused, with a sentence. */
class TooMuchTest {
    private static final String HEAD = "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\nD10*\n";

    private static Pack pack(String path, String text) {
        return new Pack(
                "p", List.of(new Pack.PackFile(path, text.getBytes(StandardCharsets.UTF_8))));
    }

    private static String text(String what) {
        return switch (what) {
            case "repeat" -> HEAD + "%SRX1000Y1000I0.05J0.05*%\nX0Y0D03*\n%SR*%\nM02*\n";
            case "nested" ->
                    HEAD
                            + "%ABD20*%\n%SRX900Y900I1J1*%\nX0Y0D03*\n%SR*%\n%AB*%\nD20*\n"
                            + "X0Y0D03*\nM02*\n";
            case "drill" ->
                    "M48\nMETRIC\nT1C0.5\n%\nT1\nX1Y1\n" + "R9999X0.001\n".repeat(6) + "M30\n";
            default -> {
                StringBuilder s = new StringBuilder("Designator,Value,Footprint\n");
                for (int i = 1; i <= 20_001; i++) {
                    s.append("R").append(i).append(",10k,0603\n");
                }
                yield s.toString();
            }
        };
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a.gbr|repeat|It has 1,000,001 objects or more; at most 500,000 are read",
                "a.gbr|nested|It has 810,001 objects or more; at most 500,000 are read",
                "a.drl|drill|It has 50,001 holes or more; at most 50,000 are read",
                "a.csv|table|It has 20,000 rows or more; fewer are read of one table"
            })
    void isRefused(String path, String what, String sentence) {
        assertThatThrownBy(() -> Intake.open(pack(path, text(what))))
                .isInstanceOf(WorkLimitException.class)
                .hasMessageContaining(path + ": " + sentence);
    }

    /** A contour through random places crosses itself about n²/6 times. */
    @Test
    void aContourThatIsNoDrawing() {
        StringBuilder s = new StringBuilder(HEAD + "G36*\nX0Y0D02*\n");
        Random random = new Random(1);
        for (int i = 0; i < 1_000; i++) {
            s.append(
                    "X%dY%dD01*\n"
                            .formatted(random.nextInt(90_000_000), random.nextInt(90_000_000)));
        }
        s.append("G37*\nM02*\n");
        assertThatThrownBy(() -> Intake.open(pack("edge.gbr", s.toString())))
                .isInstanceOf(WorkLimitException.class)
                .hasMessageContaining("crosses itself more than 20,000 times");
    }

    /** Reading ends soon after it is cancelled, wherever it is. */
    @ParameterizedTest
    @CsvSource({"1", "40", "400", "1500"})
    void readingCanBeCancelledAnywhere(int step) throws Exception {
        Pack pack = TruePack.of("p07_mill_single").pack();
        AtomicInteger asked = new AtomicInteger();
        assertThatThrownBy(
                        () ->
                                WorkLimit.until(
                                        () -> asked.incrementAndGet() > step,
                                        () -> Intake.open(pack)))
                .isInstanceOf(CancellationException.class);
        // Two threads may be at a step each.
        assertThat(asked.get()).isBetween(step + 1, step + 8);
    }
}
