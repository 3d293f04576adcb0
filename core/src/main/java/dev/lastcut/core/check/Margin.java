package dev.lastcut.core.check;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.distance.DistanceOp;

/**
 * How far one shape lies within another, at the narrowest place: positive when it lies wholly
 * within, negative by as much as it sticks out. The same pairs of flashes are measured once.
 */
public final class Margin {
    private final Map<Object, Double> known = new HashMap<>();

    /** The margin in nm of {@code inner} within what {@code outer} makes together. */
    public double of(Piece inner, List<Piece> outer) {
        boolean flashes =
                outer.size() == 1
                        && inner.isWhole()
                        && outer.get(0).isWhole()
                        && inner.feature() instanceof Feature.Flash
                        && outer.get(0).feature() instanceof Feature.Flash;
        if (!flashes) {
            return measure(inner, outer);
        }
        Feature.Flash a = (Feature.Flash) inner.feature();
        Feature.Flash b = (Feature.Flash) outer.get(0).feature();
        Pt shift = b.at().minus(a.at());
        record Pair(Aperture a, Object turnA, Aperture b, Object turnB, Pt shift) {}
        Object key = new Pair(a.aperture(), a.orientation(), b.aperture(), b.orientation(), shift);
        return known.computeIfAbsent(key, k -> measure(inner, outer));
    }

    private static double measure(Piece inner, List<Piece> outer) {
        if (outer.size() == 1 && inner.roundRadius() > 0 && outer.get(0).roundRadius() > 0) {
            boolean points =
                    inner.roundFrom().equals(inner.roundTo())
                            && outer.get(0).roundFrom().equals(outer.get(0).roundTo());
            if (points) {
                double apart = inner.roundFrom().distance(outer.get(0).roundFrom());
                return outer.get(0).roundRadius() - inner.roundRadius() - apart;
            }
        }
        Measure m = at(inner.polygon(), shape(outer));
        return m.nm();
    }

    public static Geometry shape(List<Piece> pieces) {
        return Geo.union(pieces.stream().map(Piece::polygon).toList());
    }

    /** The margin with its place; the measure is negative where the inner shape sticks out. */
    public static Measure at(Geometry inner, Geometry outer) {
        Geometry beyond = Geo.difference(inner, outer);
        // What flattened curves leave is thinner than half a micrometre.
        if (beyond.isEmpty() || Geo.offset(beyond, -300, 100).isEmpty()) {
            return Distances.between(inner.getBoundary(), outer.getBoundary());
        }
        Measure worst = null;
        for (Coordinate c : beyond.getCoordinates()) {
            Coordinate[] way = new DistanceOp(outer, Geo.FACTORY.createPoint(c)).nearestPoints();
            double d = way[0].distance(way[1]);
            if (worst == null || d > -worst.nm()) {
                worst = new Measure(Pt.of(way[0]), Pt.of(way[1]), -d);
            }
        }
        return worst;
    }
}
