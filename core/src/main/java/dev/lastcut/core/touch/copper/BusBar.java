package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/**
 * Copper of a net along a way on both outer sides, tied by vias, so that a current has twice the
 * section. Lengths in nm.
 */
public record BusBar(Net net, List<Pt> along, double width, double pitch, double hole, double pad)
        implements Touch {
    private static final int MOST = 10_000;

    public BusBar {
        along = List.copyOf(along);
        Sizes.above("width_mm", width);
        Sizes.above("pitch_mm", pitch);
        new ViaForm(hole, pad);
        if (along.size() < 2) {
            throw new IllegalArgumentException("along: a bar has two corners or more");
        }
        if (pad > width) {
            throw new IllegalArgumentException("pad_mm must be at most width_mm");
        }
    }

    @Override
    public String kind() {
        return "bus-bar";
    }

    @Override
    public String words() {
        return "Bus bar of "
                + net.words()
                + ", "
                + Length.shortMm(Length.toMm(width))
                + " mm wide, on both sides";
    }

    @Override
    public Phase phase() {
        return Phase.COPPER;
    }

    @Override
    public Change on(Work work) throws NotDone {
        int bottom = work.nets().layerCount() - 1;
        if (bottom < 1) {
            throw new NotDone("The board has one copper layer, so there is no other side");
        }
        Set<Integer> own = work.nets(net);
        ViaForm form = new ViaForm(hole, pad);
        List<KeepOff> offs = ViaForm.offs(work, own);
        List<Feature> strokes = new ArrayList<>();
        ObjectAttributes says = work.says(own, "Conductor");
        for (int i = 1; i < along.size(); i++) {
            Segment way = new Segment.Line(along.get(i - 1), along.get(i));
            Geometry shape = work.geometry().flattener().stroke(way, width);
            for (int layer : new int[] {0, bottom}) {
                if (!offs.get(layer).isFree(shape)) {
                    Pt at = offs.get(layer).where(shape, way.middle());
                    throw new NotDone(
                            "Other copper, a hole or the edge is in the way on the "
                                    + work.board().copper().get(layer).role().words()
                                    + " at "
                                    + Work.place(at),
                            at);
                }
            }
            strokes.add(Features.stroke(way, width, says));
        }
        List<Pt> vias = new ArrayList<>();
        for (Pt p : Way.of(along).places(pitch).limit(MOST).toList()) {
            if (form.hasRoom(work, offs, p)) {
                vias.add(p);
            }
        }
        if (vias.isEmpty()) {
            throw new NotDone("There is no room for a via along the bar", along);
        }
        Board board = ViaForm.with(work, own, form, vias);
        for (int layer : new int[] {0, bottom}) {
            board = board.with(board.copper().get(layer).plus(strokes));
        }
        return new Change(
                board, "Adds a bar on both sides with " + Change.count(vias.size(), "via"), vias);
    }
}
