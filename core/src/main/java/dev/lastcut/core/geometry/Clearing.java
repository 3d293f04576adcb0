package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * Takes many small areas out of a large one, as the clearances of a plane. An area well inside
 * becomes a hole as it stands; only those at the edge are overlaid.
 */
public final class Clearing {
    private static final int FEW = 8;

    private Clearing() {}

    public static Geometry of(Geometry shape, List<Geometry> areas) {
        if (areas.size() < FEW || !(shape instanceof Polygon)) {
            return Geo.difference(shape, Geo.union(areas));
        }
        EdgeIndex edges = new EdgeIndex((Polygon) shape);
        List<Polygon> inside = new ArrayList<>();
        List<Polygon> atEdge = new ArrayList<>();
        for (Polygon p : Geo.polygons(Geo.union(areas))) {
            boolean clear =
                    !edges.mayCross(p.getEnvelopeInternal())
                            && edges.locate(p.getCoordinate()) == Location.INTERIOR;
            // A ring-shaped area leaves an island within; the overlay knows how to part it.
            (clear && p.getNumInteriorRing() == 0 ? inside : atEdge).add(p);
        }
        return punch(Geo.difference(shape, Geo.collected(atEdge)), inside);
    }

    private static Geometry punch(Geometry shape, List<Polygon> holes) {
        List<Polygon> parts = Geo.polygons(shape);
        if (holes.isEmpty() || parts.isEmpty()) {
            return shape;
        }
        Map<Integer, List<LinearRing>> rings = new HashMap<>();
        List<EdgeIndex> indexes = new ArrayList<>();
        HPRtree tree = new HPRtree();
        for (int i = 0; i < parts.size(); i++) {
            indexes.add(new EdgeIndex(parts.get(i)));
            tree.insert(parts.get(i).getEnvelopeInternal(), i);
        }
        for (Polygon hole : holes) {
            Coordinate place = hole.getCoordinate();
            for (Object o : tree.query(hole.getEnvelopeInternal())) {
                if (indexes.get((Integer) o).locate(place) == Location.INTERIOR) {
                    rings.computeIfAbsent((Integer) o, k -> new ArrayList<>())
                            .add(hole.getExteriorRing().reverse());
                }
            }
        }
        List<Polygon> punched = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Polygon p = parts.get(i);
            List<LinearRing> all = new ArrayList<>();
            for (int k = 0; k < p.getNumInteriorRing(); k++) {
                all.add(p.getInteriorRingN(k));
            }
            all.addAll(rings.getOrDefault(i, List.of()));
            punched.add(
                    Geo.FACTORY.createPolygon(p.getExteriorRing(), all.toArray(LinearRing[]::new)));
        }
        return Geo.collected(punched);
    }
}
