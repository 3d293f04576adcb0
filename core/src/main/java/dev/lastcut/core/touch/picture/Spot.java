package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Work;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/** Whether there is room for lettering and art. */
final class Spot {
    private Spot() {}

    /**
     * @throws NotDone when something that is there, or the edge, is in the way; with the place
     */
    static void free(Work work, Role layer, List<Feature> drawn) throws NotDone {
        Shaper shaper = new Shaper(work.geometry().flattener());
        Optional<KeepOff> copper = Optional.empty();
        Optional<SilkZone> silk = Optional.empty();
        if (layer.isCopper()) {
            copper =
                    Optional.of(
                            new KeepOff(
                                    work.geometry(),
                                    work.copper(layer),
                                    Set.of(),
                                    KeepOff.Distances.of(work.room())));
        } else if (layer.kind() == Role.Kind.SILK) {
            silk = Optional.of(new SilkZone(work, layer.side().orElseThrow(), work.room().silk()));
        }
        for (Feature f : drawn) {
            Geometry shape = shaper.shape(f);
            onBoard(work, shape);
            if (copper.isPresent() && !copper.get().isFree(shape)) {
                throw inTheWay(Pt.of(shape.getEnvelopeInternal().centre()), "Copper, a hole");
            }
            if (silk.isPresent() && !silk.get().isFree(shape)) {
                throw inTheWay(silk.get().where(shape), "A pad, a hole");
            }
        }
    }

    /** What is to be said of silk that comes to lie over silk. */
    static String overlap(Work work, Role layer, List<Feature> drawn) {
        if (layer.kind() != Role.Kind.SILK) {
            return "";
        }
        Shaper shaper = new Shaper(work.geometry().flattener());
        PieceIndex silk = work.geometry().index(layer);
        for (Feature f : drawn) {
            Geometry shape = shaper.shape(f);
            for (int i : silk.near(shape.getEnvelopeInternal())) {
                if (silk.pieces().get(i).polygon().intersects(shape)) {
                    Pt at = Pt.of(shape.getEnvelopeInternal().centre());
                    return "; it lies over other silk at " + Work.place(at);
                }
            }
        }
        return "";
    }

    private static void onBoard(Work work, Geometry shape) throws NotDone {
        Geometry board = work.geometry().boardArea();
        if (!board.isEmpty() && !board.covers(shape)) {
            Geometry out = Geo.difference(shape, board);
            Pt at = Pt.of(out.getInteriorPoint().getCoordinate());
            throw new NotDone("It would stick out of the board at " + Work.place(at), at);
        }
    }

    private static NotDone inTheWay(Pt at, String what) {
        return new NotDone(what + " or the edge is in the way at " + Work.place(at), at);
    }
}
