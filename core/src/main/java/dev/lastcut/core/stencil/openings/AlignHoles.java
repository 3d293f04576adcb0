package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** Four holes beside a board's corners, for the pins a foil is laid on. */
public final class AlignHoles {
    /** What stands between the board and a hole (common practice, no source). */
    private static final double BESIDE_NM = 5_000_000;

    private static final int SIDES = 96;

    private AlignHoles() {}

    /**
     * @param board the board's area; without one there is nothing to align to
     * @param diameterMm 0 for none
     */
    public static Geometry about(Geometry board, double diameterMm) {
        if (board.isEmpty() || diameterMm <= 0) {
            return Geo.empty();
        }
        Envelope e = board.getEnvelopeInternal();
        double r = diameterMm * 1e6 / 2;
        double out = BESIDE_NM + r;
        List<Polygon> holes = new ArrayList<>();
        for (double x : new double[] {e.getMinX() - out, e.getMaxX() + out}) {
            for (double y : new double[] {e.getMinY() - out, e.getMaxY() + out}) {
                holes.add(round(x, y, r));
            }
        }
        return Geo.collected(holes);
    }

    private static Polygon round(double x, double y, double r) {
        Coordinate[] ring = new Coordinate[SIDES + 1];
        for (int i = 0; i < SIDES; i++) {
            double a = 2 * Math.PI * i / SIDES;
            ring[i] =
                    new Coordinate(Math.rint(x + r * Math.cos(a)), Math.rint(y + r * Math.sin(a)));
        }
        ring[SIDES] = ring[0].copy();
        return Geo.FACTORY.createPolygon(ring);
    }
}
