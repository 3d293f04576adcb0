package dev.lastcut.core.geometry;

import dev.lastcut.core.work.Parallel;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * The narrow places of a polygon. A neck is a straight way across whose two ends lie on edges that
 * do not meet, such that the circle about the way as its diameter holds no edge: the largest circle
 * that can pass there. Corners, however sharp, and round ends are no necks.
 */
public final class Necks {
    /** An edge may reach into the circle by this share of its radius: flattened curves do. */
    private static final double SHARE = 0.01;

    /** Edges this near to each other touch; there is no way across. */
    private static final double TOUCH_NM = 10;

    /** Edges that part by less than this are parallel. */
    private static final double EVEN_NM = 20;

    /** Edges are looked up in runs of so many. */
    private static final int RUN = 8;

    /** A few edges of a ring in a row, the polygon on their left. */
    private record Run(int ring, int from, int to, Coordinate[] c) {
        Envelope reach(double by) {
            Envelope e = new Envelope();
            for (int i = from; i <= to; i++) {
                e.expandToInclude(c[i]);
            }
            e.expandBy(by);
            return e;
        }

        /** Whether an edge of this run and one of another share a corner. */
        boolean meets(int i, Run o, int k) {
            int apart = Math.abs(i - k);
            return ring == o.ring && (apart <= 1 || apart == c.length - 2);
        }
    }

    private final List<Run> runs = new ArrayList<>();
    private final HPRtree tree = new HPRtree();
    private final IndexedPointInAreaLocator inside;

    private Necks(Polygon p) {
        inside = new IndexedPointInAreaLocator(p);
        add(p.getExteriorRing(), 0);
        for (int i = 0; i < p.getNumInteriorRing(); i++) {
            add(p.getInteriorRingN(i), i + 1);
        }
        for (int i = 0; i < runs.size(); i++) {
            tree.insert(runs.get(i).reach(0), i);
        }
        tree.build();
    }

    private void add(LineString ring, int number) {
        boolean leftOfIt = Orientation.isCCW(ring.getCoordinateSequence()) == (number == 0);
        Coordinate[] c = (leftOfIt ? ring : ring.reverse()).getCoordinates();
        for (int from = 0; from < c.length - 1; from += RUN) {
            runs.add(new Run(number, from, Math.min(c.length - 1, from + RUN), c));
        }
    }

    /** The ways across of less than {@code limitNm}; a long neck gives many. */
    public static List<Measure> of(Polygon p, double limitNm) {
        if (p.getNumPoints() < 5) {
            return List.of();
        }
        Necks necks = new Necks(p);
        return Parallel.map(necks.runs.size(), i -> necks.from(i, limitNm)).stream()
                .flatMap(List::stream)
                .toList();
    }

    private List<Measure> from(int number, double limit) {
        WorkLimit.step();
        Run run = runs.get(number);
        Envelope reach = run.reach(limit);
        List<Measure> found = new ArrayList<>();
        tree.query(
                reach,
                o -> {
                    if ((Integer) o >= number) {
                        compare(run, runs.get((Integer) o), limit, found);
                    }
                });
        return found;
    }

    private void compare(Run a, Run b, double limit, List<Measure> found) {
        for (int i = a.from; i < a.to; i++) {
            for (int k = a == b ? i + 1 : b.from; k < b.to; k++) {
                if (a.meets(i, b, k) || !faces(a, i, b, k) || !faces(b, k, a, i)) {
                    continue;
                }
                double d = Distance.segmentToSegment(a.c[i], a.c[i + 1], b.c[k], b.c[k + 1]);
                if (d > TOUCH_NM && d < limit) {
                    Coordinate[] way =
                            across(
                                    new LineSegment(a.c[i], a.c[i + 1]),
                                    new LineSegment(b.c[k], b.c[k + 1]),
                                    d);
                    if (isNeck(way[0], way[1], d)) {
                        found.add(new Measure(Pt.of(way[0]), Pt.of(way[1]), d));
                    }
                }
            }
        }
    }

    /**
     * The nearest points of two edges; in the middle of where they face each other when they are as
     * near as that all along.
     */
    private static Coordinate[] across(LineSegment a, LineSegment b, double d) {
        double p = Math.max(0, Math.min(1, a.projectionFactor(b.p0)));
        double q = Math.max(0, Math.min(1, a.projectionFactor(b.p1)));
        Coordinate from = a.pointAlong((p + q) / 2);
        Coordinate to = b.closestPoint(from);
        return p != q && from.distance(to) <= d + EVEN_NM
                ? new Coordinate[] {from, to}
                : a.closestPoints(b);
    }

    /** Whether the other edge lies, in part, on the inner side of this one. */
    private static boolean faces(Run a, int i, Run b, int k) {
        return left(a.c[i], a.c[i + 1], b.c[k]) > 0 || left(a.c[i], a.c[i + 1], b.c[k + 1]) > 0;
    }

    private static double left(Coordinate a, Coordinate b, Coordinate p) {
        return (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);
    }

    private boolean isNeck(Coordinate from, Coordinate to, double d) {
        Coordinate middle = new Coordinate((from.x + to.x) / 2, (from.y + to.y) / 2);
        return inside.locate(middle) == Location.INTERIOR && isFree(middle, d / 2 * (1 - SHARE));
    }

    /** Whether no edge comes into the circle. */
    private boolean isFree(Coordinate middle, double radius) {
        boolean[] free = {true};
        tree.query(
                Geo.expanded(new Envelope(middle), radius),
                o -> {
                    Run r = runs.get((Integer) o);
                    for (int i = r.from; free[0] && i < r.to; i++) {
                        free[0] = Distance.pointToSegment(middle, r.c[i], r.c[i + 1]) >= radius;
                    }
                });
        return free[0];
    }
}
