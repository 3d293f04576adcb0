package dev.lastcut.core.strip;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.capability.ShopCalendar;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.run.CheckRunner;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** A plan made by hand that is right, and each mistake put into it. */
public class StripRulesTest {
    /** A divider and a regulator-like part in line: small enough to be laid out by hand. */
    private static final String CIRCUIT =
            """
            R1=10k/AXIAL R2=10k/AXIAL Q1=x/TO-92 J1=in/HEADER_1X2
            VCC: J1.1 R1.1 Q1.1
            GND: J1.2 R2.2 Q1.3
            MID: R1.2 R2.1 Q1.2
            """;

    /** Strips 0 to 2 are VCC, MID and GND; the header stands on 0 and 1, so that 1 is cut. */
    private static StripPlan plan() {
        Map<String, StripPlan.Placed> parts = new LinkedHashMap<>();
        parts.put("J1", placed("1", 0, 0, "2", 1, 0));
        parts.put("R1", new StripPlan.Placed(pins("1", 0, 4, "2", 1, 4), true, false));
        parts.put("R2", new StripPlan.Placed(pins("1", 1, 6, "2", 2, 6), true, false));
        Map<String, GridHole> three = pins("1", 0, 9, "2", 1, 9);
        three.put("3", new GridHole(2, 9));
        parts.put("Q1", new StripPlan.Placed(three, false, false));
        return new StripPlan(
                Optional.of("half"),
                3,
                11,
                parts,
                Set.of(new GridHole(1, 2)),
                Set.of(),
                List.of(new StripPlan.Link(new GridHole(1, 1), new GridHole(2, 1))),
                List.of());
    }

    private static Map<String, GridHole> pins(String a, int s, int h, String b, int t, int g) {
        Map<String, GridHole> pins = new LinkedHashMap<>();
        pins.put(a, new GridHole(s, h));
        pins.put(b, new GridHole(t, g));
        return pins;
    }

    private static StripPlan.Placed placed(String a, int s, int h, String b, int t, int g) {
        return new StripPlan.Placed(pins(a, s, h, b, t, g), false, false);
    }

    static CapabilitySheet shop() {
        return new CapabilitySheet(
                "strip",
                "Strip",
                CapabilitySheet.Kind.STRIP,
                "",
                Map.of(),
                1,
                false,
                Map.of(),
                List.of(),
                new Price("EUR", 0, 0, 0),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(),
                Optional.of(StripCircuits.TERMS),
                ShopCalendar.EVERY_DAY,
                List.of());
    }

    public static CheckRun check(StripLayout layout, String circuit) {
        return CheckRunner.run(
                new CheckContext(
                        StripBoard.of(StripCircuits.board(circuit), layout),
                        shop(),
                        Headroom.NONE));
    }

    private static List<Finding> found(StripPlan plan) {
        StripLayout layout =
                new StripLayout(
                        StripCircuits.circuit(CIRCUIT),
                        StripCircuits.TERMS,
                        StripCircuits.TERMS.stock().get(0),
                        plan,
                        false);
        CheckRun run = check(layout, CIRCUIT);
        assertThat(run.results()).hasSize(11);
        return run.findings();
    }

    private static List<String> stops(StripPlan plan) {
        return found(plan).stream()
                .filter(f -> f.severity() == Severity.STOP)
                .map(Finding::rule)
                .distinct()
                .toList();
    }

    private static StripPlan with(String name, StripPlan.Placed placed) {
        Map<String, StripPlan.Placed> parts = new TreeMap<>(plan().parts());
        if (placed == null) {
            parts.remove(name);
        } else {
            parts.put(name, placed);
        }
        return plan().withParts(parts);
    }

    @Test
    void aRightPlanHasNothingToSay() {
        assertThat(found(plan())).isEmpty();
    }

    @Test
    void aLinkTakenAwayLeavesItsNetInPieces() {
        List<Finding> found = found(plan().withCopper(plan().cuts(), List.of()));
        assertThat(found).extracting(Finding::rule).containsExactly("strip-open");
        assertThat(found.get(0).nets()).containsExactly("GND");
        assertThat(found.get(0).message()).contains("J1.2 is not joined");
    }

    @Test
    void aCutForgottenJoinsTwoNets() {
        StripPlan uncut = plan().withCopper(Set.of(), plan().links());
        List<Finding> found = found(uncut);
        assertThat(found).extracting(Finding::rule).containsExactly("strip-short");
        assertThat(found.get(0).nets()).containsExactly("GND", "MID");
    }

    @Test
    void twoLegsOnOneStripAreFoundEvenThoughTheirNetsAreJoinedAnyway() {
        StripPlan lying = with("R1", placed("1", 0, 4, "2", 0, 8));
        assertThat(found(lying))
                .filteredOn(f -> f.rule().equals("strip-short"))
                .anyMatch(f -> f.message().contains("Pins 1, 2 of R1 are on one strip"));
    }

    @Test
    void whatCannotBeBuiltStops() {
        assertThat(
                        stops(
                                with(
                                        "R2",
                                        new StripPlan.Placed(
                                                pins("1", 1, 6, "2", 2, 10), true, false))))
                .as("upright and four holes wide")
                .contains("strip-reach");
        assertThat(stops(with("J1", placed("1", 0, 0, "2", 1, 1))))
                .as("pins of a header on the slant")
                .contains("strip-reach");
        assertThat(stops(with("R2", new StripPlan.Placed(pins("1", 1, 4, "2", 2, 4), true, false))))
                .as("two leads in one hole")
                .contains("strip-hole");
        assertThat(stops(with("R2", new StripPlan.Placed(pins("1", 1, 2, "2", 2, 2), true, false))))
                .as("a lead at a cut")
                .contains("strip-hole");
        assertThat(stops(with("R2", new StripPlan.Placed(pins("1", 2, 6, "2", 3, 6), true, false))))
                .as("off the board")
                .contains("strip-hole");
        Map<String, GridHole> near = pins("1", 0, 5, "2", 1, 5);
        near.put("3", new GridHole(2, 5));
        assertThat(stops(with("Q1", new StripPlan.Placed(near, false, false))))
                .as("over a neighbour")
                .contains("strip-bodies");
        assertThat(stops(with("R1", null))).contains("strip-not-placed");
    }

    @Test
    void wiresThatCrossAreToldByWhetherTheyAreInsulated() {
        assertThat(crossing(new GridHole(0, 2), new GridHole(3, 0))).containsExactly(Severity.LOOK);
        assertThat(crossing(new GridHole(0, 1), new GridHole(3, 1))).contains(Severity.STOP);
        // Past the end of the other one nothing touches.
        assertThat(crossing(new GridHole(0, 2), new GridHole(3, 2))).isEmpty();
    }

    /** What is said of a wire from VCC to a strip of its own, beside the one of GND. */
    private static List<Severity> crossing(GridHole from, GridHole to) {
        StripPlan p = plan();
        List<StripPlan.Link> links = new ArrayList<>(p.links());
        links.add(new StripPlan.Link(from, to));
        StripPlan wider =
                new StripPlan(
                        p.stock(), 4, p.holes(), p.parts(), p.cuts(), Set.of(), links, List.of());
        return found(wider).stream()
                .filter(f -> f.rule().equals("strip-links"))
                .map(Finding::severity)
                .distinct()
                .toList();
    }

    @Test
    void cutsUnderAPartAreToldAsANote() {
        Set<GridHole> cuts = new TreeSet<>(plan().cuts());
        StripPlan over = plan().withCopper(cuts, plan().links());
        Map<String, GridHole> pins = pins("1", 0, 2, "2", 1, 3);
        List<Finding> found =
                found(over.withParts(replaced("R1", new StripPlan.Placed(pins, false, false))));
        assertThat(found).anyMatch(f -> f.rule().equals("strip-reach"));
        Map<String, GridHole> across = pins("1", 0, 1, "2", 0, 4);
        found = found(over.withParts(replaced("R1", new StripPlan.Placed(across, false, false))));
        assertThat(new HashSet<>(found.stream().map(Finding::rule).toList()))
                .contains("strip-short");
    }

    private static Map<String, StripPlan.Placed> replaced(String name, StripPlan.Placed placed) {
        Map<String, StripPlan.Placed> parts = new TreeMap<>(plan().parts());
        parts.put(name, placed);
        return parts;
    }

    @Test
    void aCircuitThatCannotBeReadIsToldByPinPartAndCell() {
        String bad =
                """
                R1=10k/AXIAL U1=x/QFN-16 D1=x/
                A: R1.1 U1.1 D1.1
                B: R1.1 R1.5 X9.1 D1.2
                """;
        StripCircuit circuit = StripCircuits.circuit(bad.replace("D1=x/", "D1=x/LED_5MM"));
        assertThat(circuit.problems())
                .anyMatch(p -> p.contains("R1.1 is in two nets, A and B"))
                .anyMatch(p -> p.contains("R1 has pin 5"))
                .anyMatch(p -> p.contains("X9 is connected but not in the parts list"))
                .anyMatch(p -> p.contains("nothing is known of the leads of “QFN-16”"));
    }
}
