package dev.lastcut.core.milling;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;

/**
 * Finds the stretches of an area's edge that it has from what was taken away, where the area is the
 * difference of two shapes. The corners tell whose an edge is; only between two crossings, which
 * are corners of neither, it has to be asked.
 */
final class Stretches {
    private final Set<Coordinate> wanted;
    private final Set<Coordinate> other;
    private final Predicate<Coordinate> isWanted;

    /**
     * @param taken the shape whose edges are wanted
     * @param whole the shape it was taken from
     * @param isWanted whether a place on one of the two edges is on the one that is wanted
     */
    Stretches(Geometry taken, Geometry whole, Predicate<Coordinate> isWanted) {
        this.wanted = new HashSet<>(List.of(taken.getCoordinates()));
        this.other = new HashSet<>(List.of(whole.getCoordinates()));
        this.isWanted = isWanted;
    }

    List<LineString> of(List<Polygon> areas) {
        List<LineString> found = new ArrayList<>();
        for (Polygon p : areas) {
            along(p.getExteriorRing(), found);
            for (int i = 0; i < p.getNumInteriorRing(); i++) {
                along(p.getInteriorRingN(i), found);
            }
        }
        return found;
    }

    private void along(LinearRing ring, List<LineString> out) {
        Coordinate[] c = ring.getCoordinates();
        int n = c.length - 1;
        boolean[] own = new boolean[n];
        int start = -1;
        for (int i = 0; i < n; i++) {
            own[i] = isWanted(c[i], c[i + 1]);
            start = own[i] ? start : i;
        }
        if (start < 0) {
            out.add(ring.reverse());
            return;
        }
        // On from an edge that is not wanted, so that no stretch goes over the ring's own end.
        int first = -1;
        for (int i = 1; i <= n; i++) {
            boolean now = i < n && own[(start + i) % n];
            if (now && first < 0) {
                first = i;
            } else if (!now && first >= 0) {
                out.add(part(c, n, start + first, start + i));
                first = -1;
            }
        }
    }

    private boolean isWanted(Coordinate a, Coordinate b) {
        if (wanted.contains(a) || wanted.contains(b)) {
            return true;
        }
        if (other.contains(a) || other.contains(b)) {
            return false;
        }
        return isWanted.test(new Coordinate((a.x + b.x) / 2, (a.y + b.y) / 2));
    }

    /** Turned round: what was taken lies on its right, as the area lies on its ring's right. */
    private static LineString part(Coordinate[] c, int n, int from, int to) {
        Coordinate[] part = new Coordinate[to - from + 1];
        for (int i = 0; i < part.length; i++) {
            part[i] = c[(to - i) % n];
        }
        return Geo.FACTORY.createLineString(part);
    }
}
