package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Turns curves into chords.
 *
 * <p>The vertices of an arc are put slightly outside its radius so that chords and true curve
 * differ by half the chord error on either side: with n chords for a full turn the vertex radius is
 * 2r / (1 + cos(π/n)). Ends of arcs and the straight sides of strokes stay exact.
 *
 * @param chordErrorNm the whole band, in nm, in which the chords lie about the true curve
 */
public record Flattener(double chordErrorNm) {
    /** For checks and outputs: within ±0.25 µm of the true curve. */
    public static final Flattener FINE = new Flattener(500);

    /** For areas of small round openings: true to 0.01 % from a diameter of 0.3 mm on. */
    public static final Flattener FINEST = new Flattener(40);

    /** For the screen: within ±2.5 µm. */
    public static final Flattener SCREEN = new Flattener(5_000);

    public Flattener {
        if (!(chordErrorNm > 0)) {
            throw new IllegalArgumentException("chordErrorNm must be positive: " + chordErrorNm);
        }
    }

    /** Chords for a full turn at this radius, a multiple of four. */
    int chords(double radiusNm) {
        if (radiusNm <= chordErrorNm) {
            return 8;
        }
        double half = Math.acos(1 - chordErrorNm / radiusNm);
        return Math.max(8, 4 * (int) Math.ceil(Math.PI / 4 / half));
    }

    private static double vertexRadius(double radius, double stepRad) {
        return 2 * radius / (1 + Math.cos(stepRad / 2));
    }

    public Polygon disc(double cx, double cy, double radius) {
        return Geo.FACTORY.createPolygon(circle(cx, cy, radius));
    }

    /** A closed ring about the centre, counter-clockwise. */
    public Coordinate[] circle(double cx, double cy, double radius) {
        int n = chords(radius);
        return regular(cx, cy, vertexRadius(radius, 2 * Math.PI / n), n, 0);
    }

    /** A closed ring of {@code n} vertices at {@code radius}, the first at {@code startRad}. */
    public static Coordinate[] regular(
            double cx, double cy, double radius, int n, double startRad) {
        Coordinate[] ring = new Coordinate[n + 1];
        for (int i = 0; i < n; i++) {
            double a = startRad + 2 * Math.PI * i / n;
            ring[i] = grid(cx + radius * Math.cos(a), cy + radius * Math.sin(a));
        }
        ring[n] = ring[0].copy();
        return ring;
    }

    /** The points of a segment after its start: inner vertices, then its exact end. */
    public void append(Segment segment, List<Coordinate> to) {
        if (segment instanceof Segment.Arc arc) {
            appendArc(
                    arc.centerX(),
                    arc.centerY(),
                    arc.startRadius(),
                    arc.endRadius(),
                    arc.startAngle(),
                    arc.sweep(),
                    to);
        }
        to.add(segment.to().coordinate());
    }

    private void appendArc(
            double cx,
            double cy,
            double r0,
            double r1,
            double start,
            double sweep,
            List<Coordinate> to) {
        int n = chordsFor(Math.max(r0, r1), sweep);
        double step = sweep / n;
        for (int i = 1; i < n; i++) {
            double r = vertexRadius(r0 + (r1 - r0) * i / n, step);
            to.add(grid(cx + r * Math.cos(start + i * step), cy + r * Math.sin(start + i * step)));
        }
    }

    private int chordsFor(double radius, double sweep) {
        return Math.max(1, (int) Math.ceil(chords(radius) * Math.abs(sweep) / (2 * Math.PI)));
    }

    public Coordinate[] polyline(List<Segment> path) {
        List<Coordinate> points = new ArrayList<>();
        points.add(path.get(0).from().coordinate());
        path.forEach(s -> append(s, points));
        return points.toArray(Coordinate[]::new);
    }

    /** The area that a round tool of this width covers along a segment. */
    public Geometry stroke(Segment segment, double width) {
        double r = width / 2;
        if (segment.from().equals(segment.to()) && segment instanceof Segment.Line) {
            return disc(segment.from().x(), segment.from().y(), r);
        }
        if (segment instanceof Segment.Arc arc) {
            return arcStroke(arc, r);
        }
        return capsule(segment.from(), segment.to(), r);
    }

    private Polygon capsule(Pt a, Pt b, double r) {
        double angle = Math.atan2(b.y() - a.y(), b.x() - a.x());
        List<Coordinate> ring = new ArrayList<>();
        double half = Math.PI / 2;
        ring.add(polar(b, r, angle - half));
        appendArc(b.x(), b.y(), r, r, angle - half, Math.PI, ring);
        ring.add(polar(b, r, angle + half));
        ring.add(polar(a, r, angle + half));
        appendArc(a.x(), a.y(), r, r, angle + half, Math.PI, ring);
        ring.add(polar(a, r, angle - half));
        ring.add(ring.get(0).copy());
        return Geo.FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
    }

    private Geometry arcStroke(Segment.Arc arc, double r) {
        double radius = (arc.startRadius() + arc.endRadius()) / 2;
        double sweep = arc.sweep();
        if (r >= radius) {
            // The inner edge is gone: sweep a fine polyline instead.
            Coordinate[] line = polyline(List.of(arc));
            return Geo.offset(Geo.FACTORY.createLineString(line), r, chordErrorNm / 2);
        }
        List<Geometry> parts = new ArrayList<>();
        int pieces = (int) Math.ceil(Math.abs(sweep) / Math.PI - 1e-9);
        for (int i = 0; i < pieces; i++) {
            double start = arc.startAngle() + sweep * i / pieces;
            parts.add(band(arc.centerX(), arc.centerY(), radius, r, start, sweep / pieces));
        }
        parts.add(disc(arc.from().x(), arc.from().y(), r));
        parts.add(disc(arc.to().x(), arc.to().y(), r));
        return Geo.union(parts);
    }

    private Polygon band(
            double cx, double cy, double radius, double r, double start, double sweep) {
        List<Coordinate> ring = new ArrayList<>();
        double outer = radius + r;
        double inner = radius - r;
        ring.add(at(cx, cy, outer, start));
        appendArc(cx, cy, outer, outer, start, sweep, ring);
        ring.add(at(cx, cy, outer, start + sweep));
        ring.add(at(cx, cy, inner, start + sweep));
        appendArc(cx, cy, inner, inner, start + sweep, -sweep, ring);
        ring.add(at(cx, cy, inner, start));
        ring.add(ring.get(0).copy());
        return Geo.FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
    }

    private static Coordinate polar(Pt p, double r, double angle) {
        return at(p.x(), p.y(), r, angle);
    }

    private static Coordinate at(double cx, double cy, double r, double angle) {
        return grid(cx + r * Math.cos(angle), cy + r * Math.sin(angle));
    }

    private static Coordinate grid(double x, double y) {
        return new Coordinate(Math.rint(x), Math.rint(y));
    }
}
