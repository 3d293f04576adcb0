package dev.lastcut.core.touch.copper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.touch.Drawings;
import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.Touches;
import dev.lastcut.core.touch.mend.Mending;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The outline drawn on copper: one finding, and one touch that takes it off and nothing else. */
class OutlineOffTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);

    private static TestBoards plain() {
        return new TestBoards()
                .outline(0, 0, 40, 30)
                .on(TOP)
                .line(0.3, 5, 10, 35, 10)
                .round(5, 10, 2)
                .round(35, 10, 2)
                // A track along one edge is a track.
                .line(0.2, 5, 0.5, 35, 0.5)
                .round(5, 0.5, 0.4);
    }

    private static TestBoards printed() {
        return plain().line(0.1, 0, 0, 40, 0)
                .line(0.1, 40, 0, 40, 30)
                .line(0.1, 40, 30, 0, 30)
                .line(0.1, 0, 30, 0, 0);
    }

    private static List<Finding> findings(BoardGeometry g) {
        var house = TestBoards.house(Map.of(LimitKey.COPPER_TO_EDGE, 0.2));
        return CheckRunner.run(new CheckContext(g, house, Headroom.NONE)).findings();
    }

    @Test
    void isOneFindingInPlaceOfMany() {
        List<Finding> found = findings(new BoardGeometry(printed().board()));
        assertThat(found).filteredOn(f -> f.rule().equals("outline-on-copper")).hasSize(1);
        assertThat(found).noneMatch(f -> f.rule().matches("copper-to-edge|copper-island"));
        assertThat(findings(new BoardGeometry(plain().board())))
                .noneMatch(f -> f.rule().equals("outline-on-copper"));
        // Half of the edge is no outline.
        TestBoards half = plain().line(0.1, 0, 0, 40, 0).line(0.1, 40, 0, 40, 30);
        assertThat(findings(new BoardGeometry(half.board())))
                .noneMatch(f -> f.rule().equals("outline-on-copper"))
                .anyMatch(f -> f.rule().equals("copper-to-edge"));
    }

    @Test
    void theTouchThatIsOfferedTakesItOffAndNothingElse() {
        BoardGeometry before = new BoardGeometry(printed().board());
        Finding f =
                findings(before).stream()
                        .filter(x -> x.rule().equals("outline-on-copper"))
                        .findFirst()
                        .orElseThrow();
        Mending.Offer offer = new Mending(before, TouchClearances.USUAL).offer(f).orElseThrow();
        assertThat(offer.touch()).isEqualTo(new OutlineOff());
        Touched t =
                Touches.on(
                        before,
                        List.of(new Step(offer.touch(), true)),
                        TouchClearances.USUAL,
                        Drawings.NONE);
        assertThat(t.outcomes().get(0).done()).isTrue();
        assertThat(t.outcomes().get(0).why()).contains("4 lines").contains("140.000 mm");
        BoardGeometry as = new BoardGeometry(plain().board());
        assertThat(Geo.symmetricDifference(as.area(TOP), t.geometry().area(TOP)).getArea())
                .isCloseTo(0, within(1e6));
        assertThat(findings(t.geometry())).noneMatch(x -> x.rule().equals("outline-on-copper"));
    }
}
