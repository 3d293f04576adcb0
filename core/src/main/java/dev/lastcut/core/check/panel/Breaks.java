package dev.lastcut.core.check.panel;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.panel.Break;
import dev.lastcut.core.panel.Panel;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Point;

/**
 * Where a panel's boards are broken off: scores, and rows of bites, or tabs where there are none.
 */
final class Breaks {
    /**
     * One place of breaking.
     *
     * @param line what is broken along
     * @param halfNm how far from the line material goes
     */
    record Place(Geometry line, double halfNm, Break of) {
        boolean isScore() {
            return of instanceof Break.Score;
        }
    }

    private Breaks() {}

    static List<Place> of(Panel panel) {
        List<Place> all = new ArrayList<>();
        panel.scores().forEach(s -> all.add(new Place(s.line(), 0, s)));
        double half = Length.mm(panel.plan().tab().biteMm()) / 2.0;
        for (Break.Tab t : panel.tabs()) {
            if (t.bites().isEmpty()) {
                all.add(new Place(t.shape(), 0, t));
            } else {
                List<Point> points = new ArrayList<>();
                t.bites()
                        .forEach(
                                p ->
                                        points.add(
                                                Geo.FACTORY.createPoint(
                                                        new Coordinate(p.x(), p.y()))));
                all.add(
                        new Place(
                                Geo.FACTORY.createMultiPoint(points.toArray(Point[]::new)),
                                half,
                                t));
            }
        }
        return all;
    }
}
