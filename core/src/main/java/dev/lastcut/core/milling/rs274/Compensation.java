package dev.lastcut.core.milling.rs274;

import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayList;
import java.util.List;

/**
 * Radius compensation in the XY plane (G41, G42): from the contour as programmed to the way of the
 * tool's centre, a radius to its left or right. Outside corners are gone round, inside corners
 * refused (NISTIR 6556, 3.5.10 and appendix B, from memory). Lengths in mm.
 */
final class Compensation {
    /** Corners this little towards the tool are straight on (radians). */
    private static final double STRAIGHT_RAD = 0.01;

    private static final double SAME_MM = 1e-7;

    /** Ends of an arc may lie this far from one circle. */
    private static final double ARC_MM = 0.002;

    private final boolean left;
    private final double radius;
    private Point programmed;

    Compensation(boolean left, double radius) {
        this.left = left;
        this.radius = radius;
    }

    /** What is wrong with a move under compensation. */
    static final class Refused extends Exception {
        private static final long serialVersionUID = 1;

        Refused(String sentence) {
            super(sentence);
        }
    }

    /** Whether a move was made under it: the tool is beside the contour, no longer on its way. */
    boolean isUnderWay() {
        return programmed != null;
    }

    /** The last point as programmed; the tool's own place before the first move. */
    Point base(Point at) {
        return programmed == null ? at : new Point(programmed.x(), programmed.y(), at.z());
    }

    /** Places of the tool's centre for a straight move as programmed, the last at its end. */
    List<Point> straight(Point at, Point to) throws Refused {
        Point from = base(at);
        double length = Math.hypot(to.x() - from.x(), to.y() - from.y());
        List<Point> way = new ArrayList<>();
        if (programmed == null) {
            way.add(entry(at, to));
        } else if (length < SAME_MM) {
            way.add(new Point(at.x(), at.y(), to.z()));
        } else {
            double along = Math.atan2(to.y() - from.y(), to.x() - from.x());
            corner(at, from, along, way);
            way.add(beside(to, along));
        }
        programmed = to;
        return way;
    }

    /** The first move ends where the tool touches the contour's first point from its side. */
    private Point entry(Point at, Point to) throws Refused {
        double length = Math.hypot(to.x() - at.x(), to.y() - at.y());
        if (length <= radius) {
            throw new Refused("the first move under compensation is not longer than the radius");
        }
        double off = Math.acos(radius / length);
        double back = Math.atan2(at.y() - to.y(), at.x() - to.x());
        double angle = left ? back - off : back + off;
        return new Point(
                to.x() + radius * Math.cos(angle), to.y() + radius * Math.sin(angle), to.z());
    }

    /**
     * An arc as programmed.
     *
     * @param centre of the arc, x and y
     */
    List<Point> arc(Point at, Point to, double[] centre, boolean clockwise) throws Refused {
        Point from = base(at);
        double end = Math.hypot(to.x() - centre[0], to.y() - centre[1]);
        double own = left == clockwise ? end + radius : end - radius;
        if (own <= 0) {
            throw new Refused("an arc is too narrow for the tool under compensation");
        }
        List<Point> way = new ArrayList<>();
        Point start = at;
        if (programmed == null) {
            double here = Math.hypot(at.x() - centre[0], at.y() - centre[1]);
            if (Math.abs(here - own) > ARC_MM) {
                throw new Refused("the first arc under compensation does not begin on its circle");
            }
        } else {
            double out = Math.atan2(from.y() - centre[1], from.x() - centre[0]);
            corner(at, from, out + (clockwise ? -1 : 1) * Math.PI / 2, way);
            start = way.isEmpty() ? at : way.get(way.size() - 1);
        }
        double out = Math.atan2(to.y() - centre[1], to.x() - centre[0]);
        Point stop =
                new Point(centre[0] + own * Math.cos(out), centre[1] + own * Math.sin(out), to.z());
        boolean whole = Math.hypot(stop.x() - start.x(), stop.y() - start.y()) < SAME_MM;
        way.addAll(Arc.points(start, whole ? at(stop, start) : stop, 170, centre, clockwise));
        programmed = to;
        return way;
    }

    private static Point at(Point height, Point place) {
        return new Point(place.x(), place.y(), height.z());
    }

    /** A radius aside of a point that is passed in a direction. */
    private Point beside(Point p, double along) {
        double aside = along + (left ? 1 : -1) * Math.PI / 2;
        return new Point(p.x() + radius * Math.cos(aside), p.y() + radius * Math.sin(aside), p.z());
    }

    /** Round the corner from where the tool is to where the next direction wants it. */
    private void corner(Point at, Point corner, double along, List<Point> way) throws Refused {
        Point next = beside(corner, along);
        double now = Math.atan2(at.y() - corner.y(), at.x() - corner.x());
        double then = Math.atan2(next.y() - corner.y(), next.x() - corner.x());
        // On the left the tool goes round an outside corner clockwise.
        double turn = (left ? now - then : then - now) % (2 * Math.PI);
        if (turn < -STRAIGHT_RAD) {
            turn += 2 * Math.PI;
        }
        if (turn > Math.PI + STRAIGHT_RAD && turn < 2 * Math.PI - STRAIGHT_RAD) {
            throw new Refused("an inside corner under compensation: the tool would cut into it");
        }
        if (turn > STRAIGHT_RAD && turn < 2 * Math.PI - STRAIGHT_RAD) {
            Point level = new Point(next.x(), next.y(), at.z());
            double[] centre = {corner.x(), corner.y()};
            way.addAll(Arc.points(at, level, 170, centre, left));
        }
    }
}
