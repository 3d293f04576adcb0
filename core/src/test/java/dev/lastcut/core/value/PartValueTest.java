package dev.lastcut.core.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PartValueTest {
    /** Letter code for resistance and capacitance: the examples of IEC 60062, from memory. */
    @ParameterizedTest
    @CsvSource({
        "R1, R10, 0.1",
        "R1, R332, 0.332",
        "R1, 1R0, 1",
        "R1, 3R32, 3.32",
        "R1, 10R, 10",
        "R1, 59R04, 59.04",
        "R1, 100R, 100",
        "R1, 590R4, 590.4",
        "R1, 1K0, 1000",
        "R1, 3K32, 3320",
        "R1, 10K, 10000",
        "R1, 332K, 332000",
        "R1, 1M0, 1000000",
        "R1, 3M32, 3320000",
        "R1, 10M, 10000000",
        "R1, 1G0, 1000000000",
        "C1, p10, 1e-13",
        "C1, p332, 3.32e-13",
        "C1, 1p0, 1e-12",
        "C1, 3p32, 3.32e-12",
        "C1, 33p2, 3.32e-11",
        "C1, 332p, 3.32e-10",
        "C1, 1n0, 1e-9",
        "C1, 3n32, 3.32e-9",
        "C1, 100n, 1e-7",
        "C1, 590n4, 5.904e-7",
        "C1, 1µ0, 1e-6",
        "C1, 3µ32, 3.32e-6",
        "C1, 1m0, 1e-3",
        "C1, 33m2, 3.32e-2",
        // Common practice: other spellings of the same.
        "R1, 4700, 4700",
        "R1, '4,7', 4.7",
        "R1, 1e+06, 1000000",
        "R1, 47E, 47",
        "R1, 0R, 0",
        "R1, 4.7 kOhm, 4700",
        "R1, '4,7 kΩ', 4700",
        "R1, 10 K, 10000",
        "C1, 0.1uF, 1e-7",
        "C1, 100NF, 1e-7",
        "C1, '0,1 µF', 1e-7",
        "C1, 0.1, 1e-7",
        "C1, 104, 1e-7",
        "C1, 473K, 4.7e-8",
        "L1, 10 uH, 1e-5",
        "L2, 4u7, 4.7e-6",
        "Y1, 8MHz, 8000000",
        "Y1, 32.768 kHz, 32768",
        "FB1, 600R, 600"
    })
    void amounts(String designator, String text, String number) {
        PartValue v = PartValue.read(text, designator);
        assertThat(v.amount()).as(text).isPresent();
        assertThat(v.amount().get().number()).isEqualByComparingTo(new BigDecimal(number));
        assertThat(v.amount().get().of()).isEqualTo(Dimension.of(designator));
        assertThat(v.rest()).isEmpty();
    }

    /** Letters of tolerance: the table of IEC 60062, from memory. */
    @ParameterizedTest
    @CsvSource({"B, 0.1", "C, 0.25", "D, 0.5", "F, 1", "G, 2", "J, 5", "K, 10", "M, 20"})
    void lettersOfTolerance(String letter, double percent) {
        assertThat(PartValue.read("4R7" + letter, "R1").tolerancePercent()).hasValue(percent);
        // An F after a capacitor's prefix is its farad.
        String written = letter.equals("F") ? "3n3FF" : "3n3" + letter;
        assertThat(PartValue.read(written, "C1").tolerancePercent()).hasValue(percent);
    }

    @Test
    void ratingsAreFoundInAnyOrder() {
        for (String text :
                new String[] {
                    "100nF 50V X7R 10%",
                    "X7R/100n/50V/±10%",
                    "CAP 10 % 0.1uF, 50 V, x7r",
                    "100n,50V,X7R,10%",
                    "10% 50V X7R 100nF"
                }) {
            PartValue v = PartValue.read(text, "C3");
            assertThat(v.amount()).as(text).hasValue(Amount.of("1e-7", Dimension.CAPACITANCE));
            assertThat(v.volts()).as(text).hasValue(50.0);
            assertThat(v.tolerancePercent()).as(text).hasValue(10.0);
            assertThat(v.dielectric()).as(text).hasValue("X7R");
        }
        PartValue r = PartValue.read("4k7 1% 1/4W 0805", "R1");
        assertThat(r.watts()).hasValue(0.25);
        assertThat(r.rest()).isEqualTo("0805");
        assertThat(PartValue.read("22uF 6V3 NPO", "C1").volts()).hasValue(6.3);
        assertThat(PartValue.read("22p NPO", "C1").dielectric())
                .isEqualTo(PartValue.read("22p C0G", "C1").dielectric());
        assertThat(PartValue.read("10uH 500mA", "L1").amps()).hasValue(0.5);
        assertThat(PartValue.read("4k7F", "R1").tolerancePercent()).hasValue(1.0);
    }

    @ParameterizedTest
    @CsvSource({
        "R1, 4k7, 4.7k",
        "R1, 4K7, 4700",
        "C1, 100n, 0.1u",
        "C1, 22p, 0.022nF",
        "R1, 1M, 1000k"
    })
    void spellingsOfOneValueReadAlike(String designator, String a, String b) {
        PartValue one = PartValue.read(a, designator);
        PartValue other = PartValue.read(b, designator);
        assertThat(one.canonical()).isEqualTo(other.canonical());
        assertThat(one.agrees(other)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"R1, 4k7, 47k", "C1, 100n, 100p", "R1, 1m, 1M", "Q1, BC547, BC557"})
    void differentStaysDifferent(String designator, String a, String b) {
        PartValue one = PartValue.read(a, designator);
        PartValue other = PartValue.read(b, designator);
        assertThat(one.canonical()).isNotEqualTo(other.canonical());
        assertThat(one.agrees(other)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "LOADCELL AMP", "2N7002", "M3", "?", "1/0W", "R", "e+", "C"})
    void whatIsNoAmountStaysAsItStands(String text) {
        PartValue v = PartValue.read(text, "Q1");
        assertThat(v.amount()).isEmpty();
        assertThat(v.words()).isEqualTo(text.strip());
    }

    @Test
    void aNumberBeforeAUnitNobodyKnowsIsNotTaken() {
        assertThat(PartValue.read("10 kµ", "R1").amount()).isEmpty();
        assertThat(PartValue.read("10 kx", "R1").amount()).isEmpty();
        assertThat(PartValue.read("100 1% 0603", "R1").amount())
                .hasValue(Amount.of("100", Dimension.RESISTANCE));
        assertThat(PartValue.read("10 kOhm", "R1").amount())
                .hasValue(Amount.of("10000", Dimension.RESISTANCE));
    }

    /** A bead counts ohms; 4R7 on a coil could be microhenries by its code. */
    @Test
    void aFerriteBeadUnderL() {
        assertThat(PartValue.read("600R ferrite", "L1").amount())
                .hasValue(Amount.of("600", Dimension.RESISTANCE));
        assertThat(PartValue.read("4R7", "L1").amount()).isEmpty();
    }

    /** A capacitor's bare 220 could be 220 pF or 22 pF by its code: nobody is to guess. */
    @Test
    void aCapacitorsBareNumberIsNotGuessed() {
        assertThat(PartValue.read("220", "C1").amount()).isEmpty();
    }

    /** What an amount says of itself reads back as the same amount. */
    @Test
    void wordsReadBack() {
        Random random = new Random(11);
        String[] letters = {"R1", "C1", "L1", "Y1"};
        int[] least = {-3, -12, -9, 0};
        int[] most = {8, -2, -2, 9};
        for (int i = 0; i < 2000; i++) {
            int k = i % 4;
            Dimension of = Dimension.of(letters[k]);
            int power = least[k] + random.nextInt(most[k] - least[k]);
            Amount a = new Amount(BigDecimal.valueOf(100 + random.nextInt(900), 2 - power), of);
            assertThat(PartValue.read(a.words(), letters[k]).amount()).hasValue(a);
        }
    }
}
