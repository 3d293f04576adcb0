package dev.lastcut.demo;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** Fills a layer around everything else with one net, joined to its pads by thermal spokes. */
final class Pour {
    private static final long CLEAR = 250_000;
    private static final long THERMAL_GAP = 300_000;
    private static final long SPOKE = 300_000;
    private static final long EDGE = 500_000;
    private static final double CHORD = 2_000;

    private Pour() {}

    /** Polygons from large to small, so that inner ones come after the holes they lie in. */
    static List<Polygon> fill(Design design, int layer, Geometry board) {
        List<Geometry> keepOut = new ArrayList<>();
        List<Geometry> gaps = new ArrayList<>();
        List<Geometry> spokes = new ArrayList<>();
        List<Geometry> own = new ArrayList<>();
        for (Design.Bare b : design.bare) {
            Geometry core =
                    b.from().equals(b.to()) ? Geo.point(b.from()) : Geo.line(b.from(), b.to());
            keepOut.add(Geo.offset(core, b.diameter() / 2.0 + 400_000, CHORD));
        }
        for (Copper c : design.copper) {
            if (c.layer() >= 0 && c.layer() != layer) {
                continue;
            }
            if (!c.net().equals(design.pourNet)) {
                keepOut.add(Geo.offset(c.shape(), CLEAR, CHORD));
            } else if (c instanceof Copper.Pad pad) {
                gaps.add(Geo.offset(pad.shape(), THERMAL_GAP, CHORD));
                spokes.addAll(spokes(pad));
                own.add(pad.shape());
            } else {
                own.add(c.shape());
            }
        }
        Geometry free = Geo.difference(Geo.offset(board, -EDGE, CHORD), Geo.union(keepOut));
        Geometry open = Geo.difference(free, Geo.union(gaps));
        // Slivers thinner than 0.25 mm go; the corners come out round.
        Geometry plain = Geo.offset(Geo.offset(open, -125_000, CHORD), 125_000, CHORD);
        Geometry pour = Geo.union(plain, Geo.intersection(Geo.union(spokes), free));
        Geometry joined = Geo.union(own);
        List<Polygon> kept = new ArrayList<>();
        for (Polygon p : Geo.polygons(pour)) {
            if (p.intersects(joined) && p.getArea() > 1e12) {
                kept.add(p);
            }
        }
        kept.sort(Comparator.comparingDouble(p -> -p.getEnvelopeInternal().getArea()));
        return kept;
    }

    private static List<Geometry> spokes(Copper.Pad pad) {
        long x = pad.w() / 2 + THERMAL_GAP + Length.mm(0.15);
        long y = pad.h() / 2 + THERMAL_GAP + Length.mm(0.15);
        long s = SPOKE / 2;
        long px = pad.at().x();
        long py = pad.at().y();
        return List.of(
                Geo.rectangle(px - x, py - s, px + x, py + s),
                Geo.rectangle(px - s, py - y, px + s, py + y));
    }
}
