package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Collects pieces in a drawing's own units and gives them out in nm. Arcs stay arcs wherever the
 * transform keeps circles round; other curves become chords within {@link #TOLERANCE_NM}.
 */
final class PathBuilder {
    private static final double TOLERANCE_NM = 500;
    private static final int MOST = 500_000;
    private static final int MOST_CHORDS = 2_000;

    /** A curve by its parameter from 0 to 1. */
    interface Curve {
        Coordinate at(double t);
    }

    private final List<Segment> segments = new ArrayList<>();
    private boolean full;

    boolean isFull() {
        return full;
    }

    List<Segment> segments() {
        return segments;
    }

    private static Pt nm(AffineTransformation to, double x, double y) {
        Coordinate p = to.transform(new Coordinate(x, y), new Coordinate());
        if (!(Math.abs(p.x) < 1e10) || !(Math.abs(p.y) < 1e10)) {
            throw new IllegalArgumentException("a place farther off than 10 m");
        }
        return new Pt(Math.round(p.x), Math.round(p.y));
    }

    private void add(Segment s) {
        full |= segments.size() >= MOST;
        if (!full && (!s.from().equals(s.to()) || s instanceof Segment.Arc)) {
            segments.add(s);
        }
    }

    void line(AffineTransformation to, double x0, double y0, double x1, double y1) {
        add(new Segment.Line(nm(to, x0, y0), nm(to, x1, y1)));
    }

    /**
     * An arc about a centre through {@code sweepRad} from {@code startRad}, counter-clockwise +.
     */
    void arc(
            AffineTransformation to,
            double cx,
            double cy,
            double radius,
            double startRad,
            double sweepRad) {
        if (!(radius > 0) || sweepRad == 0) {
            return;
        }
        double det = to.getDeterminant();
        double[] matrix = to.getMatrixEntries();
        double a = matrix[0];
        double b = matrix[3];
        double c = matrix[1];
        double d = matrix[4];
        double size = Math.hypot(a, b);
        boolean keepsCircles =
                Math.abs(a * c + b * d) < 1e-9 * size * size
                        && Math.abs(Math.hypot(c, d) - size) < 1e-9 * size;
        if (!keepsCircles) {
            ellipse(to, cx, cy, radius, radius, 0, startRad, sweepRad);
            return;
        }
        Coordinate middle = to.transform(new Coordinate(cx, cy), new Coordinate());
        boolean clockwise = (sweepRad < 0) != (det < 0);
        boolean round = Math.abs(sweepRad) >= 2 * Math.PI - 1e-9;
        Pt from = nm(to, cx + radius * Math.cos(startRad), cy + radius * Math.sin(startRad));
        double end = startRad + sweepRad;
        Pt last = round ? from : nm(to, cx + radius * Math.cos(end), cy + radius * Math.sin(end));
        if (round || !from.equals(last)) {
            add(new Segment.Arc(from, last, middle.x, middle.y, clockwise));
        }
    }

    /** An arc of an ellipse with its first axis turned by {@code turnRad}, as chords. */
    void ellipse(
            AffineTransformation to,
            double cx,
            double cy,
            double rx,
            double ry,
            double turnRad,
            double startRad,
            double sweepRad) {
        double cos = Math.cos(turnRad);
        double sin = Math.sin(turnRad);
        curve(
                to,
                t -> {
                    double u = rx * Math.cos(startRad + sweepRad * t);
                    double v = ry * Math.sin(startRad + sweepRad * t);
                    return new Coordinate(cx + u * cos - v * sin, cy + u * sin + v * cos);
                });
    }

    /** Halves a curve until its chords keep within the tolerance. */
    void curve(AffineTransformation to, Curve curve) {
        int n = 8;
        while (n < MOST_CHORDS && error(to, curve, n) > TOLERANCE_NM) {
            n *= 2;
        }
        Coordinate before = curve.at(0);
        for (int i = 1; i <= n; i++) {
            Coordinate next = curve.at((double) i / n);
            line(to, before.x, before.y, next.x, next.y);
            before = next;
        }
    }

    private static double error(AffineTransformation to, Curve curve, int n) {
        double worst = 0;
        for (int i = 0; i < n; i++) {
            Coordinate a = to.transform(curve.at((double) i / n), new Coordinate());
            Coordinate b = to.transform(curve.at((i + 1.0) / n), new Coordinate());
            Coordinate m = to.transform(curve.at((i + 0.5) / n), new Coordinate());
            worst = Math.max(worst, Distance.pointToSegment(m, a, b));
        }
        return worst;
    }
}
