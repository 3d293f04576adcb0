package dev.lastcut.core.touch.edge;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;

/**
 * A closed path with the corners between its straight edges rounded: by the arc that touches both
 * edges at radius / tan(half the angle between them) from the corner (plane geometry).
 *
 * @param rounded how many corners are round now
 * @param left corners whose edges are too short
 */
record RoundedEdge(List<Segment> path, int rounded, List<Pt> left) {
    /** Edges that go on nearly straight make no corner. */
    private static final double STRAIGHT_RAD = Math.toRadians(2);

    static RoundedEdge of(List<Segment> path, double radius) {
        int n = path.size();
        double[] cut = new double[n];
        List<Pt> left = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            cut[i] = cutAt(path.get(i), path.get((i + 1) % n), radius);
        }
        // An edge that two corners share must have room for both.
        for (int i = 0; i < n; i++) {
            int before = (i + n - 1) % n;
            double need = Math.max(0, cut[before]) + Math.max(0, cut[i]);
            if (need > path.get(i).length()) {
                for (int k : new int[] {before, i}) {
                    if (cut[k] > 0) {
                        left.add(path.get(k).to());
                        cut[k] = 0;
                    }
                }
            }
        }
        List<Segment> all = new ArrayList<>();
        int rounded = 0;
        for (int i = 0; i < n; i++) {
            Segment s = path.get(i);
            double start = cut[(i + n - 1) % n];
            if (s instanceof Segment.Line line) {
                Pt a = along(line.from(), line.to(), start);
                Pt b = along(line.to(), line.from(), cut[i]);
                if (!a.equals(b)) {
                    all.add(new Segment.Line(a, b));
                }
            } else {
                all.add(s);
            }
            if (cut[i] > 0) {
                rounded++;
                all.add(arc(s, path.get((i + 1) % n), cut[i], radius));
            }
        }
        return new RoundedEdge(all, rounded, left);
    }

    /** How much of both edges a corner takes; 0 where there is none to round. */
    private static double cutAt(Segment a, Segment b, double radius) {
        if (!(a instanceof Segment.Line) || !(b instanceof Segment.Line)) {
            return 0;
        }
        double turn = turn(a, b);
        if (Math.abs(turn) < STRAIGHT_RAD || Math.PI - Math.abs(turn) < STRAIGHT_RAD) {
            return 0;
        }
        return radius * Math.tan(Math.abs(turn) / 2);
    }

    /** The angle by which the way turns, counter-clockwise positive. */
    private static double turn(Segment a, Segment b) {
        double ax = a.to().x() - a.from().x();
        double ay = a.to().y() - a.from().y();
        double bx = b.to().x() - b.from().x();
        double by = b.to().y() - b.from().y();
        return Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
    }

    private static Pt along(Pt from, Pt to, double way) {
        double d = from.distance(to);
        return way <= 0
                ? from
                : new Pt(
                        Math.round(from.x() + (to.x() - from.x()) * way / d),
                        Math.round(from.y() + (to.y() - from.y()) * way / d));
    }

    private static Segment arc(Segment a, Segment b, double cut, double radius) {
        Pt from = along(a.to(), a.from(), cut);
        Pt to = along(b.from(), b.to(), cut);
        boolean clockwise = turn(a, b) < 0;
        double d = a.from().distance(a.to());
        double ux = (a.to().x() - a.from().x()) / d;
        double uy = (a.to().y() - a.from().y()) / d;
        double side = clockwise ? -1 : 1;
        double cx = from.x() - side * radius * uy;
        double cy = from.y() + side * radius * ux;
        return new Segment.Arc(from, to, cx, cy, clockwise);
    }
}
