package dev.lastcut.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.catalogue.Need.Answer;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NeedTest {
    private static final Need SEVENTY = Need.parse("supplies at least 70 mA");

    private static CataloguePart driver(DataValue current) {
        return Shelf.part("D", "SOIC8").with(Parameter.OUTPUT_CURRENT, current).get();
    }

    @Test
    void onlyAGuaranteedBoundProves() {
        assertThat(SEVENTY.of(driver(DataValue.min(100, "mA", ""))).answer()).isEqualTo(Answer.MET);
        assertThat(SEVENTY.of(driver(DataValue.min(0.07, "A", ""))).answer()).isEqualTo(Answer.MET);
        assertThat(SEVENTY.of(driver(DataValue.min(50, "mA", ""))).answer())
                .isEqualTo(Answer.NOT_MET);
        assertThat(SEVENTY.of(driver(DataValue.max(50, "mA", ""))).answer())
                .isEqualTo(Answer.NOT_MET);
        assertThat(SEVENTY.of(driver(DataValue.max(200, "mA", ""))).answer())
                .isEqualTo(Answer.UNPROVEN);
        assertThat(SEVENTY.of(driver(DataValue.typ(200, "mA"))).answer())
                .isEqualTo(Answer.UNPROVEN);
        assertThat(SEVENTY.of(driver(DataValue.min(5, "V", ""))).why()).contains("stated in V");
    }

    /** "Tested at 80 mA" is not "can drive 80 mA". */
    @Test
    void aConditionPromisesNothing() {
        CataloguePart tested =
                Shelf.part("D", "SOIC8")
                        .with(Parameter.DROPOUT, DataValue.max(0.4, "V", "at 80 mA"))
                        .get();
        Need.Proof proof = SEVENTY.of(tested);
        assertThat(proof.answer()).isEqualTo(Answer.UNPROVEN);
        assertThat(proof.why()).contains("not stated").contains("tested at 80 mA");
    }

    @Test
    void aRatingIsProvedByItsMost() {
        Need n = Need.parse("withstands at least 30 V");
        CataloguePart diode =
                Shelf.part("D", "SMA")
                        .with(Parameter.REVERSE_VOLTAGE, DataValue.max(40, "V", ""))
                        .get();
        assertThat(n.of(diode).answer()).isEqualTo(Answer.MET);
        assertThat(Need.parse("withstands >= 50 V").of(diode).answer()).isEqualTo(Answer.NOT_MET);
    }

    @Test
    void arithmeticIsWorkedOut() {
        Need n = Need.parse("drives at least (5 V − 2 V) / 47 Ω");
        assertThat(n.amount().words()).isEqualTo("63.8 mA");
        assertThat(n.of(driver(DataValue.min(63, "mA", ""))).answer()).isEqualTo(Answer.NOT_MET);
        assertThat(n.of(driver(DataValue.min(64, "mA", ""))).answer()).isEqualTo(Answer.MET);
    }

    @Test
    void atMost() {
        Need n = Need.parse("forward voltage at most 500 mV");
        Shelf d = Shelf.part("D", "SMA");
        assertThat(
                        n.of(d.with(Parameter.FORWARD_VOLTAGE, DataValue.max(0.45, "V", "")).get())
                                .answer())
                .isEqualTo(Answer.MET);
        DataValue typical =
                new DataValue(
                        Optional.of(0.6),
                        Optional.of(0.7),
                        Optional.empty(),
                        "V",
                        "",
                        Optional.empty());
        assertThat(n.of(d.with(Parameter.FORWARD_VOLTAGE, typical).get()).answer())
                .isEqualTo(Answer.NOT_MET);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "plenty of current | is no need",
                "sings at least 3 V | nobody knows 'sings'",
                "supplies at least 3 V + 2 A | cannot be added",
                "supplies at least | is no need"
            })
    void whatCannotBeReadIsSaid(String text, String why) {
        assertThatThrownBy(() -> Need.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(why);
    }
}
