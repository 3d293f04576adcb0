package dev.lastcut.core.geometry;

import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Offsets and differences of areas of many polygons that lie apart, a few polygons at a time and
 * side by side: one operation on all of them takes more than its share of time as they grow.
 */
public final class DisjointOverlay {
    private DisjointOverlay() {}

    /** {@link Geo#offsetAbout}, for polygons that do not overlap. */
    public static Geometry offsetAbout(Geometry g, double distanceNm, double errorNm) {
        List<Polygon> polygons = Geo.polygons(g);
        // What shrinks does not meet what it did not meet before.
        List<? extends Geometry> groups =
                distanceNm < 0
                        ? polygons
                        : Groups.within(polygons, distanceNm + errorNm).stream()
                                .map(Geo::collected)
                                .toList();
        List<Polygon> found = new ArrayList<>();
        Parallel.<Geometry, Geometry>map(
                        List.copyOf(groups), group -> Geo.offsetAbout(group, distanceNm, errorNm))
                .forEach(part -> Geo.eachPolygon(part, found::add));
        return Geo.collected(found);
    }

    /** {@link Geo#differenceOffGrid}, polygon by polygon. */
    public static List<Polygon> differenceOffGrid(Geometry whole, Geometry taken) {
        STRtree index = new STRtree();
        Geo.eachPolygon(taken, p -> index.insert(p.getEnvelopeInternal(), p));
        index.build();
        List<Polygon> found = new ArrayList<>();
        Parallel.map(Geo.polygons(whole), p -> less(p, index))
                .forEach(part -> Geo.eachPolygon(part, found::add));
        return found;
    }

    private static Geometry less(Polygon p, STRtree taken) {
        List<Polygon> near = new ArrayList<>();
        for (Object o : taken.query(p.getEnvelopeInternal())) {
            near.add((Polygon) o);
        }
        return near.isEmpty() ? p : Geo.differenceOffGrid(p, Geo.collected(near));
    }
}
