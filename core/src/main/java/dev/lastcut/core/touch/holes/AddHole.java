package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * One more hole. Areas of copper keep away from it where it is not plated, and from its pad where
 * no net is meant; tracks and pads in its way refuse it. Lengths in nm.
 *
 * @param pad diameter of its copper on the outer layers; 0 for none
 * @param keepOut from its wall, or its pad's edge, to other copper
 */
public record AddHole(Pt at, double diameter, boolean plated, double pad, double keepOut)
        implements Touch {
    public AddHole {
        Sizes.above("diameter_mm", diameter);
        Sizes.notBelow0("pad_mm", pad);
        Sizes.notBelow0("keep_out_mm", keepOut);
        if (pad != 0 && pad <= diameter) {
            throw new IllegalArgumentException("pad_mm must be above diameter_mm, or 0 for none");
        }
    }

    @Override
    public String kind() {
        return "hole";
    }

    @Override
    public String words() {
        return (plated ? "Plated" : "Unplated")
                + " hole of "
                + HoleAt.mm(diameter)
                + " at "
                + Work.place(at);
    }

    @Override
    public Phase phase() {
        return Phase.HOLES;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Added added = added(work);
        return new Change(
                added.board,
                "Adds the hole"
                        + (pad > 0 ? " with its pad" : "")
                        + added.gaveWay
                        + DrillObstacles.said(added.told),
                List.of(at));
    }

    /**
     * The board with the hole.
     *
     * @param gaveWay the areas that gave way, in words
     * @param told what it goes through
     */
    record Added(Board board, String gaveWay, List<String> told) {}

    Added added(Work work) throws NotDone {
        Hole hole = new Hole(at, at, Math.round(diameter), plated, Features.FILE, 0);
        double wide = Math.max(pad, diameter);
        Hole room = new Hole(at, at, Math.round(wide), plated, Features.FILE, 0);
        // A plated hole on copper of one net is of that net; on copper of two it would join them.
        Set<Integer> meant = plated ? work.netsAt(at) : Set.of();
        Set<CopperNode> areas = Collections.newSetFromMap(new IdentityHashMap<>());
        double keep = Math.max(keepOut, plated ? work.room().clearance() : work.room().hole());
        Board cut = Cleared.areas(work, room, keep, meant, areas);
        // The nets have other numbers on the board whose areas gave way.
        Work cleared = work.on(cut);
        Set<Integer> own = meant.isEmpty() ? Set.of() : cleared.netsAt(at);
        List<String> told = DrillObstacles.look(cleared, room, -1, own, keep);
        Board board = cut;
        if (pad > 0) {
            ObjectAttributes says =
                    plated
                            ? work.says(meant, "ComponentPad")
                            : new ObjectAttributes("NonConductor", "", "", "");
            for (var layer : cut.copper()) {
                if (layer.role().side().isPresent()) {
                    board = board.with(layer.plus(List.of(Features.disc(at, pad, says))));
                }
            }
        }
        List<Hole> holes = new ArrayList<>(board.holes());
        holes.add(hole);
        String gaveWay =
                areas.isEmpty() ? "" : "; " + Change.count(areas.size(), "area") + " kept off";
        return new Added(board.withHoles(holes), gaveWay, told);
    }
}
