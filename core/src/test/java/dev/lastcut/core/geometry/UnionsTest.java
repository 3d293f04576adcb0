package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/** Our unions against a second library, and against a theorem. */
class UnionsTest {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    /**
     * Random convex polygons, thrown over each other: their union has the area the JDK gives it.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void unionsHaveTheAreaOfAnotherLibrary(long seed) {
        Random random = new Random(seed);
        Geometry ours = Geo.empty();
        Area theirs = new Area();
        for (int i = 0; i < 25; i++) {
            List<Coordinate> ring = ring(random, 3 + random.nextInt(6));
            ours = Geo.union(ours, polygon(ring));
            theirs.add(new Area(path(ring)));
        }
        assertThat(ours.getArea() / 1e12).isCloseTo(area(theirs) / 1e12, within(1e-4));
    }

    /**
     * Pick's theorem: a polygon on a grid has the area i + b/2 - 1, of the points inside and on its
     * edge.
     */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13})
    void aPolygonOnAGridHasTheAreaOfItsPoints(long seed) {
        Random random = new Random(seed);
        Geometry all = Geo.empty();
        for (int i = 0; i < 4; i++) {
            long x = random.nextInt(8);
            long y = random.nextInt(8);
            all = Geo.union(all, Geo.rectangle(x, y, x + 6 + random.nextInt(8), y + 9));
        }
        if (all instanceof Polygon p && p.getNumInteriorRing() == 0) {
            int inside = 0;
            int edge = 0;
            for (int x = 0; x <= 30; x++) {
                for (int y = 0; y <= 30; y++) {
                    Geometry at = FACTORY.createPoint(new Coordinate(x, y));
                    if (p.getExteriorRing().intersects(at)) {
                        edge++;
                    } else if (p.contains(at)) {
                        inside++;
                    }
                }
            }
            assertThat(p.getArea()).isCloseTo(inside + edge / 2.0 - 1, within(1e-9));
        } else {
            assertThat(all.getNumGeometries() + all.getArea()).as("a whole polygon").isZero();
        }
    }

    private static List<Coordinate> ring(Random random, int corners) {
        double cx = 1e6 * random.nextInt(20);
        double cy = 1e6 * random.nextInt(20);
        double r = 1e6 * (2 + random.nextInt(6));
        double turn = random.nextDouble();
        List<Coordinate> all = new ArrayList<>();
        for (int i = 0; i < corners; i++) {
            double a = 2 * Math.PI * (i + turn) / corners;
            all.add(
                    new Coordinate(
                            Math.rint(cx + r * Math.cos(a)), Math.rint(cy + r * Math.sin(a))));
        }
        return all;
    }

    private static Polygon polygon(List<Coordinate> ring) {
        List<Coordinate> closed = new ArrayList<>(ring);
        closed.add(ring.get(0));
        return FACTORY.createPolygon(closed.toArray(new Coordinate[0]));
    }

    private static Path2D path(List<Coordinate> ring) {
        Path2D p = new Path2D.Double();
        p.moveTo(ring.get(0).x, ring.get(0).y);
        ring.forEach(c -> p.lineTo(c.x, c.y));
        p.closePath();
        return p;
    }

    /** The shoelace formula over all contours; holes run the other way round. */
    private static double area(Area a) {
        double twice = 0;
        double[] at = new double[6];
        double[] first = new double[2];
        double[] last = new double[2];
        for (PathIterator i = a.getPathIterator(null); !i.isDone(); i.next()) {
            int what = i.currentSegment(at);
            if (what == PathIterator.SEG_MOVETO) {
                first = new double[] {at[0], at[1]};
                last = first;
            } else {
                double[] to = what == PathIterator.SEG_CLOSE ? first : new double[] {at[0], at[1]};
                twice += last[0] * to[1] - to[0] * last[1];
                last = to;
            }
        }
        return Math.abs(twice) / 2;
    }
}
