package dev.lastcut.core.touch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.core.touch.copper.KeepAway;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Slivers;
import dev.lastcut.core.touch.copper.Stitch;
import dev.lastcut.core.touch.copper.Teardrop;
import dev.lastcut.core.touch.copper.Widen;
import dev.lastcut.core.touch.picture.Labels;
import dev.lastcut.core.touch.picture.SilkClip;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Automatic touches on boards that were not drawn here: dense ones, without names, in inches. */
class TouchedPacksTest {
    private static final CapabilitySheet HOUSE = RandomLayout.house();

    private static List<Finding> findings(BoardGeometry g) {
        return CheckRunner.run(new CheckContext(g, HOUSE, Headroom.NONE)).findings();
    }

    /** The net with the most copper: ground on any board. */
    private static Net ground(BoardGeometry g) {
        int best = 0;
        for (int i = 1; i < g.nets().netCount(); i++) {
            best = g.nets().nodesOf(i).size() > g.nets().nodesOf(best).size() ? i : best;
        }
        return Net.named(g.netName(best));
    }

    @ParameterizedTest
    @ValueSource(strings = {"p04_terse_four"})
    void nothingComesAndTheNetsStayOnBoardsFromElsewhere(String name) throws Exception {
        BoardGeometry g;
        try (InputStream in = getClass().getResourceAsStream("/packs/" + name + ".zip")) {
            g =
                    JobPipeline.board(
                            PackReader.fromZip(name, in.readAllBytes()),
                            new TicketDependencies(Ticket.BLANK));
        }
        TouchClearances room =
                TouchClearances.of(
                        Optional.of(HOUSE), Headroom.NONE, Order.USUAL, g.board().copper().size());
        List<Finding> before = findings(g);
        List<Touch> touches =
                List.of(
                        new KeepAway(300_000, 400_000, 300_000, 50_000, 150_000),
                        new Ring(300_000),
                        new Teardrop(500_000),
                        new Widen(Optional.empty(), 400_000),
                        new Stitch(ground(g), 5_000_000, 300_000, 700_000, List.of()),
                        new Slivers(200_000),
                        new SilkClip(150_000),
                        new Labels(true, Labels.Show.DESIGNATORS, 1_000_000),
                        TouchPropertyTest.pour(
                                Role.of(Role.Kind.COPPER, Side.TOP), ground(g).name()));
        int done = 0;
        for (Touch t : touches) {
            Touched touched = Touches.on(g, List.of(new Step(t, true)), room, Drawings.NONE);
            Touched.Outcome o = touched.outcomes().get(0);
            done += o.done() ? 1 : 0;
            List<Finding> fresh =
                    findings(touched.geometry()).stream()
                            .filter(f -> before.stream().noneMatch(f::isSameAs))
                            .filter(f -> !f.rule().equals("pour-covers-track"))
                            .toList();
            assertThat(fresh).as("%s: %s", t.words(), o.why()).isEmpty();
        }
        assertThat(done).as("touches that did something").isGreaterThanOrEqualTo(7);
    }
}
