package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/**
 * A bridge over a cut in a plane: a track on another layer between two vias. It takes the layer,
 * from the far side, on which there is room. Lengths in nm.
 */
public record Strap(Net net, Pt from, Pt to, double width, double hole, double pad)
        implements Touch {
    public Strap {
        Sizes.above("width_mm", width);
        new ViaForm(hole, pad);
    }

    @Override
    public String kind() {
        return "strap";
    }

    @Override
    public String words() {
        return "Strap of " + net.words() + " from " + Work.place(from) + " to " + Work.place(to);
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        if (work.nets().layerCount() < 2) {
            throw new NotDone("The board has one copper layer, so a strap has no way over");
        }
        if (from.distance(to) < hole + work.room().web()) {
            throw new NotDone("The two ends of the strap are the same place", from);
        }
        Set<Integer> own = work.nets(net);
        ViaForm form = new ViaForm(hole, pad);
        List<KeepOff> offs = ViaForm.offs(work, own);
        for (Pt end : List.of(from, to)) {
            if (form.covered(work, own, end).isEmpty()) {
                throw new NotDone(
                        "There is no copper of " + net.words() + " for a pad at " + Work.place(end),
                        end);
            }
            if (!form.hasRoom(work, offs, end)) {
                throw new NotDone("There is no room for a via at " + Work.place(end), end);
            }
        }
        Segment way = new Segment.Line(from, to);
        Geometry shape = work.geometry().flattener().stroke(way, width);
        int home = form.covered(work, own, from).get(0);
        Pt at = way.middle();
        for (int i = offs.size() - 1; i >= 0; i--) {
            int layer = home == 0 ? i : offs.size() - 1 - i;
            if (layer == home) {
                continue;
            }
            if (offs.get(layer).isFree(shape)) {
                Board board = ViaForm.with(work, own, form, List.of(from, to));
                var copper = board.copper().get(layer);
                board =
                        board.with(
                                copper.plus(
                                        List.of(
                                                Features.stroke(
                                                        way, width, work.says(own, "Conductor")))));
                return new Change(
                        board,
                        "Bridges "
                                + Length.text(from.distance(to))
                                + " on the "
                                + copper.role().words()
                                + (own.size() > 1
                                        ? "; " + net.words() + " was in " + own.size() + " pieces"
                                        : ""),
                        List.of(from, to));
            }
            at = offs.get(layer).where(shape, way.middle());
        }
        throw new NotDone(
                "Other copper, a hole or the edge is in the way of the strap at " + Work.place(at),
                at);
    }
}
