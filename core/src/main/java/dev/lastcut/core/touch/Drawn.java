package dev.lastcut.core.touch;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.quadtree.Quadtree;

/**
 * The copper that one touch has drawn so far, by layer and net: where two things grow towards each
 * other, the second must know of the first.
 */
public final class Drawn {
    private record Shape(int net, Geometry area) {}

    private final Map<Integer, Quadtree> layers = new HashMap<>();

    public void add(int layer, int net, Geometry area) {
        layers.computeIfAbsent(layer, k -> new Quadtree())
                .insert(area.getEnvelopeInternal(), new Shape(net, area));
    }

    /** What was drawn of other nets than these about a place. */
    List<Geometry> others(int layer, Set<Integer> own, Envelope window) {
        List<Geometry> found = new ArrayList<>();
        Quadtree tree = layers.get(layer);
        if (tree != null) {
            for (Object o : tree.query(window)) {
                Shape s = (Shape) o;
                if (!own.contains(s.net) && s.area.getEnvelopeInternal().intersects(window)) {
                    found.add(s.area);
                }
            }
        }
        return found;
    }
}
