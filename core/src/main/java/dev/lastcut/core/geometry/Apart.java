package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Offsets and differences of areas of many polygons that lie apart, a few polygons at a time and
 * side by side: one operation on all of them takes more than its share of time as they grow.
 */
public final class Apart {
    private Apart() {}

    /** {@link Geo#offsetAbout}, for polygons that do not overlap. */
    public static Geometry offsetAbout(Geometry g, double distanceNm, double errorNm) {
        List<Polygon> polygons = Geo.polygons(g);
        // What shrinks does not meet what it did not meet before.
        List<? extends Geometry> groups =
                distanceNm < 0 ? polygons : within(polygons, distanceNm + errorNm);
        List<Polygon> found = new ArrayList<>();
        groups.parallelStream()
                .map(group -> Geo.offsetAbout(group, distanceNm, errorNm))
                .toList()
                .forEach(part -> Geo.eachPolygon(part, found::add));
        return Geo.collected(found);
    }

    /** Groups of polygons whose boxes, grown by the distance, meet directly or through others. */
    private static List<Geometry> within(List<Polygon> polygons, double distance) {
        STRtree boxes = index(polygons, distance);
        UnionFind sets = new UnionFind(polygons.size());
        Map<Polygon, Integer> numbers = new IdentityHashMap<>();
        for (int i = 0; i < polygons.size(); i++) {
            numbers.put(polygons.get(i), i);
        }
        for (int i = 0; i < polygons.size(); i++) {
            Envelope box = Geo.expanded(polygons.get(i).getEnvelopeInternal(), distance);
            for (Object o : boxes.query(box)) {
                sets.union(i, numbers.get((Polygon) o));
            }
        }
        Map<Integer, List<Polygon>> groups = new LinkedHashMap<>();
        for (int i = 0; i < polygons.size(); i++) {
            groups.computeIfAbsent(sets.find(i), k -> new ArrayList<>()).add(polygons.get(i));
        }
        return groups.values().stream().map(Geo::collected).toList();
    }

    /** {@link Geo#differenceOffGrid}, polygon by polygon. */
    public static List<Polygon> differenceOffGrid(Geometry whole, Geometry taken) {
        STRtree index = index(Geo.polygons(taken), 0);
        List<Polygon> found = new ArrayList<>();
        Geo.polygons(whole).parallelStream()
                .map(p -> less(p, index))
                .toList()
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

    private static STRtree index(List<Polygon> polygons, double grown) {
        STRtree index = new STRtree();
        polygons.forEach(p -> index.insert(Geo.expanded(p.getEnvelopeInternal(), grown), p));
        index.build();
        return index;
    }
}
