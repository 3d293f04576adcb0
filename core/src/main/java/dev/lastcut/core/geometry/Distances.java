package dev.lastcut.core.geometry;

import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Lineal;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.linearref.LengthIndexedLine;
import org.locationtech.jts.operation.distance.DistanceOp;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;
import org.locationtech.jts.operation.linemerge.LineMerger;

/** Distances between outlines, and the places where two shapes come too close to each other. */
public final class Distances {
    /** Places that differ in distance by no more than this are equally narrow. */
    private static final double EQUAL_NM = 500;

    private static final int QUADRANT_CHORDS = 64;

    private Distances() {}

    /** The nearest places of two geometries; 0 where they overlap. */
    public static Measure between(Geometry a, Geometry b) {
        WorkLimit.steps(a.getNumPoints() + b.getNumPoints());
        if (a.getNumPoints() + b.getNumPoints() < 64) {
            Coordinate[] c = new DistanceOp(a, b).nearestPoints();
            return new Measure(Pt.of(c[0]), Pt.of(c[1]), c[0].distance(c[1]));
        }
        Coordinate[] c = new IndexedFacetDistance(a).nearestPoints(b);
        return new Measure(Pt.of(c[0]), Pt.of(c[1]), c[0].distance(c[1]));
    }

    /**
     * A contiguous stretch along which two shapes are too close: its narrowest place, its length.
     */
    public record Run(Measure narrowest, double lengthNm) {}

    /**
     * Every separate stretch along which {@code a} and {@code b}, which do not overlap, are closer
     * than {@code limitNm}.
     *
     * <p>A stretch is a connected part of the zone within half the limit of both shapes, so a long
     * parallel run is one stretch however many objects it is drawn with.
     */
    public static List<Run> closerThan(Geometry a, Geometry b, double limitNm) {
        var window = Geo.expanded(a.getEnvelopeInternal(), limitNm);
        Geometry nearB = Geo.clip(b, window);
        Geometry nearA = Geo.clip(a, Geo.expanded(nearB.getEnvelopeInternal(), limitNm));
        if (nearA.isEmpty() || nearB.isEmpty()) {
            return List.of();
        }
        double half = limitNm / 2;
        Geometry zoneA = Geo.offset(nearA, half, limitNm / 100);
        Geometry zoneB = Geo.offset(nearB, half, limitNm / 100);
        Geometry zone = Geo.intersection(zoneA, zoneB);
        List<Run> runs = new ArrayList<>();
        if (!(zone instanceof Lineal)) {
            Geo.eachPolygon(zone, z -> addRun(nearA, nearB, z, limitNm, runs));
        }
        if (runs.isEmpty()) {
            // Closer than the limit by less than the offsets' chord error: still one place.
            Measure m = between(nearA, nearB);
            if (m.nm() < limitNm) {
                runs.add(new Run(m, 0));
            }
        }
        return runs;
    }

    /**
     * The same for shapes that are given in parts. Only what lies near the other shape is joined.
     */
    public static List<Run> closerThan(
            Collection<Polygon> a, Collection<Polygon> b, double limitNm) {
        Envelope nearA = Geo.expanded(envelope(b), 2 * limitNm);
        Envelope nearB = Geo.expanded(envelope(a), 2 * limitNm);
        return closerThan(joined(a, nearA), joined(b, nearB), limitNm);
    }

    private static Envelope envelope(Collection<Polygon> all) {
        Envelope e = new Envelope();
        all.forEach(p -> e.expandToInclude(p.getEnvelopeInternal()));
        return e;
    }

    private static Geometry joined(Collection<Polygon> parts, Envelope window) {
        return Geo.union(parts.stream().map(p -> Geo.clip(p, window)).toList());
    }

    /**
     * The same measure, put in the middle of the stretch along which the two shapes are as close:
     * where edges run parallel, the nearest places that are found first are an end of it.
     *
     * @param narrowest the nearest places of the two
     */
    public static Measure centred(Geometry a, Geometry b, Measure narrowest) {
        if (narrowest.nm() <= 0) {
            return narrowest;
        }
        double reach = narrowest.nm() + EQUAL_NM;
        Envelope window = Geo.expanded(b.getEnvelopeInternal(), 2 * reach);
        Geometry near = a.getBoundary().isEmpty() ? a : a.getBoundary();
        Geometry stretch =
                near.intersection(Geo.FACTORY.toGeometry(window))
                        .intersection(b.buffer(reach, QUADRANT_CHORDS));
        LineMerger merger = new LineMerger();
        merger.add(stretch);
        Point from = Geo.point(narrowest.from());
        LineString best = null;
        for (Object o : merger.getMergedLineStrings()) {
            LineString line = (LineString) o;
            boolean here = line.distance(from) <= EQUAL_NM;
            if (here && (best == null || line.getLength() > best.getLength())) {
                best = line;
            }
        }
        if (best == null) {
            return narrowest;
        }
        Coordinate middle = new LengthIndexedLine(best).extractPoint(best.getLength() / 2);
        Coordinate[] across = new DistanceOp(Geo.FACTORY.createPoint(middle), b).nearestPoints();
        // Of a stretch that bends away in between, the middle says nothing.
        return across[0].distance(across[1]) > reach + EQUAL_NM
                ? narrowest
                : new Measure(Pt.of(across[0]), Pt.of(across[1]), narrowest.nm());
    }

    private static void addRun(
            Geometry a, Geometry b, Geometry zone, double limitNm, List<Run> runs) {
        var window = Geo.expanded(zone.getEnvelopeInternal(), limitNm / 2);
        Geometry partA = Geo.clip(a, window);
        Geometry partB = Geo.clip(b, window);
        if (partA.isEmpty() || partB.isEmpty()) {
            return;
        }
        Measure m = centred(partA, partB, between(partA, partB));
        if (m.nm() < limitNm) {
            runs.add(new Run(m, Math.max(0, zone.getLength() / 2 - (limitNm - m.nm()))));
        }
    }
}
