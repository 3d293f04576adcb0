package dev.lastcut.core.geometry;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.algorithm.Area;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;

/**
 * Takes a contour with cut-ins apart: an edge that is run along both ways leads to a hole and back,
 * and what lies between is the hole. That is much sooner done than working out what winds about
 * what.
 */
final class CutIns {
    private record Edge(Coordinate from, Coordinate to) {}

    private CutIns() {}

    /**
     * @param ring first and last coordinate equal
     * @return null where the ring is not one outline with holes that cut-ins lead to
     */
    static Polygon parted(Coordinate[] ring) {
        Map<Edge, Integer> places = new HashMap<>();
        for (int i = 1; i < ring.length; i++) {
            if (places.put(new Edge(ring[i - 1], ring[i]), i) != null) {
                return null;
            }
        }
        List<LinearRing> holes = new ArrayList<>();
        Deque<List<Coordinate>> open = new ArrayDeque<>();
        Deque<Edge> into = new ArrayDeque<>();
        List<Coordinate> now = new ArrayList<>(List.of(ring[0]));
        for (int i = 1; i < ring.length; i++) {
            Edge back = new Edge(ring[i], ring[i - 1]);
            if (!places.containsKey(back)) {
                now.add(ring[i]);
            } else if (back.equals(into.peek())) {
                into.pop();
                // Two cut-ins in a row lead through a corner of a hole: nothing is between them.
                if (now.size() > 1 && !close(now, holes)) {
                    return null;
                }
                now = open.pop();
            } else {
                into.push(new Edge(ring[i - 1], ring[i]));
                open.push(now);
                now = new ArrayList<>(List.of(ring[i]));
            }
        }
        if (!into.isEmpty() || now.size() < 4 || !now.get(0).equals2D(now.get(now.size() - 1))) {
            return null;
        }
        Polygon p =
                Geo.FACTORY.createPolygon(
                        Geo.FACTORY.createLinearRing(now.toArray(Coordinate[]::new)),
                        holes.toArray(LinearRing[]::new));
        return p.isValid() ? p : null;
    }

    private static boolean close(List<Coordinate> hole, List<LinearRing> holes) {
        Coordinate[] c = hole.toArray(Coordinate[]::new);
        if (c.length < 4 || !c[0].equals2D(c[c.length - 1]) || Area.ofRing(c) == 0) {
            return false;
        }
        holes.add(Geo.FACTORY.createLinearRing(c));
        return true;
    }
}
