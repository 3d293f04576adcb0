package dev.lastcut.core.check;

import dev.lastcut.core.connectivity.CopperNode;
import java.util.HashMap;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/** Asks whether pieces of copper are nearer than a limit; indexes the large ones once. */
final class CloseCopper {
    private static final int LARGE = 150;
    private final Map<Integer, IndexedFacetDistance> indexed = new HashMap<>();

    boolean within(CopperNode a, CopperNode b, double limitNm) {
        boolean swap = b.polygon().getNumPoints() > a.polygon().getNumPoints();
        CopperNode large = swap ? b : a;
        Geometry small = (swap ? a : b).polygon();
        if (large.polygon().getNumPoints() < LARGE) {
            return large.polygon().isWithinDistance(small, limitNm);
        }
        return indexed.computeIfAbsent(large.id(), k -> new IndexedFacetDistance(large.polygon()))
                .isWithinDistance(small, limitNm);
    }
}
