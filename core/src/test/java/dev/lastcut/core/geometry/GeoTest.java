package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/** Offsets against the distance of places, differences in parts against differences in one. */
class GeoTest {
    private static Coordinate anywhere(Random r, double size) {
        return new Coordinate(Math.rint(r.nextDouble() * size), Math.rint(r.nextDouble() * size));
    }

    /** A closed line round a small triangle, everywhere narrower than what it is offset by. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void anOffsetHasWhatIsWithinTheDistanceAndNothingElse(long seed) {
        Random r = new Random(seed);
        Coordinate a = anywhere(r, 200_000);
        Coordinate[] corners = {a, anywhere(r, 200_000), anywhere(r, 200_000), a};
        Polygon round = (Polygon) Geo.offset(Geo.FACTORY.createPolygon(corners), 200_000, 1_500);
        LineString line = Geo.FACTORY.createLineString(round.getExteriorRing().getCoordinates());
        double distance = 400_000;
        Geometry grown = Geo.offset(line, distance, 500);
        for (int i = 0; i < 500; i++) {
            Coordinate c = anywhere(r, 1_600_000);
            Geometry p = Geo.FACTORY.createPoint(new Coordinate(c.x - 700_000, c.y - 700_000));
            double far = p.distance(line);
            if (far < distance - 1_000) {
                assertThat(grown.contains(p)).as("%s at %.0f nm", p, far).isTrue();
            } else if (far > distance + 1_000) {
                assertThat(grown.intersects(p)).as("%s at %.0f nm", p, far).isFalse();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void inPartsComesOutAsInOne(long seed) {
        Random r = new Random(seed);
        Geometry many = squares(r, 120, 300_000);
        Geometry few = squares(r, 40, 900_000);
        for (double distance : new double[] {150_000, -50_000}) {
            Geometry inParts = DisjointOverlay.offsetAbout(many, distance, 500);
            Geometry inOne = Geo.offset(many, distance, 100);
            double rim = inOne.getLength() * 1_000;
            assertThat(Geo.symmetricDifference(inParts, inOne).getArea()).isLessThan(rim);
        }
        Geometry inParts = Geo.union(DisjointOverlay.differenceOffGrid(many, few));
        Geometry inOne = Geo.difference(many, few);
        assertThat(Geo.symmetricDifference(inParts, inOne).getArea())
                .isLessThan(inOne.getLength() * 2);
    }

    /** Turned squares that do not overlap. */
    private static Geometry squares(Random r, int count, double size) {
        List<Geometry> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Coordinate c = anywhere(r, 8_000_000);
            Envelope box = new Envelope(c.x, c.x + size, c.y, c.y + size * r.nextDouble());
            all.add(Geo.rectangle(box));
        }
        Geometry union = Geo.union(all);
        List<Polygon> apart = Geo.polygons(union);
        return Geo.collected(apart);
    }
}
