package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * An area cut into handy tiles, so that looking about one place of a large one costs little. Where
 * tiles meet, their corners lie off the grid.
 */
public final class Tiles {
    private static final int HANDY = 200;
    private static final int DEEPEST = 24;

    private final List<Polygon> parts = new ArrayList<>();
    private final HPRtree tree = new HPRtree();

    private Tiles(Geometry area) {
        Geo.eachPolygon(area, p -> cut(p, 0));
        parts.forEach(p -> tree.insert(p.getEnvelopeInternal(), p));
        if (!parts.isEmpty()) {
            tree.build();
        }
    }

    public static Tiles of(Geometry area) {
        return new Tiles(area);
    }

    private void cut(Polygon p, int depth) {
        if (p.getNumPoints() <= HANDY || depth >= DEEPEST) {
            parts.add(p);
            return;
        }
        Envelope e = p.getEnvelopeInternal();
        double x = Math.rint(e.centre().x);
        double y = Math.rint(e.centre().y);
        boolean wide = e.getWidth() >= e.getHeight();
        Envelope low =
                new Envelope(
                        e.getMinX(), wide ? x : e.getMaxX(), e.getMinY(), wide ? e.getMaxY() : y);
        Envelope high =
                new Envelope(
                        wide ? x : e.getMinX(), e.getMaxX(), wide ? e.getMinY() : y, e.getMaxY());
        for (Envelope half : List.of(low, high)) {
            Geo.eachPolygon(
                    Geo.sharedAreaOffGrid(p, Geo.rectangle(half)), part -> cut(part, depth + 1));
        }
    }

    /** The tiles whose boxes meet the given one. */
    public List<Polygon> near(Envelope e) {
        List<Polygon> found = new ArrayList<>();
        if (!parts.isEmpty()) {
            tree.query(
                    e,
                    o -> {
                        if (((Polygon) o).getEnvelopeInternal().intersects(e)) {
                            found.add((Polygon) o);
                        }
                    });
        }
        return found;
    }

    /** How much of a small shape the area covers, nm². */
    public double sharedArea(Geometry shape) {
        double sum = 0;
        for (Polygon p : near(shape.getEnvelopeInternal())) {
            sum += Geo.sharedAreaOffGrid(p, shape).getArea();
        }
        return sum;
    }

    /** Whether a small shape meets the area. */
    public boolean intersects(Geometry shape) {
        return near(shape.getEnvelopeInternal()).stream().anyMatch(p -> p.intersects(shape));
    }
}
