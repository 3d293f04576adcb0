package dev.lastcut.core.touch.copper;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Tiles;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** Takes away the necks that cutting an area left, and no others. */
final class Necklaces {
    private Necklaces() {}

    /**
     * @param cut what is left of the area
     * @param gone what was cut off it
     * @param width narrower necks than this go, near to where something was cut off
     */
    static Geometry without(Geometry cut, List<Geometry> gone, double width) {
        if (width <= 0) {
            return cut;
        }
        Tiles tiles = Tiles.of(cut);
        List<Geometry> necks = new ArrayList<>();
        for (Geometry g : gone) {
            Envelope about = Geo.expanded(g.getEnvelopeInternal(), 4 * width);
            List<Geometry> here = new ArrayList<>();
            tiles.near(about).forEach(p -> here.add(Geo.clip(p, about)));
            Geometry local = Geo.union(here);
            Geometry near = Geo.offset(g, 2 * width, width / 50);
            for (Polygon p : Geo.polygons(Geo.difference(local, PourShape.opened(local, width)))) {
                // Round corners are no necks: these are thinner than what is lost of a corner.
                if (near.covers(p) && p.getArea() > width * width / 4) {
                    necks.add(p);
                }
            }
        }
        return necks.isEmpty() ? cut : Geo.difference(cut, Geo.union(necks));
    }
}
