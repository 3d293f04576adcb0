package dev.lastcut.core.geometry;

import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.noding.BasicSegmentString;
import org.locationtech.jts.noding.MCIndexNoder;
import org.locationtech.jts.noding.SegmentIntersector;
import org.locationtech.jts.noding.SegmentString;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.polygonize.Polygonizer;

/** Fills closed rings that may touch or cross themselves, such as contours with cut-ins. */
public final class Rings {
    /** Looking at so many corners is about as much work as one step. */
    private static final int CORNERS_OF_A_STEP = 500;

    /** A contour that crosses itself more often than this is no drawing of anything. */
    private static final int MOST_CROSSINGS = 20_000;

    private Rings() {}

    /**
     * The area a closed ring winds about (non-zero rule). Cut-ins, where the ring runs in and out
     * along the same line, cancel; a ring without area gives an empty geometry.
     *
     * @param ring first and last coordinate equal
     * @throws WorkLimitException when it crosses itself more than 20,000 times
     */
    public static Geometry fill(Coordinate[] ring) {
        if (ring.length < 4) {
            return Geo.empty();
        }
        Polygon polygon = Geo.FACTORY.createPolygon(ring);
        if (polygon.isValid()) {
            return polygon;
        }
        Polygon parted = CutIns.parted(ring);
        if (parted != null) {
            return parted;
        }
        limitCrossings(ring);
        Geometry noded = UnaryUnionNG.union(Geo.FACTORY.createLineString(ring), Geo.GRID);
        Polygonizer faces = new Polygonizer();
        faces.add(noded);
        List<Geometry> inside = new ArrayList<>();
        @SuppressWarnings("unchecked")
        Collection<Polygon> found = faces.getPolygons();
        for (Polygon face : found) {
            WorkLimit.steps(1 + ring.length / CORNERS_OF_A_STEP);
            if (winding(face.getInteriorPoint().getCoordinate(), ring) != 0) {
                inside.add(face.norm());
            }
        }
        // The library gives faces and their corners in an order that changes from run to run.
        inside.sort(null);
        return Geo.union(inside);
    }

    private static void limitCrossings(Coordinate[] ring) {
        if (ring.length < MOST_CROSSINGS / 100) {
            return;
        }
        CrossingCount count = new CrossingCount();
        new MCIndexNoder(count).computeNodes(List.of(new BasicSegmentString(ring, null)));
        if (count.isDone()) {
            throw new WorkLimitException(
                    "A contour crosses itself more than %,d times; that is no drawing of"
                            + " a board.",
                    MOST_CROSSINGS);
        }
    }

    /** Counts proper crossings until there are too many. */
    private static final class CrossingCount implements SegmentIntersector {
        private final RobustLineIntersector lines = new RobustLineIntersector();
        private int count;

        @Override
        public void processIntersections(SegmentString a, int i, SegmentString b, int k) {
            WorkLimit.step();
            lines.computeIntersection(
                    a.getCoordinate(i),
                    a.getCoordinate(i + 1),
                    b.getCoordinate(k),
                    b.getCoordinate(k + 1));
            count += lines.isProper() ? 1 : 0;
        }

        @Override
        public boolean isDone() {
            return count > MOST_CROSSINGS;
        }
    }

    /** How many times the ring goes round the point, counter-clockwise positive. */
    static int winding(Coordinate p, Coordinate[] ring) {
        int turns = 0;
        for (int i = 1; i < ring.length; i++) {
            Coordinate a = ring[i - 1];
            Coordinate b = ring[i];
            double side = (b.x - a.x) * (p.y - a.y) - (p.x - a.x) * (b.y - a.y);
            if (a.y <= p.y && b.y > p.y && side > 0) {
                turns++;
            } else if (a.y > p.y && b.y <= p.y && side < 0) {
                turns--;
            }
        }
        return turns;
    }
}
