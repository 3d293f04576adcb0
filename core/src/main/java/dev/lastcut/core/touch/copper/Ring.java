package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.check.holes.AnnularRingRule;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Drawn;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Thickens the copper round plated holes to this much, as far as there is room. Lengths in nm.
 *
 * @param least the ring wanted
 */
public record Ring(double least) implements Touch {
    public Ring {
        Sizes.above("least_mm", least);
    }

    @Override
    public String kind() {
        return "ring";
    }

    @Override
    public String words() {
        return "Thicken rings to " + Length.shortMm(Length.toMm(least)) + " mm";
    }

    @Override
    public Phase phase() {
        return Phase.COPPER;
    }

    @Override
    public Change on(Work work) throws NotDone {
        var geometry = work.geometry();
        Map<Integer, List<Feature>> more = new HashMap<>();
        Map<Feature, List<Feature>> instead = new IdentityHashMap<>();
        Drawn made = new Drawn();
        List<Pt> done = new ArrayList<>();
        List<Pt> tight = new ArrayList<>();
        List<Hole> holes = work.board().holes();
        Shaper shaper = new Shaper(geometry.flattener());
        for (int h = 0; h < holes.size(); h++) {
            Hole hole = holes.get(h);
            int net = work.nets().netOfHole(h);
            if (!hole.plated() || net < 0) {
                continue;
            }
            boolean any = false;
            boolean all = true;
            for (int layer = 0; layer < work.nets().layerCount(); layer++) {
                int onLayer = layer;
                if (!isThin(geometry, hole, layer, least)) {
                    continue;
                }
                Geometry wanted = hole.about(geometry.flattener(), least);
                KeepOff off =
                        new KeepOff(
                                geometry,
                                layer,
                                Set.of(net),
                                KeepOff.Distances.of(work.room()),
                                made);
                Optional<Feature.Flash> pad = pad(work, hole, layer);
                List<Feature> drawn = drawn(work, hole, layer, net, wanted, off, pad);
                any |= !drawn.isEmpty();
                all &= off.isFree(wanted);
                drawn.forEach(f -> made.add(onLayer, net, shaper.shape(f)));
                if (pad.isPresent() && drawn.size() == 1 && drawn.get(0) instanceof Feature.Flash) {
                    instead.put(pad.get(), drawn);
                } else {
                    more.computeIfAbsent(layer, k -> new ArrayList<>()).addAll(drawn);
                }
            }
            if (any) {
                done.add(hole.middle());
            }
            if (!all) {
                tight.add(hole.middle());
            }
        }
        if (done.isEmpty()) {
            throw new NotDone(
                    tight.isEmpty()
                            ? "No ring is thinner than " + Length.text(least)
                            : "There is no room to thicken "
                                    + Change.count(tight.size(), "thin ring"),
                    tight);
        }
        Board board = Redrawn.plus(Redrawn.with(work.board(), instead), more);
        String says = "Thickens " + Change.count(done.size(), "ring");
        if (!tight.isEmpty()) {
            says += "; " + tight.size() + " of them as far as there is room";
        }
        return new Change(board, says, done);
    }

    /** Whether a hole's ring on a copper layer is there, and narrower than this, nm. */
    public static boolean isThin(BoardGeometry geometry, Hole hole, int layer, double least) {
        return AnnularRingRule.ringAtLeast(geometry, hole, layer, least) < least
                && AnnularRingRule.ring(geometry, hole, layer, least)
                        .filter(m -> m.nm() < least - KeepOff.SLACK_NM)
                        .isPresent();
    }

    private List<Feature> drawn(
            Work work,
            Hole hole,
            int layer,
            int net,
            Geometry wanted,
            KeepOff off,
            Optional<Feature.Flash> pad) {
        var conductor = work.says(Set.of(net), "Conductor");
        if (off.isFree(wanted)) {
            double d = hole.diameter() + 2 * least;
            // A round pad becomes a larger one; under another form the ring is copper like any
            // other.
            return hole.isSlot()
                    ? List.of(
                            Features.stroke(new Segment.Line(hole.from(), hole.to()), d, conductor))
                    : List.of(
                            Features.disc(
                                    hole.from(),
                                    d,
                                    pad.map(Feature.Flash::attributes).orElse(conductor)));
        }
        Geometry free =
                Geo.sharedArea(
                        Geo.difference(wanted, off.zone(wanted.getEnvelopeInternal(), 0)),
                        off.board(0, wanted.getEnvelopeInternal()));
        Geometry wall = hole.shape(work.geometry().flattener());
        List<Feature> all = new ArrayList<>();
        for (Polygon p : Geo.polygons(PourShape.opened(free, 0.6 * least))) {
            if (p.intersects(wall)) {
                List<Geometry> parts =
                        OverlapRepair.patches(
                                work.geometry(),
                                layer,
                                Set.of(net),
                                f -> false,
                                p,
                                work.room().neck(),
                                off);
                parts.add(p);
                all.addAll(Features.regions(Geo.union(parts), conductor));
            }
        }
        return all;
    }

    /** The round pad that stands on the very hole, where it is one. */
    private static Optional<Feature.Flash> pad(Work work, Hole hole, int layer) {
        for (CopperNode n : work.nets().at(layer, hole.middle())) {
            if (n.feature() instanceof Feature.Flash f
                    && n.piece().isWhole()
                    && n.piece().roundRadius() > 0
                    && f.at().distance(hole.middle()) < 1_000) {
                return Optional.of(f);
            }
        }
        return Optional.empty();
    }
}
