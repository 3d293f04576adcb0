package dev.lastcut.core.milling.rs274;

import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayList;
import java.util.List;

/** A circular or helical move as short straight ones. */
final class Arc {
    /** How far a chord may be from the arc, mm. */
    private static final double CHORD_MM = 0.000_25;

    /**
     * How much the two radii of an arc given by its centre may differ, mm (NISTIR 6556, memory).
     */
    private static final double RADIUS_TOLERANCE_MM = 0.002;

    private static final int MOST_PIECES = 20_000;

    private Arc() {}

    /** Coordinates in the order of the plane: two in it, one across. */
    private static double[] inPlane(Point p, int plane) {
        return switch (plane) {
            case 170 -> new double[] {p.x(), p.y(), p.z()};
            case 180 -> new double[] {p.z(), p.x(), p.y()};
            default -> new double[] {p.y(), p.z(), p.x()};
        };
    }

    private static Point outOfPlane(double u, double v, double w, int plane) {
        return switch (plane) {
            case 170 -> new Point(u, v, w);
            case 180 -> new Point(v, w, u);
            default -> new Point(w, u, v);
        };
    }

    /** The centre of an arc of a radius: the short way round, or the long one when negative. */
    static double[] centre(Point from, Point to, int plane, double radius, boolean clockwise)
            throws Mismatch {
        double[] a = inPlane(from, plane);
        double[] b = inPlane(to, plane);
        double du = b[0] - a[0];
        double dv = b[1] - a[1];
        double chord = Math.hypot(du, dv);
        if (chord == 0) {
            throw new Mismatch("an arc given by its radius ends where it begins");
        }
        double r = Math.abs(radius);
        if (chord / 2 > r + RADIUS_TOLERANCE_MM) {
            throw new Mismatch("the radius is too small to reach the end of the arc");
        }
        double h = Math.sqrt(Math.max(0, r * r - chord * chord / 4));
        double side = (radius > 0) == clockwise ? -1 : 1;
        return new double[] {
            a[0] + du / 2 - side * h * dv / chord, a[1] + dv / 2 + side * h * du / chord
        };
    }

    /**
     * The centre of an arc given by its distance from the start.
     *
     * @param strict whether both ends must lie on one circle; a tool that comes in beside does not
     */
    static double[] centre(Point from, Point to, int plane, double u, double v, boolean strict)
            throws Mismatch {
        double[] a = inPlane(from, plane);
        double[] b = inPlane(to, plane);
        double cu = a[0] + u;
        double cv = a[1] + v;
        double r1 = Math.hypot(u, v);
        double r2 = Math.hypot(b[0] - cu, b[1] - cv);
        if (r1 == 0) {
            throw new Mismatch("an arc has no radius");
        }
        if (strict && Math.abs(r1 - r2) > RADIUS_TOLERANCE_MM) {
            throw new Mismatch(
                    "the radius of the arc is not the same at its ends: "
                            + Math.round(r1 * 1e4) / 1e4
                            + " and "
                            + Math.round(r2 * 1e4) / 1e4
                            + " mm");
        }
        return new double[] {cu, cv};
    }

    static List<Point> points(Point from, Point to, int plane, double[] c, boolean clockwise) {
        double[] a = inPlane(from, plane);
        double[] b = inPlane(to, plane);
        double start = Math.atan2(a[1] - c[1], a[0] - c[0]);
        double end = Math.atan2(b[1] - c[1], b[0] - c[0]);
        double sweep = clockwise ? start - end : end - start;
        while (sweep <= 1e-9) {
            sweep += 2 * Math.PI;
        }
        double r1 = Math.hypot(a[0] - c[0], a[1] - c[1]);
        double r2 = Math.hypot(b[0] - c[0], b[1] - c[1]);
        double half = Math.acos(Math.max(0, 1 - CHORD_MM / Math.max(r1, CHORD_MM)));
        int n = (int) Math.min(MOST_PIECES, Math.max(2, Math.ceil(sweep / (2 * half))));
        List<Point> points = new ArrayList<>();
        for (int i = 1; i < n; i++) {
            double t = (double) i / n;
            double angle = start + (clockwise ? -1 : 1) * sweep * t;
            double r = r1 + t * (r2 - r1);
            points.add(
                    outOfPlane(
                            c[0] + r * Math.cos(angle),
                            c[1] + r * Math.sin(angle),
                            a[2] + t * (b[2] - a[2]),
                            plane));
        }
        points.add(to);
        return points;
    }

    /** What is wrong with an arc. */
    static final class Mismatch extends Exception {
        private static final long serialVersionUID = 1;

        Mismatch(String sentence) {
            super(sentence);
        }
    }
}
