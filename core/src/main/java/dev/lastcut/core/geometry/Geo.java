package dev.lastcut.core.geometry;

import dev.lastcut.core.work.Parallel;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryCollection;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.Polygonal;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.Puntal;
import org.locationtech.jts.geom.TopologyException;
import org.locationtech.jts.noding.IntersectionAdder;
import org.locationtech.jts.noding.MCIndexNoder;
import org.locationtech.jts.noding.Noder;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.union.UnaryUnionOp;
import org.locationtech.jts.operation.union.UnionStrategy;

/** Overlay, offset and small conveniences over JTS, all on the nanometre grid. */
public final class Geo {
    /** One grid unit is one nanometre. */
    public static final PrecisionModel GRID = new PrecisionModel(1.0);

    public static final GeometryFactory FACTORY = new GeometryFactory(GRID);
    private static final PrecisionModel FLOATING = new PrecisionModel();
    private static final GeometryFactory EXACT = new GeometryFactory(FLOATING);

    private static final int MANY_GROUPS = 64;

    /** So few are overlaid sooner than looked at for which of them meet. */
    private static final int FEW_PARTS = 8;

    private Geo() {}

    public static Geometry empty() {
        return FACTORY.createPolygon();
    }

    /**
     * The union of areal geometries; empty for none. Only those that meet are overlaid, which keeps
     * the union of a large picture near linear.
     */
    public static Geometry union(Collection<? extends Geometry> parts) {
        if (parts.isEmpty()) {
            return empty();
        }
        if (parts.size() == 1) {
            return parts.iterator().next();
        }
        if (parts.size() <= FEW_PARTS) {
            return unionOf(List.copyOf(parts));
        }
        List<List<Geometry>> groups = Groups.touching(parts);
        // The groups have nothing to do with each other; their order is kept.
        List<Geometry> each =
                groups.size() > MANY_GROUPS
                        ? Parallel.map(groups, Geo::unionOf)
                        : groups.stream().map(Geo::unionOf).toList();
        List<Polygon> whole = new ArrayList<>();
        each.forEach(g -> eachPolygon(g, whole::add));
        return collected(whole);
    }

    /** Polygons that do not touch each other, as one geometry. */
    public static Geometry collected(List<Polygon> apart) {
        if (apart.isEmpty()) {
            return empty();
        }
        return apart.size() == 1
                ? apart.get(0)
                : FACTORY.createMultiPolygon(apart.toArray(Polygon[]::new));
    }

    public static Geometry union(Geometry a, Geometry b) {
        return overlay(a, b, OverlayNG.UNION);
    }

    public static Geometry difference(Geometry a, Geometry b) {
        return a.getEnvelopeInternal().intersects(b.getEnvelopeInternal())
                ? likeFirst(a, overlay(a, b, OverlayNG.DIFFERENCE))
                : a;
    }

    /** What is left of areas are areas: rounding to the grid can leave lines beside them. */
    private static Geometry likeFirst(Geometry a, Geometry result) {
        return a instanceof Polygonal && !(result instanceof Polygonal)
                ? collected(polygons(result))
                : result;
    }

    public static Geometry intersection(Geometry a, Geometry b) {
        return a.getEnvelopeInternal().intersects(b.getEnvelopeInternal())
                ? overlay(a, b, OverlayNG.INTERSECTION)
                : empty();
    }

    /** What two areas share, without the lines and points in which they merely touch. */
    public static Geometry sharedArea(Geometry a, Geometry b) {
        Geometry shared = intersection(a, b);
        return shared instanceof Polygonal ? shared : collected(polygons(shared));
    }

    public static Geometry symmetricDifference(Geometry a, Geometry b) {
        return overlay(a, b, OverlayNG.SYMDIFFERENCE);
    }

    /**
     * A difference whose crossings stay where they fall, off the grid, and whose other corners are
     * those of its sources to the last bit: for shapes that are followed or measured and not
     * overlaid again.
     */
    public static Geometry differenceOffGrid(Geometry a, Geometry b) {
        WorkLimit.steps(a.getNumPoints() + b.getNumPoints());
        try {
            Noder noder = new MCIndexNoder(new IntersectionAdder(new RobustLineIntersector()));
            Geometry less = OverlayNG.overlay(a, b, OverlayNG.DIFFERENCE, FLOATING, noder);
            // This noder does not look over its own work; what it could miss, areas show.
            boolean sound = less.getArea() <= a.getArea() * (1 + 1e-9);
            return sound ? less : snapped(a, b, OverlayNG.DIFFERENCE);
        } catch (TopologyException notNoded) {
            return snapped(a, b, OverlayNG.DIFFERENCE);
        }
    }

    /** {@link #sharedArea} with crossings where they fall, off the grid. */
    public static Geometry sharedAreaOffGrid(Geometry a, Geometry b) {
        if (!a.getEnvelopeInternal().intersects(b.getEnvelopeInternal())) {
            return empty();
        }
        WorkLimit.steps(a.getNumPoints() + b.getNumPoints());
        Geometry shared;
        try {
            shared = OverlayNG.overlay(a, b, OverlayNG.INTERSECTION, FLOATING);
        } catch (TopologyException first) {
            shared = snapped(a, b, OverlayNG.INTERSECTION);
        }
        return shared instanceof Polygonal ? shared : collected(polygons(shared));
    }

    /** {@link #union} with crossings where they fall, off the grid. */
    public static Geometry unionOffGrid(Collection<? extends Geometry> parts) {
        List<Polygon> whole = new ArrayList<>();
        Parallel.map(Groups.touching(parts), g -> g.size() == 1 ? g.get(0) : exactUnion(g))
                .forEach(g -> eachPolygon(g, whole::add));
        return collected(whole);
    }

    /** As {@link OverlayNGRobust#union} has it, and it can be cancelled between two steps. */
    private static final UnionStrategy STEPWISE =
            new UnionStrategy() {
                @Override
                public Geometry union(Geometry a, Geometry b) {
                    WorkLimit.ask();
                    return OverlayNGRobust.overlay(a, b, OverlayNG.UNION);
                }

                @Override
                public boolean isFloatingPrecision() {
                    return true;
                }
            };

    private static Geometry exactUnion(List<Geometry> group) {
        group.forEach(g -> WorkLimit.steps(g.getNumPoints()));
        List<Geometry> exact = new ArrayList<>();
        group.forEach(g -> exact.add(EXACT.createGeometry(g)));
        try {
            UnaryUnionOp union = new UnaryUnionOp(exact, EXACT);
            union.setUnionFunction(STEPWISE);
            return union.union();
        } catch (TopologyException first) {
            return UnaryUnionNG.union(group, FACTORY, GRID);
        }
    }

    private static Geometry overlay(Geometry a, Geometry b, int operation) {
        WorkLimit.steps(a.getNumPoints() + b.getNumPoints());
        try {
            return onGrid(OverlayNG.overlay(a, b, operation, FLOATING));
        } catch (TopologyException first) {
            return snapped(a, b, operation);
        }
    }

    private static Geometry snapped(Geometry a, Geometry b, int operation) {
        try {
            return OverlayNG.overlay(a, b, operation, GRID);
        } catch (TopologyException first) {
            // Inputs that are invalid by a hair (offset results) pass the robust variant.
            return OverlayNGRobust.overlay(a, b, operation);
        }
    }

    private static Geometry unionOf(List<Geometry> group) {
        if (group.size() == 1) {
            return group.get(0);
        }
        try {
            return onGrid(exactUnion(group));
        } catch (TopologyException first) {
            return UnaryUnionNG.union(group, FACTORY, GRID);
        }
    }

    /**
     * Rounds a floating result to the grid. Overlaying in floating point and rounding once is about
     * twice as fast as rounding at every step, and crossings are known to far less than 1 nm.
     */
    private static Geometry onGrid(Geometry g) {
        // Areas that also touch along a line give both; rounding takes one kind only.
        boolean mixed = g.getClass() == GeometryCollection.class && !polygons(g).isEmpty();
        Geometry result = mixed ? collected(polygons(g)) : FACTORY.createGeometry(g);
        for (Coordinate c : result.getCoordinates()) {
            if (c.x != Math.rint(c.x) || c.y != Math.rint(c.y)) {
                return likeFirst(result, snapped(result, null, OverlayNG.UNION));
            }
        }
        return result;
    }

    /**
     * Everything within {@code distanceNm} of the geometry, round at corners; a negative distance
     * shrinks an area. The arcs deviate from true circles by at most {@code chordErrorNm}, always
     * to the inside.
     */
    public static Geometry offset(Geometry g, double distanceNm, double chordErrorNm) {
        WorkLimit.steps(g.getNumPoints());
        BufferParameters how = new BufferParameters();
        how.setQuadrantSegments(quadrantSegments(Math.abs(distanceNm), chordErrorNm));
        how.setSimplifyFactor(0.0005);
        return BufferOp.bufferOp(opened(g), distanceNm, how);
    }

    /**
     * Closed lines in two open halves: the library takes a closed line for a ring, and where the
     * distance is wider than the ring, what it makes of the inside can leave a hole.
     */
    private static Geometry opened(Geometry g) {
        if (g instanceof Polygonal || g instanceof Puntal) {
            return g;
        }
        List<Geometry> parts = new ArrayList<>();
        for (int i = 0; i < g.getNumGeometries(); i++) {
            Geometry part = g.getGeometryN(i);
            if (part instanceof LineString line && line.isClosed() && line.getNumPoints() > 3) {
                Coordinate[] c = line.getCoordinates();
                parts.add(FACTORY.createLineString(Arrays.copyOfRange(c, 0, c.length / 2 + 1)));
                parts.add(FACTORY.createLineString(Arrays.copyOfRange(c, c.length / 2, c.length)));
            } else {
                parts.add(part);
            }
        }
        return parts.size() == g.getNumGeometries() ? g : FACTORY.buildGeometry(parts);
    }

    /**
     * The same where a boundary may deviate by the error to either side: dents that are shallower
     * go first. With a distance wider than the gaps of a pour that is several times as fast.
     */
    public static Geometry offsetAbout(Geometry g, double distanceNm, double errorNm) {
        BufferParameters how = new BufferParameters();
        double distance = Math.abs(distanceNm);
        how.setQuadrantSegments(quadrantSegments(distance, errorNm));
        how.setSimplifyFactor(Math.min(0.1, errorNm / Math.max(1, distance)));
        return BufferOp.bufferOp(g, distanceNm, how);
    }

    /** Chords per quarter turn so that the sagitta r(1 − cos(π/4q)) stays within the error. */
    static int quadrantSegments(double radiusNm, double chordErrorNm) {
        if (radiusNm <= chordErrorNm) {
            return 2;
        }
        double half = Math.acos(1 - chordErrorNm / radiusNm);
        return Math.max(2, (int) Math.ceil(Math.PI / 4 / half));
    }

    /** Calls {@code each} for every polygon in the geometry, in order. */
    public static void eachPolygon(Geometry g, Consumer<Polygon> each) {
        for (int i = 0; i < g.getNumGeometries(); i++) {
            Geometry part = g.getGeometryN(i);
            if (part instanceof Polygon polygon) {
                if (!polygon.isEmpty()) {
                    each.accept(polygon);
                }
            } else if (part.getNumGeometries() > 1 || part != g) {
                eachPolygon(part, each);
            }
        }
    }

    public static List<Polygon> polygons(Geometry g) {
        List<Polygon> result = new ArrayList<>();
        eachPolygon(g, result::add);
        return result;
    }

    public static Polygon rectangle(Envelope e) {
        return (Polygon) FACTORY.toGeometry(e);
    }

    public static Polygon rectangle(long x0, long y0, long x1, long y1) {
        return rectangle(new Envelope(x0, x1, y0, y1));
    }

    public static LineString line(Pt a, Pt b) {
        return FACTORY.createLineString(new Coordinate[] {a.coordinate(), b.coordinate()});
    }

    public static org.locationtech.jts.geom.Point point(Pt p) {
        return FACTORY.createPoint(p.coordinate());
    }

    public static Envelope expanded(Envelope e, double byNm) {
        Envelope copy = new Envelope(e);
        copy.expandBy(byNm);
        return copy;
    }

    /** The part of a geometry within an envelope, which is wider than a point; cheap when whole. */
    public static Geometry clip(Geometry g, Envelope e) {
        if (e.isNull() || g.isEmpty()) {
            return empty();
        }
        return e.contains(g.getEnvelopeInternal()) ? g : intersection(g, rectangle(e));
    }
}
