package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

class RingsTest {
    /** A square contour that runs in to each of many holes, round it, and out again. */
    private static Coordinate[] withCutIns(long seed) {
        Random r = new Random(seed);
        List<Coordinate> ring = new ArrayList<>();
        ring.add(new Coordinate(0, 0));
        for (int row = 0; row < 6; row++) {
            double y = 10 + 20 * row + r.nextInt(5);
            ring.add(new Coordinate(0, y));
            for (int k = 0; k < 5; k++) {
                double x = 10 + 20 * k;
                ring.add(new Coordinate(x, y));
                ring.add(new Coordinate(x + 5, y - 4));
                ring.add(new Coordinate(x + 10, y));
                ring.add(new Coordinate(x + 5, y + 4));
                ring.add(new Coordinate(x, y));
                ring.add(new Coordinate(x + 5, y + 4));
                ring.add(new Coordinate(x + 10, y));
            }
            ring.add(new Coordinate(0, y));
        }
        ring.add(new Coordinate(0, 130));
        ring.add(new Coordinate(130, 130));
        ring.add(new Coordinate(130, 0));
        ring.add(new Coordinate(0, 0));
        ring.forEach(c -> c.setCoordinate(new Coordinate(c.x * 1e5, c.y * 1e5)));
        return ring.toArray(Coordinate[]::new);
    }

    /** What is written of it must not change from run to run: not a corner, not their order. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void theSameRingIsFilledTheSameToTheLastCorner(long seed) {
        Coordinate[] ring = withCutIns(seed);
        Geometry first = Rings.fill(ring);
        assertThat(first.isValid()).isTrue();
        for (int i = 0; i < 30; i++) {
            // The edges are new objects each time, as they are in another run of the program.
            assertThat(Rings.fill(ring.clone()).toText()).isEqualTo(first.toText());
        }
    }
}
