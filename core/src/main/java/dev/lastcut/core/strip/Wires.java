package dev.lastcut.core.strip;

import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;

/** How near links come to leads and to each other, in pitches. */
public final class Wires {
    /** A wire that comes nearer to a lead or to another wire may touch it. */
    public static final double ROOM = 0.35;

    private Wires() {}

    public static boolean isEnd(StripPlan.Link l, int strip, int hole) {
        GridHole at = new GridHole(strip, hole);
        return l.from().equals(at) || l.to().equals(at);
    }

    /** From a wire to the middle of a hole. */
    public static double distance(StripPlan.Link l, int strip, int hole) {
        return Distance.pointToSegment(new Coordinate(hole, strip), place(l.from()), place(l.to()));
    }

    /** Whether two wires touch or cross. */
    public static boolean meet(StripPlan.Link a, StripPlan.Link b) {
        return Distance.segmentToSegment(
                        place(a.from()), place(a.to()), place(b.from()), place(b.to()))
                < ROOM;
    }

    /** Whether an end of one wire lies on the other. */
    public static boolean endsOn(StripPlan.Link a, StripPlan.Link b) {
        return distance(b, a.from().strip(), a.from().hole()) < ROOM
                || distance(b, a.to().strip(), a.to().hole()) < ROOM
                || distance(a, b.from().strip(), b.from().hole()) < ROOM
                || distance(a, b.to().strip(), b.to().hole()) < ROOM;
    }

    private static Coordinate place(GridHole h) {
        return new Coordinate(h.hole(), h.strip());
    }
}
