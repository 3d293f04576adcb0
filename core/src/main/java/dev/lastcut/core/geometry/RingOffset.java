package dev.lastcut.core.geometry;

import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Offsets of areas with many holes, ring by ring: the outline moves one way and each hole the
 * other, and what is left is their difference. One operation on all of them takes time that grows
 * with the square of the holes.
 */
public final class RingOffset {
    private RingOffset() {}

    /** {@link Geo#offset} of areas; crossings stay off the grid. */
    public static Geometry offset(Geometry areas, double distanceNm, double chordErrorNm) {
        List<Geometry> all = new ArrayList<>();
        Geo.eachPolygon(areas, p -> all.add(one(p, distanceNm, chordErrorNm)));
        // What shrinks apart stays apart.
        return distanceNm < 0 ? Geo.collected(polygons(all)) : Geo.unionOffGrid(all);
    }

    private static List<Polygon> polygons(List<Geometry> all) {
        List<Polygon> found = new ArrayList<>();
        all.forEach(g -> Geo.eachPolygon(g, found::add));
        return found;
    }

    private static Geometry one(Polygon p, double distance, double error) {
        Geometry shell =
                Geo.offset(Geo.FACTORY.createPolygon(p.getExteriorRing()), distance, error);
        if (shell.isEmpty() || p.getNumInteriorRing() == 0) {
            return shell;
        }
        List<Geometry> holes =
                Parallel.map(
                                p.getNumInteriorRing(),
                                i ->
                                        Geo.offset(
                                                Geo.FACTORY.createPolygon(p.getInteriorRingN(i)),
                                                -distance,
                                                error))
                        .stream()
                        .filter(g -> !g.isEmpty())
                        .toList();
        return holes.isEmpty() ? shell : Geo.differenceOffGrid(shell, Geo.unionOffGrid(holes));
    }
}
