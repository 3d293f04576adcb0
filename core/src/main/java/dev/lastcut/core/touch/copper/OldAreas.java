package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/** The filled areas of a net that a pour takes the place of. */
final class OldAreas {
    static final OldAreas NONE = new OldAreas();

    /** Areas drawn to the edge may stick out of the board by this. */
    private static final double OVER_NM = 1_000_000;

    private final Set<Feature> areas = Collections.newSetFromMap(new IdentityHashMap<>());

    private OldAreas() {}

    static OldAreas within(BoardGeometry g, int layer, Set<Integer> nets, Geometry chosen) {
        OldAreas old = new OldAreas();
        PreparedGeometry all =
                PreparedGeometryFactory.prepare(Geo.offset(chosen, OVER_NM, OVER_NM / 100));
        Set<Feature> pads = pads(g, layer);
        for (int net : nets) {
            for (int id : g.nets().nodesOf(net)) {
                CopperNode n = g.nets().nodes().get(id);
                if (n.layer() == layer && n.isArea() && !pads.contains(n.feature())) {
                    old.areas.add(n.feature());
                }
            }
        }
        for (CopperNode n : g.nets().nodes()) {
            if (n.layer() == layer && old.areas.contains(n.feature()) && !all.covers(n.polygon())) {
                old.areas.remove(n.feature());
            }
        }
        return old;
    }

    /** What of a layer is soldered to: painted pads are no areas to be changed. */
    static Set<Feature> pads(BoardGeometry g, int layer) {
        Set<Feature> pads = Collections.newSetFromMap(new IdentityHashMap<>());
        g.board()
                .copper()
                .get(layer)
                .role()
                .side()
                .ifPresent(s -> Pads.on(g, s).forEach(p -> pads.add(p.node().feature())));
        return pads;
    }

    boolean holds(Feature f) {
        return areas.contains(f);
    }
}
