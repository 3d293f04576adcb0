package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.touch.Features;
import java.util.List;
import org.locationtech.jts.geom.Geometry;

/** Makes openings larger or smaller. */
final class Openings {
    private Openings() {}

    /** How they are resized, in words. */
    static String words(double grow) {
        return "openings "
                + Length.shortMm(Length.toMm(Math.abs(grow)))
                + " mm "
                + (grow > 0 ? "larger" : "smaller")
                + " all round";
    }

    /** What is left of one in a picture, with its edge moved outwards. */
    static List<Feature> grown(Piece p, double by) {
        return p.isWhole()
                ? grown(p.feature(), p.polygon(), by)
                : Features.regions(Geo.offset(p.polygon(), by, 100), p.feature().attributes());
    }

    /**
     * A feature with its edge moved outwards.
     *
     * @param shape its area
     * @param by nm; negative moves it inwards
     * @return none where nothing is left of it
     */
    static List<Feature> grown(Feature f, Geometry shape, double by) {
        if (f instanceof Feature.Flash x && x.orientation().scale() == 1) {
            Aperture a = grown(x.aperture(), by);
            if (a != null) {
                return List.of(
                        new Feature.Flash(
                                a, x.at(), x.orientation(), true, x.line(), x.attributes()));
            }
        }
        Geometry g = Geo.offset(shape, by, 100);
        return g.isEmpty() ? List.of() : Features.regions(g, f.attributes());
    }

    /** The same form at another size, where it stays one; else null. */
    private static Aperture grown(Aperture a, double by) {
        if (a instanceof Aperture.Circle c && c.hole() == 0 && c.diameter() + 2 * by > 0) {
            return new Aperture.Circle(c.diameter() + 2 * by, 0);
        }
        if (a instanceof Aperture.Rectangle r
                && r.hole() == 0
                && Math.min(r.width(), r.height()) + 2 * by > 0) {
            return new Aperture.Rectangle(r.width() + 2 * by, r.height() + 2 * by, 0);
        }
        if (a instanceof Aperture.Obround o
                && o.hole() == 0
                && Math.min(o.width(), o.height()) + 2 * by > 0) {
            return new Aperture.Obround(o.width() + 2 * by, o.height() + 2 * by, 0);
        }
        return null;
    }
}
