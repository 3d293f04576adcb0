package dev.lastcut.core.milling.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LevellingTest {
    private static final ProbeGrid GRID = new ProbeGrid(2e6, 2e6, 72e6, 52e6, 15, 11);
    private static final Surface WARPED =
            (x, y) -> 300_000 * Math.sin(x / 19e6 + 0.6) * Math.cos(y / 23e6 + 0.4);

    private static String points(Surface s, int leaveOut, int wild) {
        StringBuilder out = new StringBuilder("# x y z\n");
        for (int k = 0; k < GRID.count(); k++) {
            double x = GRID.x(k % GRID.columns());
            double y = GRID.y(k / GRID.columns());
            double z = s.heightAt(x, y) + (k == wild ? 900_000 : 0);
            if (k != leaveOut) {
                out.append(
                        String.format(
                                Locale.ROOT, "%.4f, %.4f; %.4f%n", x / 1e6, y / 1e6, z / 1e6));
            }
        }
        return out.toString();
    }

    /** Within the grid the surface is met far closer than the 0.01 mm that milling needs. */
    @Test
    void theSurfaceThroughThePointsFollowsTheStock() {
        ProbeTable.Reading r = ProbeTable.read(points(WARPED, -1, -1), GRID);
        assertThat(r.problems()).isEmpty();
        Random random = new Random(3);
        for (int i = 0; i < 2_000; i++) {
            double x = 2e6 + random.nextDouble() * 70e6;
            double y = 2e6 + random.nextDouble() * 50e6;
            assertThat(r.map().heightAt(x, y)).isCloseTo(WARPED.heightAt(x, y), within(6_000.0));
        }
    }

    /** A tilted plane is its own bilinear surface, exactly. */
    @Test
    void aPlaneIsMetExactly() {
        Surface plane = (x, y) -> 0.003 * x - 0.002 * y + 40_000;
        ProbeTable.Reading r = ProbeTable.read(points(plane, 17, -1), GRID);
        assertThat(r.map().heightAt(33e6, 21e6))
                .isCloseTo(plane.heightAt(33e6, 21e6), within(60.0));
        assertThat(ProbeTable.read(ProbeTable.write(r.map()), GRID).map().heightAt(9e6, 9e6))
                .isCloseTo(plane.heightAt(9e6, 9e6), within(120.0));
    }

    @Test
    void missingAndWildPointsAreSaidAndMended() {
        for (int at : new int[] {0, 7, 14, 80, 83, 164}) {
            ProbeTable.Reading wild = ProbeTable.read(points(WARPED, -1, at), GRID);
            assertThat(wild.wild()).as("wild %s", at).hasSize(1);
            assertThat(wild.problems()).singleElement().asString().contains("stands out");
            ProbeTable.Reading missing = ProbeTable.read(points(WARPED, at, -1), GRID);
            assertThat(missing.missing()).hasSize(1);
            double x = GRID.x(at % GRID.columns());
            double y = GRID.y(at / GRID.columns());
            for (ProbeTable.Reading r : new ProbeTable.Reading[] {wild, missing}) {
                assertThat(r.map().heightAt(x, y))
                        .isCloseTo(WARPED.heightAt(x, y), within(60_000.0));
            }
        }
    }

    @Test
    void nonsenseIsRefusedWithItsLine() {
        ProbeTable.Reading r = ProbeTable.read("hello\n1 2\n500 500 0\nNaN 1 1\n", GRID);
        assertThat(r.isUsable()).isFalse();
        assertThat(r.problems())
                .anyMatch(p -> p.startsWith("Line 1 is not x, y and z"))
                .anyMatch(p -> p.startsWith("Line 3 is not on the probed grid"))
                .anyMatch(p -> p.contains("probe again"));
    }
}
