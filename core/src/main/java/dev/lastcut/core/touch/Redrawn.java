package dev.lastcut.core.touch;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.connectivity.CopperNode;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.locationtech.jts.geom.Geometry;

/** Draws features of the copper otherwise; layers that have none of them stay the very same. */
public final class Redrawn {
    private Redrawn() {}

    /**
     * The board with these features drawn again as areas, piece by piece where clear ones cut them
     * up.
     *
     * @param shape what a piece of one of them is from now on
     */
    public static Board areas(Work work, Set<Feature> which, Function<CopperNode, Geometry> shape) {
        Map<Feature, List<Feature>> instead = new IdentityHashMap<>();
        which.forEach(f -> instead.put(f, new ArrayList<>()));
        for (CopperNode n : work.nets().nodes()) {
            List<Feature> regions = instead.get(n.feature());
            if (regions != null) {
                regions.addAll(Features.regions(shape.apply(n), n.feature().attributes()));
            }
        }
        return with(work.board(), instead);
    }

    /** The board with others, or none, in the place of features of its copper. */
    public static Board with(Board board, Map<Feature, List<Feature>> instead) {
        Board now = board;
        for (Layer layer : board.copper()) {
            if (layer.features().stream().anyMatch(instead::containsKey)) {
                List<Feature> all = new ArrayList<>();
                layer.features().forEach(f -> all.addAll(instead.getOrDefault(f, List.of(f))));
                now = now.with(layer.with(all));
            }
        }
        return now;
    }

    /** The board with more drawn over its copper, by the index of the layer. */
    public static Board plus(Board board, Map<Integer, List<Feature>> more) {
        Board now = board;
        for (Map.Entry<Integer, List<Feature>> e : more.entrySet()) {
            now = now.with(now.copper().get(e.getKey()).plus(e.getValue()));
        }
        return now;
    }
}
