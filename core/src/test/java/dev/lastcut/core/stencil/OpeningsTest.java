package dev.lastcut.core.stencil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.Set;
import org.junit.jupiter.api.Test;

class OpeningsTest {
    /** Two parts of two pads; the second one's first pad has its opening in two panes. */
    private static BoardGeometry board() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (double x : new double[] {1, 3, 6, 9}) {
            t.box(x, 1, 1.6, 1.2, 0);
        }
        t.on(Role.Kind.PASTE, Side.TOP);
        t.box(1, 1, 1.4, 1, 0).box(3, 1, 1.4, 1, 0).box(9, 1, 1.4, 1, 0);
        t.box(5.6, 1, 0.6, 1, 0).box(6.4, 1, 0.6, 1, 0);
        t.pin("A", "R1", "1", 1, 1).pin("B", "R1", "2", 3, 1);
        t.pin("B", "R2", "1", 6, 1).pin("C", "R2", "2", 9, 1);
        return new BoardGeometry(t.outline(0, 0, 12, 3).board());
    }

    @Test
    void thePanesOfAPartGoWithIt() {
        BoardGeometry g = board();
        Layer paste = g.board().layer(Role.of(Role.Kind.PASTE, Side.TOP)).orElseThrow();
        Openings all = Openings.without(g, paste, Set.of("R9"));
        assertThat(all.layer().features()).hasSize(5);
        Openings some = Openings.without(g, paste, Set.of("R2"));
        assertThat(some.without()).containsExactly("R2");
        assertThat(some.layer().features()).hasSize(2);
        assertThat(some.area().getArea() / 1e12).isCloseTo(2 * 1.4, within(1e-9));
    }

    @Test
    void withoutANetlistNothingGoes() {
        TestBoards t = new TestBoards().on(Role.Kind.PASTE, Side.TOP).box(1, 1, 1, 1, 0);
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 5, 5).board());
        Layer paste = g.board().layer(Role.of(Role.Kind.PASTE, Side.TOP)).orElseThrow();
        assertThat(Openings.without(g, paste, Set.of("R1")).layer()).isEqualTo(paste);
    }
}
