package dev.lastcut.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.catalogue.Candidates.Match;
import dev.lastcut.core.value.PartValue;
import java.util.List;
import org.junit.jupiter.api.Test;

class CandidatesTest {
    private static Shelf resistor(String number, double ohms, double tolerance) {
        return Shelf.part(number, "0603")
                .ohms(ohms)
                .with(Parameter.TOLERANCE, DataValue.max(tolerance, "%", ""))
                .with(Parameter.POWER, DataValue.max(0.1, "W", ""));
    }

    private static List<Candidates.Candidate> of(String number, String value, CataloguePart... p) {
        return Candidates.of(
                new Candidates.Wanted(number, PartValue.read(value, "R1"), "0603"), List.of(p));
    }

    @Test
    void theNumberComesFirstHoweverItIsSpelled() {
        List<Candidates.Candidate> all =
                of(
                        "hx 10k-0603",
                        "10k",
                        resistor("OTHER", 10_000, 1).line().get(),
                        resistor("HX-10K-0603", 10_000, 1).get());
        assertThat(all).extracting(c -> c.part().number()).containsExactly("HX-10K-0603", "OTHER");
        assertThat(all.get(0).isSure()).isTrue();
        assertThat(all.get(1).isSure()).isFalse();
        assertThat(all.get(1).match()).isEqualTo(Match.VALUE_AND_PACKAGE);
    }

    @Test
    void aNumberOfAnotherValueIsNotSure() {
        Candidates.Candidate c = of("HX-1", "10k", resistor("HX-1", 1_000, 1).get()).get(0);
        assertThat(c.match()).isEqualTo(Match.NUMBER);
        assertThat(c.isSure()).isFalse();
        assertThat(c.against()).containsExactly("it is 1 kΩ");
    }

    @Test
    void ratingsThatFallShortAreSaid() {
        List<Candidates.Candidate> all =
                of(
                        "",
                        "10k 1% 0.125W",
                        resistor("COARSE", 10_000, 5).get(),
                        Shelf.part("BARE", "0805").ohms(10_000).get());
        assertThat(all).extracting(Candidates.Candidate::match).containsOnly(Match.VALUE);
        assertThat(all)
                .filteredOn(c -> c.part().number().equals("COARSE"))
                .flatExtracting(Candidates.Candidate::against)
                .containsExactly("0.1 W only", "±5 %");
        assertThat(all)
                .filteredOn(c -> c.part().number().equals("BARE"))
                .flatExtracting(Candidates.Candidate::against)
                .containsExactly("its package is 0805", "rated power not stated");
    }

    @Test
    void voltsInANameAreNoRating() {
        Candidates.Candidate c =
                Candidates.of(
                                new Candidates.Wanted(
                                        "TF-REG", PartValue.read("3V3 regulator", "U3"), "SOT23-5"),
                                List.of(Shelf.part("TF-REG", "SOT23-5").get()))
                        .get(0);
        assertThat(c.isSure()).isTrue();
    }

    @Test
    void otherValuesAreNoCandidates() {
        assertThat(of("", "10k", resistor("X", 10_200, 1).get())).isEmpty();
        assertThat(of("", "nobody can read this", resistor("X", 10_000, 1).get())).isEmpty();
    }
}
