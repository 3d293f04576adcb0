package dev.lastcut.core.formats.solid;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;

/**
 * Cuts a polygon into upright strips with few corners each, for triangulation takes the square of
 * their number. Neighbours share just the corners on the line between them: a cut meets edges,
 * never a corner, and each edge is given its corner there before it is cut.
 */
final class Strips {
    private static final int FEW = 240;

    /** Corners of what is cut lie on multiples of this, nm; cuts run half-way between. */
    private static final double GRID_NM = 1_000;

    private static final GeometryFactory FACTORY = new GeometryFactory();

    private Strips() {}

    static List<Polygon> of(Polygon polygon) {
        List<Polygon> strips = new ArrayList<>();
        split(polygon, strips);
        return strips;
    }

    private static void split(Polygon p, List<Polygon> out) {
        Envelope e = p.getEnvelopeInternal();
        if (p.getNumPoints() <= FEW) {
            out.add(p);
            return;
        }
        double[] xs = Arrays.stream(p.getCoordinates()).mapToDouble(c -> c.x).sorted().toArray();
        double cut = Math.floor(xs[xs.length / 2] / GRID_NM) * GRID_NM + GRID_NM / 2;
        if (cut <= e.getMinX() || cut >= e.getMaxX()) {
            out.add(p);
            return;
        }
        half(p, cut, new Envelope(e.getMinX(), cut, e.getMinY(), e.getMaxY()), out);
        half(p, cut, new Envelope(cut, e.getMaxX(), e.getMinY(), e.getMaxY()), out);
    }

    /** Holes beside the cut stay as they are, so that only what is cut costs anything. */
    private static void half(Polygon p, double cut, Envelope side, List<Polygon> out) {
        List<LinearRing> across = new ArrayList<>();
        List<LinearRing> beside = new ArrayList<>();
        for (int i = 0; i < p.getNumInteriorRing(); i++) {
            LinearRing hole = p.getInteriorRingN(i);
            Envelope h = hole.getEnvelopeInternal();
            if (h.getMinX() < cut && h.getMaxX() > cut) {
                across.add(noded(hole, cut));
            } else if (side.contains(h)) {
                beside.add(hole);
            }
        }
        Polygon shell =
                FACTORY.createPolygon(
                        noded(p.getExteriorRing(), cut), across.toArray(LinearRing[]::new));
        List<Polygon> parts =
                Geo.polygons(
                        OverlayNGRobust.overlay(
                                shell, FACTORY.toGeometry(side), OverlayNG.INTERSECTION));
        Map<Polygon, List<LinearRing>> holes = new IdentityHashMap<>();
        for (LinearRing hole : beside) {
            holes.computeIfAbsent(around(hole, parts), k -> new ArrayList<>()).add(hole);
        }
        for (Polygon part : parts) {
            List<LinearRing> all = new ArrayList<>(holes.getOrDefault(part, List.of()));
            for (int i = 0; i < part.getNumInteriorRing(); i++) {
                all.add(part.getInteriorRingN(i));
            }
            split(
                    FACTORY.createPolygon(part.getExteriorRing(), all.toArray(LinearRing[]::new)),
                    out);
        }
    }

    private static Polygon around(LinearRing hole, List<Polygon> parts) {
        if (parts.size() == 1) {
            return parts.get(0);
        }
        // A hole may touch the part's edge at a corner; not at all of them.
        Coordinate inside = FACTORY.createPolygon(hole).getInteriorPoint().getCoordinate();
        for (Polygon q : parts) {
            if (q.getEnvelopeInternal().contains(inside)
                    && SimplePointInAreaLocator.locate(inside, q) == Location.INTERIOR) {
                return q;
            }
        }
        return parts.get(0);
    }

    private static LinearRing noded(LineString ring, double x) {
        List<Coordinate> all = new ArrayList<>();
        Coordinate[] c = ring.getCoordinates();
        for (int i = 0; i < c.length; i++) {
            if (i > 0 && (c[i - 1].x - x) * (c[i].x - x) < 0) {
                double t = (x - c[i - 1].x) / (c[i].x - c[i - 1].x);
                all.add(new Coordinate(x, Math.rint(c[i - 1].y + t * (c[i].y - c[i - 1].y))));
            }
            all.add(c[i]);
        }
        return FACTORY.createLinearRing(all.toArray(Coordinate[]::new));
    }
}
