package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * Moves a hole, with what is put down at its very place on copper, mask and paste. Areas keep away
 * from it at its new place. Lengths in nm.
 */
public record MoveHole(Pt at, Pt to) implements Touch {
    private static final double SAME_PLACE_NM = 20_000;

    @Override
    public String kind() {
        return "hole-move";
    }

    @Override
    public String words() {
        return "Move the hole at " + Work.place(at) + " to " + Work.place(to);
    }

    @Override
    public Phase phase() {
        return Phase.HOLES;
    }

    @Override
    public Change on(Work work) throws NotDone {
        if (at.equals(to)) {
            throw new NotDone("The hole is there already", at);
        }
        int index = HoleAt.of(work, at);
        Hole hole = work.board().holes().get(index);
        Pt by = to.minus(hole.middle());
        Hole moved = hole.at(hole.from().plus(by), hole.to().plus(by), hole.diameter());
        int net = work.nets().netOfHole(index);
        Set<Integer> own = work.netsOfHole(index);
        Set<CopperNode> areas = Collections.newSetFromMap(new IdentityHashMap<>());
        double keep = hole.plated() ? work.room().clearance() : work.room().hole();
        double wide = Math.max(hole.diameter(), padAt(work, hole.middle()));
        Hole room = moved.at(moved.from(), moved.to(), Math.round(wide));
        Board cut = Cleared.areas(work, room, keep, own, areas);
        // Held against what lies there before its pads come along: they would be of one net with
        // it.
        Work cleared = work.on(cut);
        List<String> told =
                DrillObstacles.look(cleared, room, index, cleared.netsOfHole(index), keep);
        List<Hole> holes = new ArrayList<>(cut.holes());
        holes.set(index, moved);
        Board made = carried(cut, hole.middle(), by).withHoles(holes);
        stillJoined(work, made, hole, net);
        return new Change(
                made,
                "Moves the "
                        + HoleAt.mm(hole.diameter())
                        + " hole by "
                        + Length.text(hole.middle().distance(to))
                        + DrillObstacles.said(told),
                List.of(to));
    }

    /** What the hole joined must still be joined to it where it is now. */
    private void stillJoined(Work work, Board made, Hole hole, int net) throws NotDone {
        if (net < 0) {
            return;
        }
        Set<Feature> stay = Collections.newSetFromMap(new IdentityHashMap<>());
        for (int id : work.nets().nodesOf(net)) {
            Feature f = work.nets().nodes().get(id).feature();
            boolean goes =
                    f instanceof Feature.Flash x && x.at().distance(hole.middle()) < SAME_PLACE_NM;
            if (!goes) {
                stay.add(f);
            }
        }
        Work after = work.on(made);
        Set<Integer> there = after.netsAt(to);
        boolean joined =
                stay.isEmpty()
                        || after.nets().nodes().stream()
                                .anyMatch(
                                        n -> there.contains(n.net()) && stay.contains(n.feature()));
        if (!joined) {
            throw new NotDone(
                    "It would part the net "
                            + work.geometry().netName(net)
                            + ": nothing of it leads to "
                            + Work.place(to),
                    hole.middle());
        }
    }

    private static double padAt(Work work, Pt at) {
        double wide = 0;
        for (int layer = 0; layer < work.nets().layerCount(); layer++) {
            for (CopperNode n : work.nets().at(layer, at)) {
                if (n.feature() instanceof Feature.Flash f && f.at().distance(at) < SAME_PLACE_NM) {
                    wide =
                            Math.max(
                                    wide,
                                    Math.max(n.envelope().getWidth(), n.envelope().getHeight()));
                }
            }
        }
        return wide;
    }

    /** Pads, openings and paste at the hole's place go with it. */
    private static Board carried(Board board, Pt from, Pt by) {
        Board now = board;
        for (Layer layer : board.layers()) {
            Role.Kind kind = layer.role().kind();
            if (kind != Role.Kind.COPPER && kind != Role.Kind.MASK && kind != Role.Kind.PASTE) {
                continue;
            }
            List<Feature> all = new ArrayList<>(layer.features());
            boolean[] any = {false};
            all.replaceAll(
                    f -> {
                        boolean here =
                                f instanceof Feature.Flash flash
                                        && flash.at().distance(from) < SAME_PLACE_NM;
                        any[0] |= here;
                        return here ? f.translated(by) : f;
                    });
            if (any[0]) {
                now = now.with(layer.with(all));
            }
        }
        return now;
    }
}
