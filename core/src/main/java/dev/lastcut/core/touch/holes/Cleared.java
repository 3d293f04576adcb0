package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
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
        Board board = work.board();
        for (int index = 0; index < work.nets().layerCount(); index++) {
            Map<Feature, List<Feature>> instead = new IdentityHashMap<>();
            for (CopperNode n : work.nets().near(index, zone.getEnvelopeInternal())) {
                if (n.feature() instanceof Feature.Region
                        && !meant.contains(n.net())
                        && n.polygon().intersects(zone)) {
                    instead.put(n.feature(), new ArrayList<>());
                    areas.add(n);
                }
            }
            if (instead.isEmpty()) {
                continue;
            }
            for (CopperNode n : work.nets().nodes()) {
                List<Feature> regions = instead.get(n.feature());
                if (regions != null) {
                    regions.addAll(
                            Features.regions(
                                    Geo.difference(n.polygon(), zone), n.feature().attributes()));
                }
            }
            List<Feature> all = new ArrayList<>();
            var layer = board.copper().get(index);
            layer.features().forEach(f -> all.addAll(instead.getOrDefault(f, List.of(f))));
            board = board.with(layer.with(all));
        }
        return board;
    }
}
