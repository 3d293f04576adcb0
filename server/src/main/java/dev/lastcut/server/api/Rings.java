package dev.lastcut.server.api;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/** Shapes as flat lists of x, y in nm, as the table draws them. */
final class Rings {
    private static final double SCREEN_NM = 5_000;

    private Rings() {}

    static double[] flat(LineString ring) {
        Coordinate[] c = DouglasPeuckerSimplifier.simplify(ring, SCREEN_NM).getCoordinates();
        double[] flat = new double[c.length * 2];
        for (int i = 0; i < c.length; i++) {
            flat[2 * i] = Math.rint(c[i].x);
            flat[2 * i + 1] = Math.rint(c[i].y);
        }
        return flat;
    }

    /** Every ring of an area, outer and inner; to be filled by the even-odd rule. */
    static List<double[]> of(Geometry area) {
        List<double[]> rings = new ArrayList<>();
        for (int i = 0; i < area.getNumGeometries(); i++) {
            if (area.getGeometryN(i) instanceof Polygon p) {
                rings.add(flat(p.getExteriorRing()));
                for (int k = 0; k < p.getNumInteriorRing(); k++) {
                    rings.add(flat(p.getInteriorRingN(k)));
                }
            }
        }
        return rings;
    }
}
