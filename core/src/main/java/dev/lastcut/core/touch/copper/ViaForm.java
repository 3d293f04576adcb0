package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/** A via as touches put them: hole and pad, nm, and where there is room for one. */
record ViaForm(double hole, double pad) {
    ViaForm {
        Sizes.above("hole_mm", hole);
        Sizes.above("pad_mm", pad);
        if (pad <= hole) {
            throw new IllegalArgumentException("pad_mm must be above hole_mm");
        }
    }

    Hole at(Pt p) {
        return new Hole(p, p, Math.round(hole), true, Features.FILE, 0);
    }

    /** The pad on a copper layer. */
    Feature padAt(Pt p, ObjectAttributes net) {
        return Features.disc(
                p, pad, new ObjectAttributes("ViaPad", net.net(), net.component(), net.pin()));
    }

    Geometry disc(Work work, Pt p) {
        return work.geometry().flattener().disc(p.x(), p.y(), pad / 2);
    }

    /** On how many layers the pad lies wholly in copper of the net. */
    List<Integer> covered(Work work, Set<Integer> own, Pt p) {
        List<Integer> layers = new ArrayList<>();
        Geometry disc = disc(work, p);
        for (int layer = 0; layer < work.nets().layerCount(); layer++) {
            List<Geometry> copper = new ArrayList<>();
            for (CopperNode n : work.nets().near(layer, disc.getEnvelopeInternal())) {
                if (own.contains(n.net())) {
                    copper.addAll(n.piece().tiles().near(disc.getEnvelopeInternal()));
                }
            }
            if (!copper.isEmpty() && Geo.difference(disc, Geo.union(copper)).getArea() < 1e6) {
                layers.add(layer);
            }
        }
        return layers;
    }

    /** Whether there is room on all layers, for the drill too, and nothing is soldered there. */
    boolean hasRoom(Work work, List<KeepOff> offs, Pt p) {
        Geometry disc = disc(work, p);
        return KeepOff.keepsWebs(work.geometry(), p, hole, work.room().web())
                && offs.stream().allMatch(o -> o.isFree(disc))
                && !isSoldered(work.geometry(), disc);
    }

    /** Whether a place lies in an opening of the mask: a via there would draw the solder. */
    private static boolean isSoldered(BoardGeometry g, Geometry disc) {
        for (Side side : Side.values()) {
            for (int i : g.index(Role.of(Role.Kind.MASK, side)).near(disc.getEnvelopeInternal())) {
                if (g.index(Role.of(Role.Kind.MASK, side))
                        .pieces()
                        .get(i)
                        .polygon()
                        .intersects(disc)) {
                    return true;
                }
            }
        }
        return false;
    }

    static List<KeepOff> offs(Work work, Set<Integer> own) {
        List<KeepOff> offs = new ArrayList<>();
        for (int layer = 0; layer < work.nets().layerCount(); layer++) {
            offs.add(new KeepOff(work.geometry(), layer, own, KeepOff.Distances.of(work.room())));
        }
        return offs;
    }

    /** The board with vias at these places. */
    static Board with(Work work, Set<Integer> own, ViaForm form, List<Pt> places) {
        ObjectAttributes says = work.says(own, "ViaPad");
        var board = work.board();
        for (var layer : board.copper()) {
            board = board.with(layer.plus(places.stream().map(p -> form.padAt(p, says)).toList()));
        }
        List<Hole> holes = new ArrayList<>(board.holes());
        places.forEach(p -> holes.add(form.at(p)));
        return board.withHoles(holes);
    }
}
