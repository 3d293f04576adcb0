package dev.lastcut.core.panel;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.index.strtree.STRtree;

/** What of a panel stays when its channels and cut-outs are routed. */
final class Material {
    private static final double CHORD_NM = 1_000;
    private static final double TOUCH_NM = 1_000;

    private Material() {}

    static List<Polygon> rails(PanelPlan plan, Layout layout) {
        List<Polygon> rails = new ArrayList<>();
        long rail = Length.mm(plan.railMm());
        long w = Math.round(layout.widthNm());
        long h = Math.round(layout.heightNm());
        if (plan.rails().above()) {
            rails.add(Geo.rectangle(0, 0, w, rail));
            rails.add(Geo.rectangle(0, h - rail, w, h));
        }
        if (plan.rails().beside()) {
            rails.add(Geo.rectangle(0, 0, rail, h));
            rails.add(Geo.rectangle(w - rail, 0, w, h));
        }
        return rails;
    }

    static Geometry of(PanelPlan plan, Layout layout, List<Polygon> rails, List<Break.Tab> tabs) {
        List<Geometry> wholes = new ArrayList<>();
        List<Geometry> cutOuts = new ArrayList<>();
        for (PlacedBoard b : layout.boards()) {
            Geometry filled = b.filled();
            wholes.add(filled);
            Geometry area = b.onPanel(b.source().geometry().boardArea());
            Geo.eachPolygon(area, p -> holes(p, cutOuts));
        }
        Geometry panel =
                Geo.rectangle(0, 0, Math.round(layout.widthNm()), Math.round(layout.heightNm()));
        Geometry stays =
                switch (plan.join()) {
                    case SCORE -> panel;
                    case NONE -> Geo.union(concat(wholes, rails));
                    case TABS -> routed(plan, layout, panel, wholes, rails, tabs);
                };
        return cutOuts.isEmpty() ? stays : Geo.difference(stays, Geo.union(cutOuts));
    }

    private static void holes(Polygon p, List<Geometry> out) {
        for (int i = 0; i < p.getNumInteriorRing(); i++) {
            out.add(Geo.FACTORY.createPolygon(p.getInteriorRingN(i).getCoordinates()));
        }
    }

    private static List<Geometry> concat(List<Geometry> a, List<? extends Geometry> b) {
        List<Geometry> all = new ArrayList<>(a);
        all.addAll(b);
        return all;
    }

    private static Geometry routed(
            PanelPlan plan,
            Layout layout,
            Geometry panel,
            List<Geometry> wholes,
            List<Polygon> rails,
            List<Break.Tab> tabs) {
        double gap = Length.mm(plan.gap());
        record Lying(PanelSource source, double deg) {}
        Map<Lying, PlacedBoard> first = new HashMap<>();
        Map<Lying, Geometry> about = new HashMap<>();
        List<Geometry> channels = new ArrayList<>();
        for (PlacedBoard b : layout.boards()) {
            Lying key = new Lying(b.source(), b.rotationDeg());
            PlacedBoard one = first.computeIfAbsent(key, k -> b);
            Geometry wide =
                    about.computeIfAbsent(
                            key,
                            k -> {
                                Geometry whole = b.filled();
                                return Geo.difference(Geo.offset(whole, gap, CHORD_NM), whole);
                            });
            channels.add(moved(wide, one, b));
        }
        Geometry kept = Geo.union(concat(concat(wholes, rails), shapes(tabs)));
        Geometry stays =
                Geo.union(
                        Geo.difference(panel, Geo.union(channels)), Geo.intersection(kept, panel));
        return held(stays, concat(wholes, rails));
    }

    private static Geometry moved(Geometry g, PlacedBoard from, PlacedBoard to) {
        var by = to.shift().minus(from.shift());
        return AffineTransformation.translationInstance(by.x(), by.y()).transform(g);
    }

    private static List<Geometry> shapes(List<Break.Tab> tabs) {
        List<Geometry> all = new ArrayList<>();
        tabs.forEach(t -> all.add(t.shape()));
        return all;
    }

    /** Without scraps that hang on nothing: no board and no rail is of them. */
    private static Geometry held(Geometry stays, List<Geometry> solids) {
        STRtree tree = new STRtree();
        solids.forEach(s -> tree.insert(s.getEnvelopeInternal(), s));
        List<Polygon> held = new ArrayList<>();
        for (Polygon p : Geo.polygons(stays)) {
            Envelope e = Geo.expanded(p.getEnvelopeInternal(), TOUCH_NM);
            for (Object o : tree.query(e)) {
                if (p.intersects(((Geometry) o).getInteriorPoint())) {
                    held.add(p);
                    break;
                }
            }
        }
        return Geo.collected(held);
    }
}
