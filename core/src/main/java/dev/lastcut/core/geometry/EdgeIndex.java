package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.algorithm.locate.PointOnGeometryLocator;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * The edges of a polygon, indexed in short runs when there are many: a pour's outline follows every
 * track that it passes.
 */
public final class EdgeIndex {
    private static final int RUN = 8;
    private static final int FEW = 40;

    private record Run(Coordinate[] line, int from, int to) {
        boolean passes(Envelope box) {
            for (int i = from; i < to; i++) {
                if (box.intersects(line[i], line[i + 1])) {
                    return true;
                }
            }
            return false;
        }

        double distance(Envelope reach, Coordinate a, Coordinate b) {
            double best = Double.POSITIVE_INFINITY;
            for (int i = from; i < to; i++) {
                if (reach.intersects(line[i], line[i + 1])) {
                    best = Math.min(best, Distance.segmentToSegment(line[i], line[i + 1], a, b));
                }
            }
            return best;
        }

        Envelope box() {
            Envelope e = new Envelope();
            for (int i = from; i <= to; i++) {
                e.expandToInclude(line[i]);
            }
            return e;
        }
    }

    private final PointOnGeometryLocator locator;
    private final List<Run> runs = new ArrayList<>();
    private final HPRtree tree;

    public EdgeIndex(Polygon polygon) {
        boolean few = polygon.getNumPoints() < FEW;
        locator =
                few
                        ? new SimplePointInAreaLocator(polygon)
                        : new IndexedPointInAreaLocator(polygon);
        tree = few ? null : new HPRtree();
        add(polygon.getExteriorRing());
        for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
            add(polygon.getInteriorRingN(i));
        }
        if (tree != null) {
            tree.build();
        }
    }

    private void add(LineString ring) {
        Coordinate[] line = ring.getCoordinates();
        int step = tree == null ? line.length : RUN;
        for (int from = 0; from < line.length - 1; from += step) {
            int to = Math.min(line.length - 1, from + step);
            Run run = new Run(line, from, to);
            if (tree == null) {
                runs.add(run);
            } else {
                tree.insert(run.box(), run);
            }
        }
    }

    /** One of {@link org.locationtech.jts.geom.Location}: inside, on the edge, or outside. */
    public int locate(Coordinate p) {
        return locator.locate(p);
    }

    /** Whether any edge comes within {@code limit} of the segment; {@code reach} is its box. */
    public boolean nearerThan(Envelope reach, Coordinate from, Coordinate to, double limit) {
        if (tree == null) {
            return runs.stream().anyMatch(r -> near(r, from, to, limit));
        }
        for (Object o : tree.query(reach)) {
            if (near((Run) o, from, to, limit)) {
                return true;
            }
        }
        return false;
    }

    /**
     * The nearest any edge comes to the segment, nm; infinite where none lies in {@code reach}, the
     * box to look in.
     */
    public double distance(Envelope reach, Coordinate from, Coordinate to) {
        double[] best = {Double.POSITIVE_INFINITY};
        if (tree == null) {
            runs.forEach(r -> best[0] = Math.min(best[0], r.distance(reach, from, to)));
        } else {
            tree.query(
                    reach, o -> best[0] = Math.min(best[0], ((Run) o).distance(reach, from, to)));
        }
        return best[0];
    }

    /** Whether any edge may pass through the box; never false when one does. */
    public boolean mayCross(Envelope box) {
        if (tree == null) {
            return runs.stream().anyMatch(r -> r.passes(box));
        }
        boolean[] found = {false};
        tree.query(box, o -> found[0] |= ((Run) o).passes(box));
        return found[0];
    }

    private static boolean near(Run run, Coordinate from, Coordinate to, double limit) {
        for (int i = run.from; i < run.to; i++) {
            if (Distance.segmentToSegment(run.line[i], run.line[i + 1], from, to) <= limit) {
                return true;
            }
        }
        return false;
    }
}
