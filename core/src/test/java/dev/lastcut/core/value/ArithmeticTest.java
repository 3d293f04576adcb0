package dev.lastcut.core.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArithmeticTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "(5 V − 2 V) / 47 Ω | 0.0638297872 | A",
                "70 mA | 0.07 | A",
                "3.3V*20mA | 0.066 | W",
                "1/(100nF*10kOhm) | 1000 | Hz",
                "-2 V + 5V | 3 | V",
                "2*(1+3)/4 | 2 |",
                "10 kΩ × 5 % | 500 | Ω",
                "1 A * 1 s | 1 | C",
                "4,7 kΩ | 4700 | Ω"
            })
    void worksOut(String text, double value, String unit) {
        Quantity q = Arithmetic.value(text);
        assertThat(q.value()).isCloseTo(value, within(value * 1e-8));
        assertThat(Quantity.of(1, unit == null ? "" : unit).orElseThrow().isAlike(q)).isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3 V + 2 A | character 5 | not of one kind",
                "(5 V - 2 V | character 11 | closing bracket",
                "5 V 3 | character 5 | does not belong",
                "abc | character 1 | no number",
                "5 V / | character 6 | missing",
                "5 V / 0 | 5 V / 0 | divides by nothing",
                "12 parsec | character 4 | does not belong"
            })
    void refusesWithThePlace(String text, String where, String why) {
        assertThatThrownBy(() -> Arithmetic.value(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(where)
                .hasMessageContaining(why);
    }

    @Test
    void bracketsWithoutEndAreRefused() {
        assertThatThrownBy(() -> Arithmetic.value("(".repeat(200)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void saysItself() {
        assertThat(Arithmetic.value("(5 V − 2 V) / 47 Ω").words()).isEqualTo("63.8 mA");
        assertThat(Arithmetic.value("2 V * 3 V").words()).isEqualTo("6 V2");
    }
}
