package dev.lastcut.core.geometry;

import org.locationtech.jts.geom.Coordinate;

/** A place, in integer nanometres; x to the right, y up. */
public record Pt(long x, long y) {
    public static final Pt ORIGIN = new Pt(0, 0);

    public static Pt mm(double xMm, double yMm) {
        return new Pt(Length.mm(xMm), Length.mm(yMm));
    }

    public static Pt of(Coordinate c) {
        return new Pt(Math.round(c.x), Math.round(c.y));
    }

    public Coordinate coordinate() {
        return new Coordinate(x, y);
    }

    public Pt plus(Pt other) {
        return new Pt(x + other.x, y + other.y);
    }

    public Pt minus(Pt other) {
        return new Pt(x - other.x, y - other.y);
    }

    public Pt middle(Pt other) {
        return new Pt(Math.floorDiv(x + other.x, 2), Math.floorDiv(y + other.y, 2));
    }

    /** Distance in nanometres. */
    public double distance(Pt other) {
        return Math.hypot((double) x - other.x, (double) y - other.y);
    }
}
