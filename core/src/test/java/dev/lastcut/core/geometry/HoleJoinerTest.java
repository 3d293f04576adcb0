package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** Holes joined by cut-ins, taken apart again, and offset ring by ring, against the library. */
class HoleJoinerTest {
    /**
     * A square with random discs, boxes and rings taken out; areas within holes are other polygons.
     */
    private static Geometry perforated(long seed) {
        Random r = new Random(seed);
        List<Geometry> out = new ArrayList<>();
        for (int i = 0; i < 120; i++) {
            double x = 2e6 + r.nextInt(36_000) * 1e3;
            double y = 2e6 + r.nextInt(36_000) * 1e3;
            Geometry disc = Flattener.FINE.disc(x, y, 3e5 + r.nextInt(900) * 1e3);
            out.add(i % 4 == 0 ? Geo.difference(disc, disc.buffer(-2e5)) : disc.getEnvelope());
            out.add(i % 3 == 0 ? disc : Geo.rectangle(disc.getEnvelopeInternal()));
        }
        return Geo.difference(Geo.rectangle(0, 0, 40_000_000, 40_000_000), Geo.union(out));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void oneContourWithHorizontalCutInsIsTheSameArea(long seed) {
        for (Polygon p : Geo.polygons(perforated(seed))) {
            Coordinate[] ring = HoleJoiner.join(p);
            assertThat(ring[0].equals2D(ring[ring.length - 1])).isTrue();
            Geometry back = Rings.fill(ring);
            assertThat(Geo.symmetricDifference(back, p).getArea()).isLessThan(p.getArea() * 1e-8);
            if (p.getNumInteriorRing() > 0) {
                Polygon parted = CutIns.parted(ring);
                assertThat(parted != null).as("taken apart without working out windings").isTrue();
                assertThat(parted.getNumInteriorRing()).isEqualTo(p.getNumInteriorRing());
            }
        }
    }

    @Test
    void otherContoursAreLeftToBeWorkedOut() {
        Coordinate[] eight = {
            new Coordinate(0, 0),
            new Coordinate(10, 10),
            new Coordinate(10, 0),
            new Coordinate(0, 10),
            new Coordinate(0, 0)
        };
        assertThat(CutIns.parted(eight) == null).isTrue();
        // An edge run along twice the same way is no cut-in.
        Coordinate[] twice = {
            new Coordinate(0, 0),
            new Coordinate(9, 0),
            new Coordinate(9, 9),
            new Coordinate(0, 0),
            new Coordinate(9, 0),
            new Coordinate(9, 9),
            new Coordinate(0, 0)
        };
        assertThat(CutIns.parted(twice) == null).isTrue();
        assertThat(Rings.fill(twice).getArea()).isEqualTo(40.5);
    }

    @ParameterizedTest
    @ValueSource(longs = {5, 6})
    void offsetsRingByRingAreThoseOfTheWhole(long seed) {
        Geometry g = perforated(seed);
        for (double by : new double[] {-350_000, -80_000, 60_000, 300_000}) {
            double whole = Geo.offset(g, by, 200).getArea();
            assertThat(RingOffset.offset(g, by, 200).getArea())
                    .as("by %f", by)
                    .isCloseTo(whole, within(whole * 1e-6));
        }
    }
}
