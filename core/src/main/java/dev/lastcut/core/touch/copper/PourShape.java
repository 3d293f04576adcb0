package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Necks;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.RingOffset;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.TouchClearances;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.index.strtree.STRtree;

/** Works out the shape of a {@link Pour}. */
final class PourShape {
    private static final double CHORD_NM = KeepOff.CHORD_NM;

    /** Spokes that are just as wide as necks may be stay. */
    private static final double NARROWER = 0.95;

    private final BoardGeometry geometry;
    private final int layer;
    private final Set<Integer> own;
    private final OldAreas old;
    private final KeepOff off;
    private final Pour pour;
    private final TouchClearances room;

    private Geometry area = Geo.empty();
    private final Set<Feature> onSpokes = Collections.newSetFromMap(new IdentityHashMap<>());
    private int islands;
    private final List<Pt> bare = new ArrayList<>();
    private final List<Pt> left = new ArrayList<>();

    PourShape(
            BoardGeometry geometry,
            int layer,
            Set<Integer> own,
            OldAreas old,
            KeepOff off,
            Pour pour,
            TouchClearances room) {
        this.geometry = geometry;
        this.layer = layer;
        this.own = own;
        this.old = old;
        this.off = off;
        this.pour = pour;
        this.room = room;
    }

    Geometry area() {
        return area;
    }

    String says() {
        StringBuilder s = new StringBuilder("Fills " + Change.area(area.getArea()));
        if (islands > 0) {
            s.append("; ")
                    .append(Change.count(islands, "island"))
                    .append(pour.keepIslands() ? " kept" : " left out");
        }
        if (!bare.isEmpty()) {
            s.append("; no spoke reaches ").append(Change.count(bare.size(), "pad"));
        }
        return s.toString();
    }

    /** Pads without a spoke, and islands. */
    List<Pt> places() {
        List<Pt> all = new ArrayList<>(bare);
        all.addAll(left);
        return all;
    }

    PourShape fill(Geometry chosen) {
        Envelope window = chosen.getEnvelopeInternal();
        Geometry may = Geo.sharedArea(chosen, off.board(0, window));
        if (may.isEmpty()) {
            return this;
        }
        List<Geometry> taken = off.parts(window, 0);
        List<Geometry> rings = new ArrayList<>();
        bareHoles(window, rings, taken);
        if (pour.relief().isPresent()) {
            taken.addAll(reliefs(pads(window), taken, window, may));
        }
        // Rounded to the grid once, when it is drawn: every crossing until then stays where it
        // falls.
        Geometry whole = opened(Geo.differenceOffGrid(may, Geo.unionOffGrid(taken)), width());
        whole = with(whole, rings);
        whole =
                with(
                        whole,
                        OverlapRepair.patches(
                                geometry,
                                layer,
                                own,
                                f -> old.holds(f) || onSpokes.contains(f),
                                whole,
                                pour.leastWidth(),
                                off));
        whole = withoutNecks(whole);
        if (pour.hatch().isPresent()) {
            whole = Hatching.of(whole, pour.hatch().get());
        }
        area = withoutIslands(whole);
        return this;
    }

    /** How wide copper must be to stay: as wide as spokes at most. */
    private double width() {
        return pour.relief()
                .map(r -> Math.min(pour.leastWidth(), r.spoke() * NARROWER))
                .orElse(pour.leastWidth());
    }

    /** With what of these it does not cover already. */
    private static Geometry with(Geometry whole, List<Geometry> more) {
        if (more.isEmpty() || whole.isEmpty()) {
            return whole;
        }
        PreparedGeometry there = PreparedGeometryFactory.prepare(whole);
        List<Geometry> all = new ArrayList<>(more);
        all.removeIf(there::covers);
        if (all.isEmpty()) {
            return whole;
        }
        Geo.eachPolygon(whole, all::add);
        return Geo.unionOffGrid(all);
    }

    /** Without necks narrower than this: shrunk by half of it, and grown again. */
    static Geometry opened(Geometry g, double width) {
        if (width <= 0 || g.isEmpty()) {
            return g;
        }
        Geometry core = RingOffset.offset(g, -width / 2, CHORD_NM);
        if (core.isEmpty()) {
            return Geo.empty();
        }
        // Chords lie within their arcs, so what grows back stays within what was free but for them.
        return RingOffset.offset(core, width / 2, CHORD_NM);
    }

    /**
     * Holes of the net that have no pad here are held by the pour alone: by a whole ring where
     * there is room, else not at all, for a part of a ring breaks.
     */
    private void bareHoles(Envelope window, List<Geometry> rings, List<Geometry> taken) {
        for (int i : geometry.holes().near(window)) {
            Hole h = geometry.board().holes().get(i);
            boolean ours =
                    h.plated()
                            && h.span().passes(layer)
                            && own.contains(geometry.nets().netOfHole(i));
            if (!ours || hasPad(h)) {
                continue;
            }
            Geometry ring = h.about(geometry.flattener(), room.ring());
            if (off.isFree(ring)) {
                rings.add(ring);
            } else {
                taken.add(h.about(geometry.flattener(), pour.clearance()));
            }
        }
    }

    private boolean hasPad(Hole h) {
        return geometry.nets().near(layer, KeepOff.box(h, 0)).stream()
                .anyMatch(
                        n ->
                                own.contains(n.net())
                                        && !old.holds(n.feature())
                                        && geometry.nets().contact().touch(n.piece(), h));
    }

    /** Pads of the net that are soldered; vias are covered. */
    private List<CopperNode> pads(Envelope window) {
        Set<Integer> vias = new HashSet<>(Pads.vias(geometry));
        List<CopperNode> found = new ArrayList<>();
        var side = geometry.board().copper().get(layer).role().side();
        if (side.isPresent()) {
            for (Pads.Pad p : Pads.on(geometry, side.get())) {
                if (own.contains(p.node().net()) && !old.holds(p.node().feature())) {
                    found.add(p.node());
                }
            }
            return found;
        }
        for (CopperNode n : geometry.nets().near(layer, window)) {
            if (own.contains(n.net()) && n.feature() instanceof Feature.Flash f) {
                boolean lead = false;
                for (int h : geometry.holes().at(f.at())) {
                    Hole hole = geometry.board().holes().get(h);
                    lead |= hole.plated() && !vias.contains(h);
                }
                if (lead) {
                    found.add(n);
                }
            }
        }
        return found;
    }

    /** What a spoke must not meet, found by place. */
    private static final class Around {
        private final STRtree taken = new STRtree();
        private final PreparedGeometry board;

        Around(List<Geometry> taken, Geometry board) {
            taken.forEach(t -> this.taken.insert(t.getEnvelopeInternal(), t));
            this.taken.build();
            this.board = PreparedGeometryFactory.prepare(board);
        }

        /** Whether nothing is there but, perhaps, one thing that does not count. */
        boolean isFree(Geometry shape, Geometry but) {
            for (Object o : taken.query(shape.getEnvelopeInternal())) {
                if (o != but && ((Geometry) o).intersects(shape)) {
                    return false;
                }
            }
            return board.covers(shape);
        }
    }

    /** The gaps round pads, each less the spokes that lead over it. */
    private List<Geometry> reliefs(
            List<CopperNode> pads, List<Geometry> taken, Envelope window, Geometry may) {
        double gap = pour.relief().orElseThrow().gap();
        List<Geometry> gaps = new ArrayList<>();
        for (CopperNode pad : pads) {
            List<Geometry> parts = new ArrayList<>();
            off.addGrown(pad.piece(), gap, window, parts);
            gaps.add(Geo.union(parts));
        }
        List<Geometry> all = new ArrayList<>(taken);
        all.addAll(gaps);
        Around around = new Around(all, may);
        PreparedGeometry near = PreparedGeometryFactory.prepare(may);
        List<Geometry> left = new ArrayList<>();
        for (int i = 0; i < pads.size(); i++) {
            if (!near.intersects(gaps.get(i))) {
                continue;
            }
            List<Geometry> spokes = spokes(pads.get(i), gaps.get(i), around);
            onSpokes.add(pads.get(i).feature());
            if (spokes.isEmpty()) {
                bare.add(Pt.of(pads.get(i).envelope().centre()));
            }
            left.add(
                    spokes.isEmpty()
                            ? gaps.get(i)
                            : Geo.difference(gaps.get(i), Geo.union(spokes)));
        }
        return left;
    }

    private List<Geometry> spokes(CopperNode pad, Geometry gap, Around around) {
        Relief relief = pour.relief().orElseThrow();
        Coordinate c = pad.envelope().centre();
        double half = relief.spoke() / 2;
        double into = Math.max(relief.spoke() / 2, pour.leastWidth() / 2);
        double far =
                Math.hypot(pad.envelope().getWidth(), pad.envelope().getHeight()) / 2
                        + relief.gap()
                        + into;
        List<Geometry> found = new ArrayList<>();
        for (int i = 0; i < relief.spokes(); i++) {
            double angle = 2 * Math.PI * i / relief.spokes();
            double ends = reach(pad, c, angle, far) + relief.gap();
            Geometry spoke = turned(0, -half, ends + into, half, angle, c);
            // Within the pad the spoke is copper anyway; beyond, it must be free all along.
            if (around.isFree(Geo.difference(spoke, pad.polygon()), gap)) {
                found.add(spoke);
            }
        }
        return found;
    }

    /**
     * Where two parts that the opening left only just touch, they are parted: each grew back to
     * where they were, and what they share is narrower than a neck may be.
     */
    private Geometry withoutNecks(Geometry whole) {
        List<Geometry> cuts = new ArrayList<>();
        for (Polygon p : Geo.polygons(whole)) {
            for (Measure m : Necks.of(p, width() * NARROWER)) {
                cuts.add(
                        geometry.flattener()
                                .stroke(new Segment.Line(m.from(), m.to()), pour.leastWidth()));
            }
        }
        return cuts.isEmpty() ? whole : Geo.differenceOffGrid(whole, Geo.union(cuts));
    }

    /** How far a pad reaches from its middle in a direction. */
    private static double reach(CopperNode pad, Coordinate c, double angle, double far) {
        Coordinate to = new Coordinate(c.x + far * Math.cos(angle), c.y + far * Math.sin(angle));
        Geometry ray =
                Geo.FACTORY.createLineString(new Coordinate[] {c, to}).intersection(pad.polygon());
        double reach = 0;
        for (Coordinate p : ray.getCoordinates()) {
            reach = Math.max(reach, p.distance(c));
        }
        return reach;
    }

    private static Geometry turned(
            double x0, double y0, double x1, double y1, double angle, Coordinate at) {
        Geometry box = Geo.rectangle(new Envelope(x0, x1, y0, y1));
        Geometry g =
                AffineTransformation.rotationInstance(angle).translate(at.x, at.y).transform(box);
        g.apply((Coordinate p) -> Geo.GRID.makePrecise(p));
        g.geometryChanged();
        return g;
    }

    private Geometry withoutIslands(Geometry whole) {
        List<Polygon> kept = new ArrayList<>();
        for (Polygon p : Geo.polygons(whole)) {
            boolean tied = isTied(p);
            if (!tied) {
                islands++;
                left.add(Pt.of(p.getInteriorPoint().getCoordinate()));
            }
            if (tied || pour.keepIslands()) {
                kept.add(p);
            }
        }
        return Geo.collected(kept);
    }

    private boolean isTied(Polygon p) {
        PreparedGeometry prepared = PreparedGeometryFactory.prepare(p);
        for (CopperNode n : geometry.nets().near(layer, p.getEnvelopeInternal())) {
            if (own.contains(n.net())
                    && !old.holds(n.feature())
                    && prepared.intersects(n.polygon())) {
                return true;
            }
        }
        return false;
    }
}
