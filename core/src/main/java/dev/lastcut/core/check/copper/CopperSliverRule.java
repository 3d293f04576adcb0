package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Nearby;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Necks;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.geom.Polygon;

/**
 * Necks of copper: in filled areas and what clear polarity left of shapes, and where two shapes
 * barely meet. Tracks as drawn have their own check. A neck that other copper of the net covers is
 * none.
 */
public final class CopperSliverRule implements Rule {
    /** So many necks are looked at; a board with more needs none of it. */
    private static final int MOST = 500;

    /** Drawn shapes are exact, flattened ones are not: overlaps of less are no joint. */
    private static final double EXACT_NM = 1_000;

    private record Neck(int layer, int net, Measure across, boolean joint) {
        /** The same for all necks of one net on one layer. */
        long key() {
            return ((long) layer << 32) + net;
        }

        Envelope box() {
            return new Envelope(across.from().coordinate(), across.to().coordinate());
        }
    }

    @Override
    public String id() {
        return "copper-sliver";
    }

    @Override
    public String title() {
        return "Copper necks and slivers";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.COPPER_SLIVER, Role.Kind.COPPER);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.COPPER_SLIVER);
        }
        CopperNets nets = c.geometry().nets();
        if (nets.nodes().isEmpty()) {
            return Outcome.notRun("the pack has no copper");
        }
        double limit = bounds.get().reachNm();
        List<Neck> necks =
                Parallel.map(nets.nodes(), n -> necksOf(nets, n, limit)).stream()
                        .flatMap(List::stream)
                        .toList();
        Map<Long, List<Neck>> byNet = new TreeMap<>();
        necks.forEach(n -> byNet.computeIfAbsent(n.key(), k -> new ArrayList<>()).add(n));
        List<List<Neck>> places = new ArrayList<>();
        byNet.values().forEach(n -> places.addAll(Nearby.groups(n, Neck::box, 2 * limit)));
        List<Finding> findings = new ArrayList<>();
        places.stream().limit(MOST).forEach(p -> findings.add(finding(c, bounds.get(), p)));
        return Outcome.of(findings, Outcome.more(places.size(), MOST, "necks"));
    }

    private static List<Neck> necksOf(CopperNets nets, CopperNode n, double limit) {
        List<Neck> necks = new ArrayList<>();
        if (n.isArea() || !n.piece().isWhole()) {
            for (Measure m : Necks.of(n.polygon(), limit)) {
                if (isBare(nets, n, m, limit)) {
                    necks.add(new Neck(n.layer(), n.net(), m, false));
                }
            }
        }
        for (CopperNode other : nets.near(n.layer(), n.envelope())) {
            if (other.id() > n.id()
                    && other.net() == n.net()
                    && meetsBarely(nets, n, other, limit)) {
                joint(nets, n, other, limit, necks);
            }
        }
        return necks;
    }

    /** Whether no other copper of the net makes the copper across wider than the limit. */
    private static boolean isBare(CopperNets nets, CopperNode n, Measure m, double limit) {
        Coordinate a = m.from().coordinate();
        Coordinate b = m.to().coordinate();
        double grow = m.nm() == 0 ? 0 : limit / m.nm();
        Pt from =
                new Pt(Math.round(a.x - grow * (b.x - a.x)), Math.round(a.y - grow * (b.y - a.y)));
        Pt to = new Pt(Math.round(b.x + grow * (b.x - a.x)), Math.round(b.y + grow * (b.y - a.y)));
        var cross = Geo.line(from, to);
        Envelope window = Geo.expanded(cross.getEnvelopeInternal(), limit);
        Geometry copper = around(nets, n, window);
        Geometry lines = copper.intersection(cross);
        for (int i = 0; i < lines.getNumGeometries(); i++) {
            Geometry part = lines.getGeometryN(i);
            if (part.distance(Geo.point(m.middle())) < EXACT_NM) {
                return part.getLength() < limit;
            }
        }
        return true;
    }

    private static Geometry around(CopperNets nets, CopperNode n, Envelope window) {
        List<Geometry> near = new ArrayList<>();
        for (CopperNode other : nets.near(n.layer(), window)) {
            if (other.net() == n.net()) {
                Geometry part = Geo.clip(other.polygon(), window);
                Geo.eachPolygon(part, near::add);
            }
        }
        return Geo.union(near);
    }

    /**
     * Whether two shapes meet only by their edges: neither reaches the middle line, or the middle,
     * of the other, and where they overlap they do so in less than the limit.
     */
    private static boolean meetsBarely(
            CopperNets nets, CopperNode n, CopperNode other, double limit) {
        Piece a = n.piece();
        Piece b = other.piece();
        if (a.roundRadius() > 0 && b.roundRadius() > 0) {
            return roundsMeetBarely(a, b, limit);
        }
        if (!nets.contact().touch(a, b)) {
            return false;
        }
        return !middleWithin(nets, a, b) && !middleWithin(nets, b, a);
    }

    private static boolean middleWithin(CopperNets nets, Piece of, Piece within) {
        if (of.roundRadius() > 0) {
            return nets.contact().covers(within, of.roundFrom())
                    || nets.contact().covers(within, of.roundTo());
        }
        return of.feature() instanceof Feature.Flash f && nets.contact().covers(within, f.at());
    }

    private static boolean roundsMeetBarely(Piece a, Piece b, double limit) {
        double ra = a.roundRadius();
        double rb = b.roundRadius();
        double d = apart(a, b);
        if (d >= ra + rb || d < Math.max(ra, rb)) {
            return false;
        }
        return chord(a, b).nm() < limit && !runAlong(a, b, limit);
    }

    /** Two circles meet in a chord across the line of their middles. */
    private static Measure chord(Piece a, Piece b) {
        Coordinate[] way =
                new LineSegment(a.roundFrom().coordinate(), a.roundTo().coordinate())
                        .closestPoints(
                                new LineSegment(
                                        b.roundFrom().coordinate(), b.roundTo().coordinate()));
        double ra = a.roundRadius();
        double rb = b.roundRadius();
        double d = way[0].distance(way[1]);
        double x = (d * d + ra * ra - rb * rb) / (2 * d);
        double half = Math.sqrt(Math.max(0, ra * ra - x * x));
        double ux = (way[1].x - way[0].x) / d;
        double uy = (way[1].y - way[0].y) / d;
        double mx = way[0].x + x * ux;
        double my = way[0].y + x * uy;
        return new Measure(
                new Pt(Math.round(mx - half * uy), Math.round(my + half * ux)),
                new Pt(Math.round(mx + half * uy), Math.round(my - half * ux)),
                2 * half);
    }

    private static double apart(Piece a, Piece b) {
        return Distance.segmentToSegment(
                a.roundFrom().coordinate(),
                a.roundTo().coordinate(),
                b.roundFrom().coordinate(),
                b.roundTo().coordinate());
    }

    /** Strokes that paint an area overlap side by side over much of their length. */
    private static boolean runAlong(Piece a, Piece b, double limit) {
        Piece s = a.roundFrom().distance(a.roundTo()) < b.roundFrom().distance(b.roundTo()) ? a : b;
        Piece l = s == a ? b : a;
        double reach = a.roundRadius() + b.roundRadius() - EXACT_NM;
        int within = 0;
        for (Pt p : List.of(s.roundFrom(), s.roundFrom().middle(s.roundTo()), s.roundTo())) {
            double d =
                    Distance.pointToSegment(
                            p.coordinate(), l.roundFrom().coordinate(), l.roundTo().coordinate());
            within += d < reach ? 1 : 0;
        }
        return within >= 2 && s.roundFrom().distance(s.roundTo()) >= 2 * limit;
    }

    private static void joint(
            CopperNets nets, CopperNode a, CopperNode b, double limit, List<Neck> necks) {
        if (a.piece().roundRadius() > 0 && b.piece().roundRadius() > 0) {
            // Flattened circles that graze each other meet elsewhere than true ones.
            Measure chord = chord(a.piece(), b.piece());
            if (isBare(nets, a, chord, limit)) {
                necks.add(new Neck(a.layer(), a.net(), chord, true));
            }
            return;
        }
        Envelope meet = a.envelope().intersection(b.envelope());
        Envelope window = Geo.expanded(meet, 3 * limit);
        for (Polygon p : Geo.polygons(around(nets, a, window))) {
            for (Measure m : Necks.of(p, limit)) {
                if (Geo.expanded(meet, EXACT_NM).intersects(m.middle().coordinate())) {
                    necks.add(new Neck(a.layer(), a.net(), m, true));
                }
            }
        }
    }

    private Finding finding(CheckContext c, CheckContext.Bounds bounds, List<Neck> place) {
        Neck narrowest = place.get(0);
        for (Neck n : place) {
            narrowest = n.across.nm() < narrowest.across.nm() - 1 ? n : narrowest;
        }
        double width = narrowest.across.nm();
        String net = c.netName(narrowest.net);
        String where = narrowest.joint ? " where two shapes barely meet" : "";
        return new FindingBuilder(id())
                .layers(c.copperId(narrowest.layer))
                .measure(narrowest.across)
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(width, narrowest.joint ? Severity.STOP : Severity.LOOK))
                .nets(List.of(net))
                .say(
                        "Copper of "
                                + net
                                + " narrows to "
                                + Length.text(width)
                                + where
                                + "; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It may be etched through, or come off and lie across others."
                                + " Widen it or take it out.");
    }
}
