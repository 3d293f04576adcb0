package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Work;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/** Makes filled areas give way to a hole. */
final class Cleared {
    private Cleared() {}

    /**
     * @param keep nm from the hole's wall to copper
     * @param meant nets that may stay
     * @param areas takes the areas that gave way
     */
    static Board areas(
            Work work, Hole hole, double keep, Set<Integer> meant, Set<CopperNode> areas) {
        Geometry zone = hole.about(work.geometry().flattener(), keep);
        Set<Feature> which = Collections.newSetFromMap(new IdentityHashMap<>());
        for (int index = 0; index < work.nets().layerCount(); index++) {
            for (CopperNode n : work.nets().near(index, zone.getEnvelopeInternal())) {
                if (n.isArea() && !meant.contains(n.net()) && n.polygon().intersects(zone)) {
                    which.add(n.feature());
                    areas.add(n);
                }
            }
        }
        return Redrawn.areas(work, which, n -> Geo.difference(n.polygon(), zone));
    }
}
