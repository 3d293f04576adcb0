package dev.lastcut.core.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** IEC 60063. */
class PreferredNumbersTest {
    @Test
    void theShortSeriesAreTakenOutOfE24() {
        assertThat(PreferredNumbers.E3.decade()).containsExactly(1.0, 2.2, 4.7);
        assertThat(PreferredNumbers.E6.decade()).containsExactly(1.0, 1.5, 2.2, 3.3, 4.7, 6.8);
        assertThat(PreferredNumbers.E12.decade())
                .containsExactly(1.0, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2);
    }

    /** The whole published table. */
    @Test
    void theSeriesOfTwentyFour() {
        assertThat(PreferredNumbers.E24.decade())
                .containsExactly(
                        1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9,
                        4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1);
    }

    /** E24 has 47 and 51, E12 has 47 and 56 (IEC 60063). */
    @Test
    void nearestToFifty() {
        assertThat(PreferredNumbers.E24.nearest(50)).isEqualTo(51);
        assertThat(PreferredNumbers.E12.nearest(50)).isEqualTo(47);
    }

    /** Values of the published tables, from memory. */
    @Test
    void theLongSeriesHaveTheNumbersOfTheTables() {
        assertThat(PreferredNumbers.E48.decade()).contains(1.05, 1.54, 3.16, 5.11, 9.53);
        assertThat(PreferredNumbers.E96.decade()).contains(1.02, 4.02, 4.75, 4.99, 8.06, 9.76);
        assertThat(PreferredNumbers.E192.decade()).contains(1.01, 4.70, 9.20, 9.88);
        assertThat(PreferredNumbers.E192.decade()).doesNotContain(9.19);
        assertThat(PreferredNumbers.E96.decade()).doesNotContain(4.7);
    }

    @Test
    void everyNumberIsNearestToItselfInEveryDecade() {
        for (PreferredNumbers s : PreferredNumbers.values()) {
            for (double d : s.decade()) {
                for (int p = -12; p <= 9; p++) {
                    double x = d * Math.pow(10, p);
                    assertThat(s.nearest(x)).isCloseTo(x, within(x * 1e-12));
                    assertThat(s.nearest(x * 1.001)).isCloseTo(x, within(x * 1e-12));
                }
            }
        }
        assertThat(PreferredNumbers.E6.nearest(9.9)).isCloseTo(10, within(1e-9));
    }

    @Test
    void theCoarsestSeriesOfAValue() {
        assertThat(PreferredNumbers.coarsest(10_000)).hasValue(PreferredNumbers.E3);
        assertThat(PreferredNumbers.coarsest(5_100)).hasValue(PreferredNumbers.E24);
        assertThat(PreferredNumbers.coarsest(10_500)).hasValue(PreferredNumbers.E48);
        assertThat(PreferredNumbers.coarsest(10_200)).hasValue(PreferredNumbers.E96);
        assertThat(PreferredNumbers.coarsest(1.2345)).isEmpty();
        assertThatThrownBy(() -> PreferredNumbers.E6.nearest(0))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
