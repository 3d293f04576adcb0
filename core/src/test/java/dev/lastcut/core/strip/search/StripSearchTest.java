package dev.lastcut.core.strip.search;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.LongRun;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCircuits;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripRulesTest;
import dev.lastcut.core.strip.StripWeights;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Plans of usual circuits pass the checks, which know nothing of how they were found. */
class StripSearchTest {
    static Stream<String> circuits() {
        List<String> all = StripCircuits.ALL.keySet().stream().sorted().toList();
        return LongRun.is() ? all.stream() : Stream.of("flasher", "relay driver");
    }

    private static StripLayout proposed(
            String circuit, StripChoices choices, Map<String, StripPlan.Placed> kept) {
        return StripProposal.of(
                StripCircuits.circuit(circuit),
                StripCircuits.TERMS,
                choices,
                kept,
                done -> {},
                () -> false);
    }

    private static List<Finding> stops(StripLayout layout, String circuit) {
        return StripRulesTest.check(layout, circuit).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .toList();
    }

    @ParameterizedTest
    @MethodSource("circuits")
    void theComputersPlanPassesItsChecks(String name) {
        String circuit = StripCircuits.ALL.get(name);
        StripLayout layout = proposed(circuit, StripChoices.NONE, Map.of());
        assertThat(stops(layout, circuit)).isEmpty();
        assertThat(layout.plan().parts()).hasSize(layout.circuit().parts().size());
        // No board is as small as its leads alone; ours are within four times that.
        int leads = layout.circuit().parts().values().stream().mapToInt(p -> p.pins().size()).sum();
        assertThat(layout.plan().strips() * layout.plan().holes()).isBetween(leads, 5 * leads);
        assertThat(layout.plan().probes()).isNotEmpty();
    }

    @Test
    void aLockedPartStaysWhereItIs() {
        Map<String, GridHole> pins = new LinkedHashMap<>();
        pins.put("1", new GridHole(5, 9));
        pins.put("2", new GridHole(6, 9));
        StripPlan.Placed header = new StripPlan.Placed(pins, false, true);
        String circuit = StripCircuits.FLASHER;
        StripLayout layout = proposed(circuit, StripChoices.NONE, Map.of("J1", header));
        assertThat(layout.plan().parts().get("J1")).isEqualTo(header);
        assertThat(stops(layout, circuit)).isEmpty();
        // Laid out again about the same places, only cuts and links are made; twice the same.
        StripLayout again = proposed(circuit, StripChoices.NONE, layout.plan().parts());
        assertThat(again.plan().parts().keySet()).isEqualTo(layout.plan().parts().keySet());
        again.plan()
                .parts()
                .forEach(
                        (name, p) ->
                                assertThat(p.pins())
                                        .isEqualTo(layout.plan().parts().get(name).pins()));
        assertThat(stops(again, circuit)).isEmpty();
        assertThat(proposed(circuit, StripChoices.NONE, layout.plan().parts()).plan())
                .isEqualTo(again.plan());
    }

    @Test
    void aBoardWithAGapInItsMiddleIsUsedAsItIs() {
        StripTerms.Stock rails =
                new StripTerms.Stock("rails", 14, 17, List.of(new StripTerms.Gap(1, 12, 8)));
        StripTerms terms =
                new StripTerms(
                        StripCircuits.TERMS.pitchNm(),
                        StripCircuits.TERMS.holeNm(),
                        true,
                        List.of(rails));
        StripCircuit circuit = StripCircuits.circuit(StripCircuits.RELAY);
        StripLayout layout =
                StripProposal.of(
                        circuit, terms, StripChoices.NONE, Map.of(), done -> {}, () -> false);
        assertThat(layout.plan().strips()).isEqualTo(14);
        assertThat(layout.plan().holes()).isEqualTo(17);
        assertThat(layout.plan().leads().keySet()).noneMatch(h -> layout.copper().isBare(h));
        assertThat(stops(layout, StripCircuits.RELAY)).isEmpty();
    }

    @Test
    void aSearchThatIsCancelledGivesTheBestPlanSoFar() {
        AtomicInteger asked = new AtomicInteger();
        Optional<StripSearch.Found> found =
                StripSearch.find(
                        StripCircuits.circuit(StripCircuits.LEVEL_METER),
                        StripCircuits.TERMS,
                        StripCircuits.TERMS.stock().get(0),
                        Map.of(),
                        StripWeights.USUAL,
                        done -> {},
                        () -> asked.incrementAndGet() > 200);
        found.ifPresent(f -> assertThat(f.finished()).isFalse());
        assertThat(asked.get()).isLessThan(250);
    }
}
