package dev.lastcut.core.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/**
 * Bands read back by a table of their own: IEC 60062 (from memory), written down here apart from
 * the code that is tested.
 */
class ColourCodeTest {
    private static final List<String> DIGITS =
            List.of(
                    "black", "brown", "red", "orange", "yellow", "green", "blue", "violet", "grey",
                    "white");

    private static final Map<String, String> MULTIPLIERS =
            Map.ofEntries(
                    Map.entry("pink", "0.001"),
                    Map.entry("silver", "0.01"),
                    Map.entry("gold", "0.1"),
                    Map.entry("black", "1"),
                    Map.entry("brown", "10"),
                    Map.entry("red", "100"),
                    Map.entry("orange", "1000"),
                    Map.entry("yellow", "10000"),
                    Map.entry("green", "100000"),
                    Map.entry("blue", "1000000"),
                    Map.entry("violet", "10000000"),
                    Map.entry("grey", "100000000"),
                    Map.entry("white", "1000000000"));

    private static final Map<String, Double> TOLERANCES =
            Map.ofEntries(
                    Map.entry("silver", 10.0),
                    Map.entry("gold", 5.0),
                    Map.entry("brown", 1.0),
                    Map.entry("red", 2.0),
                    Map.entry("orange", 0.05),
                    Map.entry("yellow", 0.02),
                    Map.entry("green", 0.5),
                    Map.entry("blue", 0.25),
                    Map.entry("violet", 0.1),
                    Map.entry("grey", 0.01));

    private static final Map<String, Integer> COEFFICIENTS =
            Map.of(
                    "black", 250, "brown", 100, "red", 50, "orange", 15, "yellow", 25, "green", 20,
                    "blue", 10, "violet", 5, "grey", 1);

    private static BigDecimal read(List<String> bands, int digits) {
        int n = 0;
        for (int i = 0; i < digits; i++) {
            n = 10 * n + DIGITS.indexOf(bands.get(i));
        }
        return new BigDecimal(MULTIPLIERS.get(bands.get(digits))).multiply(BigDecimal.valueOf(n));
    }

    private static List<String> words(ColourCode c) {
        return List.of(c.words().split(" "));
    }

    @Test
    void everyValueOfTheSeriesReadsBackOnThreeToSixBands() {
        int read = 0;
        for (PreferredNumbers series : List.of(PreferredNumbers.E24, PreferredNumbers.E96)) {
            for (double d : series.decade()) {
                for (int power = -1; power <= 7; power++) {
                    BigDecimal ohms = new BigDecimal(String.valueOf(d)).scaleByPowerOfTen(power);
                    read += holds(ohms, series == PreferredNumbers.E24);
                }
            }
        }
        assertThat(read).isGreaterThan(24 * 9 * 12 + 96 * 9 * 12);
    }

    private static int holds(BigDecimal ohms, boolean twoDigits) {
        int read = 0;
        if (twoDigits) {
            List<String> three = words(ColourCode.of(ohms, 20, OptionalInt.empty()).orElseThrow());
            assertThat(three).hasSize(3);
            assertThat(read(three, 2)).isEqualByComparingTo(ohms);
            for (double t : new double[] {5, 10}) {
                List<String> four =
                        words(ColourCode.of(ohms, t, OptionalInt.empty()).orElseThrow());
                assertThat(four).hasSize(4);
                assertThat(read(four, 2)).isEqualByComparingTo(ohms);
                assertThat(TOLERANCES.get(four.get(3))).isEqualTo(t);
                read++;
            }
        }
        for (Map.Entry<String, Double> t : TOLERANCES.entrySet()) {
            List<String> five =
                    words(ColourCode.of(ohms, 3, t.getValue(), OptionalInt.empty()).orElseThrow());
            assertThat(five).hasSize(5);
            assertThat(read(five, 3)).isEqualByComparingTo(ohms);
            assertThat(five.get(4)).isEqualTo(t.getKey());
            read++;
        }
        for (Map.Entry<String, Integer> k : COEFFICIENTS.entrySet()) {
            List<String> six =
                    words(ColourCode.of(ohms, 1, OptionalInt.of(k.getValue())).orElseThrow());
            assertThat(six).hasSize(6);
            assertThat(read(six, 3)).isEqualByComparingTo(ohms);
            assertThat(six.get(4)).isEqualTo("brown");
            assertThat(six.get(5)).isEqualTo(k.getKey());
            read++;
        }
        return read;
    }

    /** Worked examples of the standard. */
    @Test
    void knownResistors() {
        assertThat(
                        ColourCode.of(new BigDecimal("4700"), 5, OptionalInt.empty())
                                .orElseThrow()
                                .words())
                .isEqualTo("yellow violet red gold");
        assertThat(
                        ColourCode.of(new BigDecimal("47"), 1, OptionalInt.empty())
                                .orElseThrow()
                                .words())
                .isEqualTo("yellow violet black gold brown");
        assertThat(ColourCode.of(BigDecimal.ZERO, 5, OptionalInt.empty()).orElseThrow().words())
                .isEqualTo("black");
    }

    @Test
    void whatNoColourStandsForHasNone() {
        assertThat(ColourCode.of(new BigDecimal("1234"), 1, OptionalInt.empty())).isEmpty();
        assertThat(ColourCode.of(new BigDecimal("100"), 3, OptionalInt.empty())).isEmpty();
        assertThat(ColourCode.of(new BigDecimal("100"), 1, OptionalInt.of(7))).isEmpty();
        assertThat(ColourCode.of(new BigDecimal("1e15"), 5, OptionalInt.empty())).isEmpty();
        assertThat(ColourCode.of(new BigDecimal("-5"), 5, OptionalInt.empty())).isEmpty();
    }
}
