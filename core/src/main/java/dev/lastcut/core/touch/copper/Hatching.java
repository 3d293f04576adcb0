package dev.lastcut.core.touch.copper;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** Leaves of an area its border and lines across at 45° and 135°. */
final class Hatching {
    private Hatching() {}

    static Geometry of(Geometry area, Hatch hatch) {
        Geometry inner = Geo.offset(area, -hatch.line(), 100);
        if (inner.isEmpty()) {
            return area;
        }
        Envelope e = area.getEnvelopeInternal();
        double pitch = (hatch.line() + hatch.gap()) * Math.sqrt(2);
        double size = e.getWidth() + e.getHeight();
        List<Geometry> lines = new ArrayList<>();
        // Counted from the origin, so that the lines stay where they are when the area changes.
        for (double s = Math.floor((e.getMinX() - e.getMaxY()) / pitch) * pitch;
                s <= e.getMaxX() - e.getMinY();
                s += pitch) {
            lines.add(line(e.getMinY() + s, e.getMinY(), 1, size, hatch.line()));
        }
        for (double s = Math.floor((e.getMinX() + e.getMinY()) / pitch) * pitch;
                s <= e.getMaxX() + e.getMaxY();
                s += pitch) {
            lines.add(line(s - e.getMinY(), e.getMinY(), -1, size, hatch.line()));
        }
        Geometry border = Geo.difference(area, inner);
        Geometry across = Geo.sharedArea(Geo.union(lines), inner);
        return Geo.union(border, across);
    }

    /** A bar of a width from a place at the bottom upwards, to the right (1) or the left (−1). */
    private static Geometry line(double x, double y, int way, double size, double width) {
        double h = width / Math.sqrt(2);
        Coordinate[] ring = {
            new Coordinate(Math.rint(x - h), Math.rint(y)),
            new Coordinate(Math.rint(x + h), Math.rint(y)),
            new Coordinate(Math.rint(x + h + way * size), Math.rint(y + size)),
            new Coordinate(Math.rint(x - h + way * size), Math.rint(y + size)),
            new Coordinate(Math.rint(x - h), Math.rint(y))
        };
        return Geo.FACTORY.createPolygon(ring);
    }
}
