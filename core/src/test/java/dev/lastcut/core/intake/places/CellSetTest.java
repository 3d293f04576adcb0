package dev.lastcut.core.intake.places;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Pt;
import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CellSetTest {
    private static Pt cell(Pt p) {
        return new Pt(Math.round(p.x() / 50_000.0), Math.round(p.y() / 50_000.0));
    }

    /**
     * Held against the platform's own set, on both sides of zero and far beyond what it expects.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void itHoldsWhatAnOrdinarySetHolds(long seed) {
        Random r = new Random(seed);
        CellSet set = new CellSet(4);
        Set<Pt> cells = new HashSet<>();
        long span = seed == 1 ? 400_000_000L : seed == 2 ? 3_000_000 : 20_000_000_000L;
        for (int i = 0; i < 5_000; i++) {
            Pt p = new Pt((long) ((r.nextDouble() - 0.5) * span), (long) (r.nextDouble() * span));
            set.add(p);
            cells.add(cell(p));
        }
        assertThat(set.size()).isEqualTo(cells.size());
        for (int i = 0; i < 5_000; i++) {
            Pt p = new Pt((long) ((r.nextDouble() - 0.5) * span), (long) (r.nextDouble() * span));
            Pt c = cell(p);
            boolean near = false;
            for (int k = 0; k < 9; k++) {
                near |= cells.contains(new Pt(c.x() + k % 3 - 1, c.y() + k / 3 - 1));
            }
            assertThat(set.hasAround(p)).isEqualTo(near);
        }
    }
}
