package dev.lastcut.core.stencil.openings;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import org.junit.jupiter.api.Test;

class FoilAdviceTest {
    private static List<String> advice(TestBoards t, double foil, List<Double> foils) {
        BoardGeometry g = new BoardGeometry(t.board());
        return FoilAdvice.of(
                List.copyOf(Stencil.of(g, StencilPlan.AS_DRAWN, List.of()).values()), foil, foils);
    }

    private static TestBoards paste() {
        return new TestBoards().on(Role.Kind.PASTE, Side.TOP);
    }

    @Test
    void nothingIsSaidWhereAllReleases() {
        assertThat(advice(paste().box(5, 5, 1, 1, 0), 0.12, List.of(0.1))).isEmpty();
    }

    /** 0.3 x 0.3: area ratio 0.3 / (4 T); 0.66 is met up to 0.1136 mm. */
    @Test
    void theFoilThatWouldDoIsNamed() {
        TestBoards fine = paste().box(5, 5, 0.3, 0.3, 0);
        assertThat(advice(fine, 0.127, List.of(0.1, 0.127)))
                .anyMatch(a -> a.contains("1 opening fails") && a.contains("0.113 mm or thinner"))
                .anyMatch(a -> a.contains("0.1 mm would do"));
        assertThat(advice(fine, 0.127, List.of(0.127, 0.15)))
                .anyMatch(a -> a.startsWith("None of the foils"));
    }

    /** A step of 0.017 mm wants 0.6 mm to the next opening. */
    @Test
    void aStepFitsOnlyWithRoom() {
        TestBoards near = paste().box(5, 5, 0.3, 0.3, 0).box(6.5, 5, 2, 2, 0);
        TestBoards far = paste().box(5, 5, 0.3, 0.3, 0).box(20, 5, 2, 2, 0);
        assertThat(advice(near, 0.127, List.of())).anyMatch(a -> a.contains("does not fit"));
        assertThat(advice(far, 0.127, List.of())).anyMatch(a -> a.contains("so a step fits"));
    }
}
