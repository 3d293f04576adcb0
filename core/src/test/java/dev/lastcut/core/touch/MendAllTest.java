package dev.lastcut.core.touch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.ticket.Acceptance;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.core.touch.mend.Mending;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The hive scale node with its planted faults, mended as far as touches can. */
class MendAllTest {
    private static final CapabilitySheet HOUSE =
            TestBoards.house(
                    Map.of(
                            LimitKey.TRACK_WIDTH, 0.15,
                            LimitKey.CLEARANCE, 0.15,
                            LimitKey.COPPER_SLIVER, 0.12,
                            LimitKey.COPPER_TO_EDGE, 0.3,
                            LimitKey.COPPER_TO_HOLE, 0.25,
                            LimitKey.ANNULAR_RING, 0.15,
                            LimitKey.MASK_DAM, 0.1,
                            LimitKey.SILK_TO_MASK, 0.1));

    /** Findings that touches remove, by rule: named here, so that none is lost unseen. */
    private static final Map<String, Integer> MENDED =
            new TreeMap<>(
                    Map.of(
                            "annular-ring", 1,
                            "mask-missing", 1,
                            "copper-sliver", 1,
                            "mask-exposes", 3,
                            "mask-dam", 1,
                            "silk-on-pad", 2,
                            "pour-covers-track", 1));

    private static List<Finding> findings(BoardGeometry g) {
        return CheckRunner.run(new CheckContext(g, HOUSE, Headroom.NONE)).findings();
    }

    private static Map<String, Integer> byRule(List<Finding> findings) {
        return findings.stream()
                .collect(Collectors.toMap(Finding::rule, f -> 1, Integer::sum, TreeMap::new));
    }

    @Test
    void whatTouchesCanRemoveIsGoneNothingComesAndACutIsPossible() throws Exception {
        var pack =
                PackReader.fromZip(
                        "hive-scale-node",
                        Files.readAllBytes(Path.of("../demo/packs/hive-scale-node.zip")));
        BoardGeometry g = JobPipeline.board(pack, new TicketDependencies(Ticket.BLANK));
        List<Finding> before = findings(g);
        TouchClearances room =
                TouchClearances.of(Optional.of(HOUSE), Headroom.NONE, Order.USUAL, 2);
        Mending.Plan plan = new Mending(g, room).plan(before);
        List<Step> steps = plan.offers().stream().map(o -> new Step(o.touch(), true)).toList();
        Touched touched = Touches.on(g, steps, room, Drawings.NONE);
        assertThat(touched.outcomes()).allSatisfy(o -> assertThat(o.done()).as(o.why()).isTrue());

        List<Finding> after = findings(touched.geometry());
        Set<String> left = after.stream().map(Finding::subject).collect(Collectors.toSet());
        Map<String, Integer> gone =
                byRule(before.stream().filter(f -> after.stream().noneMatch(f::isSameAs)).toList());
        assertThat(gone).isEqualTo(MENDED);
        assertThat(after).allSatisfy(f -> assertThat(before).anyMatch(f::isSameAs));

        // Every finding is either offered a touch or told why not.
        Set<String> told = new HashSet<>();
        plan.offers().forEach(o -> told.addAll(o.findings()));
        plan.left()
                .forEach(
                        l -> {
                            assertThat(l.why()).endsWith(".").hasSizeGreaterThan(20);
                            told.add(l.finding());
                        });
        assertThat(told).containsAll(before.stream().map(Finding::id).toList());
        assertThat(left).isNotEmpty();

        // With the ticket of these touches, and what no touch mends signed off, it is released.
        Ticket ticket =
                Ticket.BLANK.with(
                        d -> {
                            d.touches = steps;
                            d.signOffs =
                                    after.stream()
                                            .filter(f -> f.severity() == Severity.STOP)
                                            .map(
                                                    f ->
                                                            new Acceptance(
                                                                    f.rule(),
                                                                    f.at(),
                                                                    "Ida",
                                                                    "known",
                                                                    Optional.empty()))
                                            .toList();
                        });
        JobPipeline.Product made = JobPipeline.all(pack, HOUSE, ticket);
        assertThat(made.openStops()).isEmpty();
        assertThat(byRule(made.run().findings())).isEqualTo(byRule(after));
        assertThat(new String(file(made, "fabrication/copper-top.gbr"))).contains("G36*");
    }

    private static byte[] file(JobPipeline.Product made, String path) {
        return made.outputs().files().stream()
                .filter(f -> f.path().equals(path))
                .findFirst()
                .orElseThrow()
                .content();
    }
}
