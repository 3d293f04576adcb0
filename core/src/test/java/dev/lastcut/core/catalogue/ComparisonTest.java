package dev.lastcut.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.catalogue.Comparison.Verdict;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ComparisonTest {
    private static Comparison.Row row(Parameter p, DataValue a, DataValue b) {
        Comparison c =
                Comparison.of(
                        Shelf.part("A", "SOT23").with(p, a).get(),
                        Shelf.part("B", "SOT23").with(p, b).get());
        return c.rows().get(0);
    }

    private static Verdict verdict(Parameter p, DataValue a, DataValue b) {
        return row(p, a, b).verdict();
    }

    private static DataValue range(double min, double max, String unit) {
        return new DataValue(
                Optional.of(min), Optional.empty(), Optional.of(max), unit, "", Optional.empty());
    }

    @Test
    void theDirectionIsThatOfTheParameter() {
        assertThat(
                        verdict(
                                Parameter.ON_RESISTANCE,
                                DataValue.max(50, "mΩ", ""),
                                DataValue.max(0.04, "Ω", "")))
                .isEqualTo(Verdict.BETTER);
        assertThat(
                        verdict(
                                Parameter.DRAIN_VOLTAGE,
                                DataValue.max(30, "V", ""),
                                DataValue.max(20, "V", "")))
                .isEqualTo(Verdict.WORSE);
        assertThat(
                        verdict(
                                Parameter.OUTPUT_CURRENT,
                                DataValue.min(1, "A", ""),
                                DataValue.min(1000, "mA", "")))
                .isEqualTo(Verdict.EQUAL);
        assertThat(verdict(Parameter.SUPPLY_VOLTAGE, range(3, 5, "V"), range(2.7, 5.5, "V")))
                .isEqualTo(Verdict.BETTER);
        assertThat(verdict(Parameter.SUPPLY_VOLTAGE, range(3, 5, "V"), range(2.7, 4.5, "V")))
                .isEqualTo(Verdict.WORSE);
        assertThat(verdict(Parameter.DIELECTRIC, DataValue.word("X7R"), DataValue.word("Y5V")))
                .isEqualTo(Verdict.OTHER);
    }

    @Test
    void aTypicalNumberIsNotHeldAgainstAGuarantee() {
        assertThat(
                        verdict(
                                Parameter.ON_RESISTANCE,
                                DataValue.max(50, "mΩ", ""),
                                DataValue.typ(30, "mΩ")))
                .isEqualTo(Verdict.NOT_STATED);
    }

    @Test
    void otherConditionsAreSaid() {
        Comparison.Row r =
                row(
                        Parameter.ON_RESISTANCE,
                        DataValue.max(50, "mΩ", "at 10 V"),
                        DataValue.max(60, "mΩ", "at 4.5 V"));
        assertThat(r.verdict()).isEqualTo(Verdict.WORSE);
        assertThat(r.why()).contains("other conditions");
    }

    @Test
    void whatTheOtherDoesNotStateIsNotStated() {
        Comparison c =
                Comparison.of(
                        Shelf.part("A", "SOT23")
                                .with(Parameter.GATE_CHARGE, DataValue.max(5, "nC", ""))
                                .get(),
                        Shelf.part("B", "SOT223").get());
        assertThat(c.rows().get(0).verdict()).isEqualTo(Verdict.NOT_STATED);
        assertThat(c.samePackage()).isFalse();
    }

    @Test
    void swappedPinsAreNamed() {
        Shelf a =
                Shelf.part("A", "SOT223")
                        .pin("1", "GND", PinRole.GROUND)
                        .pin("2", "OUT", PinRole.OUTPUT)
                        .pin("3", "IN", PinRole.SUPPLY);
        Shelf b =
                Shelf.part("B", "SOT223")
                        .pin("1", "GND", PinRole.GROUND)
                        .pin("2", "IN", PinRole.SUPPLY)
                        .pin("3", "OUT", PinRole.OUTPUT);
        assertThat(Comparison.of(a.get(), b.get()).pinsDiffer())
                .containsExactly("pin 2 is IN, not OUT", "pin 3 is OUT, not IN");
        assertThat(Comparison.of(a.get(), a.get()).pinsDiffer()).isEmpty();
        assertThat(Comparison.of(a.get(), Shelf.part("C", "SOT223").get()).pinsKnown()).isFalse();
    }
}
