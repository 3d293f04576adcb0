package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.check.holes.AnnularRingRule;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Thickens the copper round plated holes to this much, as far as there is room. Lengths in nm.
 *
 * @param least the ring wanted
 */
public record Ring(double least) implements Touch {
    /** Flattened curves are true to this. */
    private static final double SLACK_NM = 600;

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
        List<Pt> done = new ArrayList<>();
        List<Pt> tight = new ArrayList<>();
        List<Hole> holes = work.board().holes();
        for (int h = 0; h < holes.size(); h++) {
            Hole hole = holes.get(h);
            int net = work.nets().netOfHole(h);
            if (!hole.plated() || net < 0) {
                continue;
            }
            boolean any = false;
            boolean all = true;
            for (int layer = 0; layer < work.nets().layerCount(); layer++) {
                if (AnnularRingRule.ringAtLeast(geometry, hole, layer, least) >= least) {
                    continue;
                }
                var ring = AnnularRingRule.ring(geometry, hole, layer, least);
                if (ring.isEmpty() || ring.get().nm() >= least - SLACK_NM) {
                    continue;
                }
                Geometry wanted =
                        geometry.flattener()
                                .stroke(
                                        new Segment.Line(hole.from(), hole.to()),
                                        hole.diameter() + 2 * least);
                KeepOff off =
                        new KeepOff(
                                geometry, layer, Set.of(net), KeepOff.Distances.of(work.room()));
                List<Feature> drawn = drawn(work, hole, layer, net, wanted, off);
                any |= !drawn.isEmpty();
                all &= off.isFree(wanted);
                more.computeIfAbsent(layer, k -> new ArrayList<>()).addAll(drawn);
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
        var board = work.board();
        for (var e : more.entrySet()) {
            board = board.with(board.copper().get(e.getKey()).plus(e.getValue()));
        }
        String says = "Thickens " + Change.count(done.size(), "ring");
        if (!tight.isEmpty()) {
            says += "; " + tight.size() + " of them as far as there is room";
        }
        return new Change(board, says, done);
    }

    private List<Feature> drawn(
            Work work, Hole hole, int layer, int net, Geometry wanted, KeepOff off) {
        var says = work.says(Set.of(net), says(work, hole, layer));
        if (off.isFree(wanted)) {
            double d = hole.diameter() + 2 * least;
            return hole.isSlot()
                    ? List.of(Features.stroke(new Segment.Line(hole.from(), hole.to()), d, says))
                    : List.of(Features.disc(hole.from(), d, says));
        }
        Geometry free =
                Geo.sharedArea(
                        Geo.difference(wanted, off.zone(wanted.getEnvelopeInternal(), 0)),
                        off.board(0, wanted.getEnvelopeInternal()));
        Geometry wall = hole.shape(work.geometry().flattener());
        List<Feature> all = new ArrayList<>();
        for (Polygon p : Geo.polygons(PourShape.opened(free, 0.6 * least))) {
            if (p.intersects(wall)) {
                all.addAll(Features.regions(p, work.says(Set.of(net), "Conductor")));
            }
        }
        return all;
    }

    /** What the pad that is there says it is for. */
    private static String says(Work work, Hole hole, int layer) {
        for (CopperNode n : work.nets().at(layer, hole.middle())) {
            if (n.feature() instanceof Feature.Flash f) {
                return f.attributes().function();
            }
        }
        return "";
    }
}
