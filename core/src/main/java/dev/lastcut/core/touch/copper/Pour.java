package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Areas;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/**
 * An area of copper of one net, as far as all others let it. Lengths in nm.
 *
 * <p>It is the area chosen, less what is nearer to the edge than {@code edge}, less what is nearer
 * than {@code clearance} to copper of other nets or to a hole that is not of the net, less the
 * reliefs of its own pads; opened by half of {@code leastWidth}, so that no neck is narrower; and
 * with the spokes of the reliefs. What then meets no copper of the net is an island.
 *
 * @param area its corners; empty for the whole board
 * @param relief empty: its pads are covered
 * @param keepIslands else they are left out
 * @param keepOld else areas of the net that lie within this one make way for it
 * @param mask how far to keep from openings that lay other nets bare; empty: not at all
 */
public record Pour(
        Role layer,
        Net net,
        Optional<List<Pt>> area,
        double clearance,
        double edge,
        double leastWidth,
        Optional<Relief> relief,
        boolean keepIslands,
        boolean keepOld,
        Optional<Hatch> hatch,
        Optional<Double> mask)
        implements Touch {
    public Pour {
        Sizes.above("clearance_mm", clearance);
        Sizes.notBelow0("edge_mm", edge);
        Sizes.notBelow0("least_width_mm", leastWidth);
        mask.ifPresent(m -> Sizes.notBelow0("mask_mm", m));
    }

    @Override
    public String kind() {
        return "pour";
    }

    @Override
    public String words() {
        return "Pour of " + net.words() + " on the " + layer.words();
    }

    @Override
    public Phase phase() {
        return Phase.POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        int index = work.copper(layer);
        Geometry chosen = chosen(work);
        Set<Integer> own = work.nets(net);
        OldAreas old =
                keepOld ? OldAreas.NONE : OldAreas.within(work.geometry(), index, own, chosen);
        KeepOff off =
                new KeepOff(
                        work.geometry(),
                        index,
                        own,
                        new KeepOff.Distances(clearance, edge, clearance, mask.orElse(-1.0)));
        PourShape shape =
                new PourShape(work.geometry(), index, own, old, off, this, work.room())
                        .fill(chosen);
        if (shape.area().isEmpty()) {
            throw new NotDone(
                    "With "
                            + Length.text(clearance)
                            + " to all else and "
                            + Length.text(edge)
                            + " to the edge nothing is left of the pour",
                    middle(chosen));
        }
        Layer before = work.layer(layer);
        List<Feature> features = new ArrayList<>(before.features());
        features.removeIf(old::holds);
        features.addAll(Features.regions(shape.area(), work.says(own, "Conductor")));
        return new Change(work.board().with(before.with(features)), shape.says(), shape.places());
    }

    private Geometry chosen(Work work) throws NotDone {
        if (area.isPresent()) {
            Geometry drawn = Areas.onBoard(area.get(), work, "The area of the pour");
            return Geo.sharedArea(drawn, work.geometry().boardArea());
        }
        Geometry board = work.geometry().boardArea();
        if (board.isEmpty()) {
            throw new NotDone("The board has no closed outline to pour within; draw an area");
        }
        return board;
    }

    private static Pt middle(Geometry g) {
        return Pt.of(g.getInteriorPoint().getCoordinate());
    }
}
