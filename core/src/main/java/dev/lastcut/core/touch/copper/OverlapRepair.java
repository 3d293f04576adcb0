package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.touch.KeepOff;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/** Sees to it that new copper and old of the same net do not only just meet. */
final class OverlapRepair {
    private static final double CHORD_NM = KeepOff.CHORD_NM;

    private OverlapRepair() {}

    /**
     * What is to be added where they meet in less than a width; nothing where there is no room.
     *
     * @param left features that do not count
     */
    static List<Geometry> patches(
            BoardGeometry geometry,
            int layer,
            Set<Integer> own,
            Predicate<Feature> left,
            Geometry drawn,
            double width,
            KeepOff off) {
        List<Geometry> patches = new ArrayList<>();
        if (width <= 0 || drawn.isEmpty()) {
            return patches;
        }
        PreparedGeometry there = PreparedGeometryFactory.prepare(drawn);
        IndexedPointInAreaLocator within = new IndexedPointInAreaLocator(drawn);
        for (CopperNode n : geometry.nets().near(layer, drawn.getEnvelopeInternal())) {
            boolean counts = own.contains(n.net()) && !left.test(n.feature()) && !n.isArea();
            if (!counts || reaches(n.piece(), within) || !there.intersects(n.polygon())) {
                continue;
            }
            for (Polygon p : Geo.polygons(Geo.sharedAreaOffGrid(drawn, n.polygon()))) {
                boolean barely =
                        p.getArea() < n.polygon().getArea() * 0.9
                                && Geo.offset(p, -width / 2, CHORD_NM).isEmpty();
                if (barely) {
                    Geometry patch = Geo.offset(p, width / 2, CHORD_NM);
                    if (off.isFree(patch)) {
                        patches.add(patch);
                    }
                }
            }
        }
        return patches;
    }

    /** Whether the middle of a round piece is well within: then the two hold. */
    private static boolean reaches(Piece p, IndexedPointInAreaLocator within) {
        return p.roundRadius() > 0
                && (within.locate(p.roundFrom().coordinate()) == Location.INTERIOR
                        || within.locate(p.roundTo().coordinate()) == Location.INTERIOR);
    }
}
