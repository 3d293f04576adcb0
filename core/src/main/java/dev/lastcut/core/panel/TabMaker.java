package dev.lastcut.core.panel;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Puts tabs on each side of each board that faces another board or a rail: evenly, and where a part
 * hangs over the edge, beside it.
 */
final class TabMaker {
    /** How much farther than the gap a neighbour may lie: boards need not be rectangles. */
    private static final double REACH_NM = 12_000_000;

    private static final double TOUCH_NM = 2;

    /** A tab holds where it lies against at least so much of an edge. */
    private static final double LEAST_EDGE_NM = 200_000;

    /** From one place to try to the next. */
    private static final double STEP_NM = 500_000;

    /** What stays between a tab and a part (common practice, no source). */
    private static final double CLEAR_NM = 500_000;

    private enum Way {
        LEFT(-1, 0),
        RIGHT(1, 0),
        DOWN(0, -1),
        UP(0, 1);

        private final int dx;
        private final int dy;

        Way(int dx, int dy) {
            this.dx = dx;
            this.dy = dy;
        }
    }

    /** A board or a rail as it lies. */
    private record Solid(int number, Geometry shape) {}

    private record Pair(int low, int high) {}

    private final PanelPlan plan;
    private final Envelope panel;
    private final List<PlacedBoard> boards;
    private final STRtree solids = new STRtree();
    private final STRtree bodies = new STRtree();
    private final Set<Pair> joined = new HashSet<>();
    private final List<Break.Tab> tabs = new ArrayList<>();

    private TabMaker(PanelPlan plan, Layout layout, List<Polygon> rails) {
        this.plan = plan;
        this.panel = new Envelope(0, layout.widthNm(), 0, layout.heightNm());
        this.boards = layout.boards();
        rails.forEach(r -> solids.insert(r.getEnvelopeInternal(), new Solid(0, r)));
        for (PlacedBoard b : boards) {
            Geometry filled = b.filled();
            solids.insert(filled.getEnvelopeInternal(), new Solid(b.number(), filled));
            for (PartBodies.Body body : b.source().bodies()) {
                if (body.fitted()) {
                    Geometry outline = b.onPanel(body.outline());
                    Envelope e = Geo.expanded(outline.getEnvelopeInternal(), CLEAR_NM);
                    bodies.insert(e, outline);
                }
            }
        }
        solids.build();
    }

    static List<Break.Tab> of(PanelPlan plan, Layout layout, List<Polygon> rails) {
        return new TabMaker(plan, layout, rails).make();
    }

    private List<Break.Tab> make() {
        for (PlacedBoard b : boards) {
            for (Way way : Way.values()) {
                side(b, way);
            }
        }
        return tabs;
    }

    private void side(PlacedBoard b, Way way) {
        Envelope e = b.box();
        double from = way.dx != 0 ? e.getMinY() : e.getMinX();
        double length = way.dx != 0 ? e.getHeight() : e.getWidth();
        int n = plan.tab().perSide();
        double width = Length.mm(plan.tab().widthMm());
        List<Break.Tab> here = new ArrayList<>();
        for (int k = 0; k < n; k++) {
            double middle = from + length * (k + 0.5) / n;
            double room = Math.max(0, (length / n - width) / 2);
            place(b, way, middle, room).ifPresent(here::add);
        }
        for (Break.Tab t : here) {
            Pair pair = pair(t);
            if (t.other() == 0 || !joined.contains(pair)) {
                tabs.add(t);
            }
        }
        here.stream().filter(t -> t.other() > 0).forEach(t -> joined.add(pair(t)));
    }

    private static Pair pair(Break.Tab t) {
        return new Pair(Math.min(t.board(), t.other()), Math.max(t.board(), t.other()));
    }

    /** The tab nearest to where it should be that is clear of parts; else the one that is there. */
    private Optional<Break.Tab> place(PlacedBoard b, Way way, double middle, double room) {
        Optional<Break.Tab> first = Optional.empty();
        for (double off = 0; off <= room; off += STEP_NM) {
            for (int sign = 1; sign >= (off == 0 ? 1 : -1); sign -= 2) {
                Optional<Break.Tab> tab = bridge(b, way, middle + sign * off);
                if (tab.isPresent() && isClear(tab.get())) {
                    return tab;
                }
                first = first.isPresent() ? first : tab;
            }
        }
        return first;
    }

    private boolean isClear(Break.Tab t) {
        for (Object o : bodies.query(t.shape().getEnvelopeInternal())) {
            if (((Geometry) o).isWithinDistance(t.shape(), CLEAR_NM)) {
                return false;
            }
        }
        return true;
    }

    /** What lies across the channel at a place of a side; empty where nothing faces it. */
    private Optional<Break.Tab> bridge(PlacedBoard b, Way way, double middle) {
        double half = Length.mm(plan.tab().widthMm()) / 2;
        Envelope e = b.box();
        double reach = Length.mm(plan.gap()) + REACH_NM;
        Envelope strip =
                switch (way) {
                    case LEFT ->
                            new Envelope(
                                    e.getMinX() - reach,
                                    e.centre().x,
                                    middle - half,
                                    middle + half);
                    case RIGHT ->
                            new Envelope(
                                    e.centre().x,
                                    e.getMaxX() + reach,
                                    middle - half,
                                    middle + half);
                    case DOWN ->
                            new Envelope(
                                    middle - half,
                                    middle + half,
                                    e.getMinY() - reach,
                                    e.centre().y);
                    case UP ->
                            new Envelope(
                                    middle - half,
                                    middle + half,
                                    e.centre().y,
                                    e.getMaxY() + reach);
                };
        strip = strip.intersection(panel);
        if (strip.isNull() || strip.getWidth() <= 0 || strip.getHeight() <= 0) {
            return Optional.empty();
        }
        Geometry open =
                Geo.rectangle(
                        Math.round(strip.getMinX()),
                        Math.round(strip.getMinY()),
                        Math.round(strip.getMaxX()),
                        Math.round(strip.getMaxY()));
        List<Solid> near = new ArrayList<>();
        for (Object o : solids.query(strip)) {
            Solid s = (Solid) o;
            near.add(s);
            open = Geo.difference(open, Geo.clip(s.shape(), strip));
        }
        near.sort(Comparator.comparingInt(Solid::number));
        Solid self = near.stream().filter(s -> s.number() == b.number()).findFirst().orElse(null);
        if (self == null) {
            return Optional.empty();
        }
        for (Polygon p : Geo.polygons(open)) {
            if (!touches(p, self)) {
                continue;
            }
            for (Solid s : near) {
                if (s != self && touches(p, s)) {
                    return Optional.of(
                            new Break.Tab(b.number(), s.number(), p, bites(p, self, s, way)));
                }
            }
        }
        return Optional.empty();
    }

    /** Along an edge, not at a corner. */
    private static boolean touches(Polygon p, Solid s) {
        Coordinate[] c = p.getExteriorRing().getCoordinates();
        double along = 0;
        for (int i = 1; i < c.length && along < LEAST_EDGE_NM; i++) {
            Coordinate m = new Coordinate((c[i].x + c[i - 1].x) / 2, (c[i].y + c[i - 1].y) / 2);
            if (s.shape().isWithinDistance(Geo.FACTORY.createPoint(m), TOUCH_NM)) {
                along += c[i].distance(c[i - 1]);
            }
        }
        return along >= LEAST_EDGE_NM;
    }

    private List<Pt> bites(Polygon tab, Solid self, Solid other, Way way) {
        List<Pt> bites = new ArrayList<>();
        if (plan.tab().biteMm() == 0) {
            return bites;
        }
        double pitch = Length.mm(plan.tab().pitchMm());
        double width = Length.mm(plan.tab().widthMm());
        int n = (int) Math.floor(width / pitch + 1e-9) + 1;
        Envelope e = tab.getEnvelopeInternal();
        double middle = way.dx != 0 ? e.centre().y : e.centre().x;
        for (int i = 0; i < n; i++) {
            double at = middle + (i - (n - 1) / 2.0) * pitch;
            edge(tab, self, way, at).ifPresent(bites::add);
            if (other.number() > 0) {
                edge(tab, other, way, at).ifPresent(bites::add);
            }
        }
        return bites;
    }

    /** Where a line across the tab meets a board's edge. */
    private static Optional<Pt> edge(Polygon tab, Solid board, Way way, double at) {
        Envelope e = Geo.expanded(tab.getEnvelopeInternal(), 200_000);
        double inside =
                way.dx != 0
                        ? Math.max(e.getMinY() + 200_001, Math.min(at, e.getMaxY() - 200_001))
                        : Math.max(e.getMinX() + 200_001, Math.min(at, e.getMaxX() - 200_001));
        Coordinate from =
                way.dx != 0
                        ? new Coordinate(e.getMinX(), inside)
                        : new Coordinate(inside, e.getMinY());
        Coordinate to =
                way.dx != 0
                        ? new Coordinate(e.getMaxX(), inside)
                        : new Coordinate(inside, e.getMaxY());
        Geometry across = Geo.FACTORY.createLineString(new Coordinate[] {from, to});
        Coordinate best = null;
        for (Coordinate c : across.intersection(board.shape()).getCoordinates()) {
            boolean end = c.distance(from) < 1 || c.distance(to) < 1;
            if (!end && (best == null || nearer(c, best, tab))) {
                best = c;
            }
        }
        if (best == null) {
            return Optional.empty();
        }
        return Optional.of(
                way.dx != 0
                        ? new Pt(Math.round(best.x), Math.round(at))
                        : new Pt(Math.round(at), Math.round(best.y)));
    }

    private static boolean nearer(Coordinate c, Coordinate than, Polygon tab) {
        Coordinate m = tab.getEnvelopeInternal().centre();
        return c.distance(m) < than.distance(m);
    }
}
