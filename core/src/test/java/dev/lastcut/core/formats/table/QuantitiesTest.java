package dev.lastcut.core.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Letter code for decimal points after IEC 60062. */
class QuantitiesTest {
    @ParameterizedTest
    @CsvSource({
        "4k7, 4.7k",
        "4k7, '4,7k'",
        "4K7, 4700",
        "4R7, 4.7",
        "4R7, 4.7R",
        "0R, 0",
        "1M, 1000k",
        "100n, 0.1u",
        "100nF, 0.1uF",
        "100n, 0.1µF",
        "4u7, 4.7 uF",
        "22p, 0.022nF",
        "10k, 10 kΩ",
        "10k 1%, 10K 1%",
        "2k2ohm, 2.2k"
    })
    void writtenDifferentlyAndTheSame(String a, String b) {
        assertThat(Quantities.canonical(a)).isEqualTo(Quantities.canonical(b));
    }

    @ParameterizedTest
    @CsvSource({"4k7, 47k", "100n, 100p", "1m, 1M", "10k 1%, 10k 5%", "BC547, BC557"})
    void differentStaysDifferent(String a, String b) {
        assertThat(Quantities.same(a, b)).isFalse();
    }

    @Test
    void textStaysText() {
        assertThat(Quantities.canonical(" LOADCELL AMP ")).isEqualTo("loadcell amp");
        assertThat(Quantities.canonical("")).isEmpty();
    }
}
