package dev.lastcut.core.touch.copper;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/** Takes away the necks that cutting an area left, and no others. */
final class NeckRemoval {
    private NeckRemoval() {}

    /**
     * @param cut what is left of the area
     * @param gone what was cut off it
     * @param width narrower necks than this go, near to where something was cut off
     */
    static Geometry without(Geometry cut, List<Geometry> gone, double width) {
        if (width <= 0) {
            return cut;
        }
        STRtree near = new STRtree();
        for (Geometry g : gone) {
            Geometry about = Geo.offset(g, 2 * width, width / 50);
            near.insert(about.getEnvelopeInternal(), about);
        }
        List<Geometry> necks = new ArrayList<>();
        for (Polygon p : Geo.polygons(Geo.differenceOffGrid(cut, PourShape.opened(cut, width)))) {
            // Round corners are no necks: these are thinner than what is lost of a corner.
            boolean neck = p.getArea() > width * width / 4;
            if (neck && isCovered(p, near)) {
                necks.add(p);
            }
        }
        return necks.isEmpty() ? cut : Geo.difference(cut, Geo.union(necks));
    }

    private static boolean isCovered(Polygon p, STRtree near) {
        for (Object o : near.query(p.getEnvelopeInternal())) {
            if (((Geometry) o).covers(p)) {
                return true;
            }
        }
        return false;
    }
}
