package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.polygonize.Polygonizer;

/** Fills closed rings that may touch or cross themselves, such as contours with cut-ins. */
public final class Rings {
    private Rings() {}

    /**
     * The area a closed ring winds about (non-zero rule). Cut-ins, where the ring runs in and out
     * along the same line, cancel; a ring without area gives an empty geometry.
     *
     * @param ring first and last coordinate equal
     */
    public static Geometry fill(Coordinate[] ring) {
        if (ring.length < 4) {
            return Geo.empty();
        }
        Polygon polygon = Geo.FACTORY.createPolygon(ring);
        if (polygon.isValid()) {
            return polygon;
        }
        Polygon parted = CutIns.parted(ring);
        if (parted != null) {
            return parted;
        }
        Geometry noded = UnaryUnionNG.union(Geo.FACTORY.createLineString(ring), Geo.GRID);
        Polygonizer faces = new Polygonizer();
        faces.add(noded);
        List<Geometry> inside = new ArrayList<>();
        @SuppressWarnings("unchecked")
        Collection<Polygon> found = faces.getPolygons();
        for (Polygon face : found) {
            if (winding(face.getInteriorPoint().getCoordinate(), ring) != 0) {
                inside.add(face.norm());
            }
        }
        // The library gives faces and their corners in an order that changes from run to run.
        inside.sort(null);
        return Geo.union(inside);
    }

    /** How many times the ring goes round the point, counter-clockwise positive. */
    static int winding(Coordinate p, Coordinate[] ring) {
        int turns = 0;
        for (int i = 1; i < ring.length; i++) {
            Coordinate a = ring[i - 1];
            Coordinate b = ring[i];
            double side = (b.x - a.x) * (p.y - a.y) - (p.x - a.x) * (b.y - a.y);
            if (a.y <= p.y && b.y > p.y && side > 0) {
                turns++;
            } else if (a.y > p.y && b.y <= p.y && side < 0) {
                turns--;
            }
        }
        return turns;
    }
}
