package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.design.DesignClass;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.NetFacts;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class DesignClassTest {
    @Test
    void theSmallestOfEachIsFoundWhereItIs() {
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        b.line(0.3, 0, 0, 10, 0).line(0.2, 0, 5, 10, 5).line(0.3, 0, 5.37, 10, 5.37);
        b.round(20, 0, 1).hole(20, 0, 0.5, true);
        // Off centre by 0.1: the ring is 0.5 − 0.2 − 0.1.
        b.round(24, 0, 1).hole(24.1, 0, 0.4, true).hole(30, 0, 3.2, false);
        DesignClass d = DesignClass.of(new BoardGeometry(b.board()));
        assertThat(d.track().orElseThrow().measure().nm()).isEqualTo(200_000);
        assertThat(d.track().orElseThrow().measure().middle()).isEqualTo(Pt.mm(5, 5));
        assertThat(d.gap().orElseThrow().measure().nm()).isCloseTo(120_000, within(2_000.0));
        assertThat(d.ring().orElseThrow().measure().nm()).isCloseTo(200_000, within(2_000.0));
        assertThat(d.ring().orElseThrow().measure().middle().distance(Pt.mm(24.4, 0)))
                .isLessThan(20_000);
        assertThat(d.hole().orElseThrow().measure().nm()).isEqualTo(400_000);
    }

    @Test
    void aBareBoardHasNoClass() {
        DesignClass d =
                DesignClass.of(new BoardGeometry(new TestBoards().outline(0, 0, 9, 9).board()));
        assertThat(d.track()).isEmpty();
        assertThat(d.gap()).isEmpty();
        assertThat(d.ring()).isEmpty();
        assertThat(d.hole()).isEmpty();
    }

    /** Against every pair of pieces, by the geometry library. */
    @Test
    void theSmallestGapIsTheSmallestOfAllPairs() {
        for (int seed = 0; seed < 12; seed++) {
            Random r = new Random(seed);
            TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
            for (int i = 0; i < 40; i++) {
                double x = r.nextInt(400) / 10.0;
                double y = r.nextInt(400) / 10.0;
                if (i % 2 == 0) {
                    b.box(x, y, 0.7, 1.1, r.nextInt(360));
                } else {
                    b.line(0.25, x, y, x + r.nextInt(30) / 10.0, y + r.nextInt(30) / 10.0);
                }
            }
            BoardGeometry g = new BoardGeometry(b.board());
            double least = 1_000_000;
            List<CopperNode> nodes = g.nets().nodes();
            for (CopperNode m : nodes) {
                for (CopperNode n : nodes) {
                    if (m.net() != n.net()) {
                        least = Math.min(least, m.polygon().distance(n.polygon()));
                    }
                }
            }
            double found = DesignClass.of(g).gap().map(s -> s.measure().nm()).orElse(1_000_000.0);
            assertThat(found).as("seed %d", seed).isCloseTo(least, within(2.0));
        }
    }

    @Test
    void netsAreCountedWithTheirLengthAndNarrowestTrack() {
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        b.round(0, 0, 1).line(0.3, 0, 0, 10, 0).line(0.2, 10, 0, 10, 5).hole(0, 0, 0.5, true);
        b.arc(0.25, 20, 0, 4, 0, 90);
        List<NetFacts> facts = NetFacts.of(new BoardGeometry(b.board()));
        assertThat(facts).hasSize(2);
        assertThat(facts.get(0).lengthNm()).isCloseTo(15e6, within(1.0));
        assertThat(facts.get(0).narrowestNm()).isEqualTo(200_000);
        assertThat(facts.get(0).pads()).isEqualTo(1);
        assertThat(facts.get(0).holes()).isEqualTo(1);
        assertThat(facts.get(1).lengthNm()).isCloseTo(2e6 * Math.PI, within(10.0));
    }
}
