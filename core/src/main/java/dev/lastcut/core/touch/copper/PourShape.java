package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Tiles;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.KeepOff;
import java.util.ArrayList;
import java.util.HashSet;
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
    private static final double CHORD_NM = 50;

    /** A spoke must reach into the pour by this share of its end to hold. */
    private static final double HELD = 0.9;

    private final BoardGeometry geometry;
    private final int layer;
    private final Set<Integer> own;
    private final OldAreas old;
    private final KeepOff off;
    private final Pour pour;

    private Geometry area = Geo.empty();
    private int islands;
    private final List<Pt> bare = new ArrayList<>();
    private final List<Pt> left = new ArrayList<>();

    PourShape(
            BoardGeometry geometry,
            int layer,
            Set<Integer> own,
            OldAreas old,
            KeepOff off,
            Pour pour) {
        this.geometry = geometry;
        this.layer = layer;
        this.own = own;
        this.old = old;
        this.off = off;
        this.pour = pour;
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
        List<CopperNode> pads = pour.relief().isPresent() ? pads(window) : List.of();
        List<Geometry> gaps = new ArrayList<>();
        pads.forEach(p -> off.addGrown(p.piece(), pour.relief().get().gap(), window, gaps));
        List<Geometry> both = new ArrayList<>(taken);
        both.addAll(gaps);
        Geometry filled =
                opened(Geo.differenceOffGrid(may, Geo.unionOffGrid(both)), pour.leastWidth());
        List<Geometry> all = new ArrayList<>();
        Geo.eachPolygon(filled, all::add);
        all.addAll(spokes(pads, new Around(taken, off.board(0, window)), filled));
        Geometry whole = Geo.union(all);
        if (pour.hatch().isPresent()) {
            whole = Hatching.of(whole, pour.hatch().get());
        }
        area = withoutIslands(whole);
        return this;
    }

    /** Without necks narrower than this: shrunk by half of it, and grown again. */
    static Geometry opened(Geometry g, double width) {
        if (width <= 0 || g.isEmpty()) {
            return g;
        }
        Geometry core = Geo.offset(g, -width / 2, CHORD_NM);
        if (core.isEmpty()) {
            return Geo.empty();
        }
        // Chords lie within their arcs, so what grows back stays within what was free but for them.
        return Geo.offset(core, width / 2, CHORD_NM);
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
        private final Geometry board;
        private final PreparedGeometry prepared;

        Around(List<Geometry> taken, Geometry board) {
            taken.forEach(t -> this.taken.insert(t.getEnvelopeInternal(), t));
            this.taken.build();
            this.board = board;
            this.prepared = PreparedGeometryFactory.prepare(board);
        }

        boolean isFree(Geometry shape) {
            for (Object o : taken.query(shape.getEnvelopeInternal())) {
                if (((Geometry) o).intersects(shape)) {
                    return false;
                }
            }
            return board.isEmpty() || prepared.covers(shape);
        }
    }

    private List<Geometry> spokes(List<CopperNode> pads, Around around, Geometry filled) {
        List<Geometry> all = new ArrayList<>();
        if (pads.isEmpty() || filled.isEmpty()) {
            return all;
        }
        Tiles tiles = Tiles.of(filled);
        for (CopperNode pad : pads) {
            double by = pour.relief().get().gap() + pour.relief().get().spoke();
            if (tiles.near(Geo.expanded(pad.envelope(), by)).isEmpty()) {
                continue;
            }
            List<Geometry> of = spokes(pad, around, tiles);
            if (of.isEmpty()) {
                bare.add(Pt.of(pad.envelope().centre()));
            }
            all.addAll(of);
        }
        return all;
    }

    private List<Geometry> spokes(CopperNode pad, Around around, Tiles filled) {
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
            Geometry end = turned(ends, -half, ends + into, half, angle, c);
            // Within the pad the spoke is copper anyway; beyond, it must be free all along.
            Geometry beyond = Geo.difference(spoke, pad.polygon());
            boolean holds = around.isFree(beyond) && filled.sharedArea(end) >= HELD * end.getArea();
            if (holds) {
                found.add(spoke);
            }
        }
        return found;
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
