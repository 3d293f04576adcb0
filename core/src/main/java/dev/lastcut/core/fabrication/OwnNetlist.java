package dev.lastcut.core.fabrication;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.formats.netlist.NetlistWriter.Place;
import dev.lastcut.core.geometry.PlaceIndex;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * The nets as the copper of the files joins them, to test a bare board by. Names are those of the
 * pack where it names nets, else numbers; copper with a single place to touch is no net.
 */
public final class OwnNetlist {
    private final BoardGeometry g;
    private final CopperNets nets;
    private final List<Place> places = new ArrayList<>();
    private final Map<Integer, String> names = new HashMap<>();

    private OwnNetlist(BoardGeometry g) {
        this.g = g;
        this.nets = g.nets();
    }

    /** Every hole that copper surrounds and every pad without a hole, pads of the top first. */
    public static List<Place> places(BoardGeometry g) {
        return new OwnNetlist(g).find();
    }

    private record Found(Place place, int net) {}

    private List<Place> find() {
        List<Found> found = new ArrayList<>();
        for (Side side : Side.values()) {
            int layer = g.copperIndex(side);
            for (Pads.Pad p : Pads.surface(g, side)) {
                Envelope e = p.node().piece().envelope();
                Place place =
                        new Place(
                                "",
                                p.part(),
                                p.pin(),
                                p.at(),
                                number(layer),
                                0,
                                false,
                                e.getWidth(),
                                e.getHeight());
                found.add(new Found(place, p.node().net()));
            }
        }
        PlaceIndex<Pads.Pad> pads = new PlaceIndex<>(Pads.toleranceNm(g));
        for (Side side : Side.values()) {
            Pads.on(g, side).forEach(p -> pads.put(p.at(), p));
        }
        List<Hole> holes = g.board().holes();
        for (int i = 0; i < holes.size(); i++) {
            hole(i, holes.get(i), pads.at(holes.get(i).middle())).ifPresent(found::add);
        }
        Map<Integer, Integer> touched = new HashMap<>();
        found.forEach(f -> touched.merge(f.net, 1, Integer::sum));
        for (Found f : found) {
            places.add(named(f.place, name(f.net, touched.get(f.net))));
        }
        return places;
    }

    private Optional<Found> hole(int index, Hole h, Optional<Pads.Pad> pad) {
        List<Integer> around = nets.nodesAt(h);
        int net = h.plated() ? nets.netOfHole(index) : pad.map(p -> p.node().net()).orElse(-1);
        if (net < 0 || around.isEmpty() && pad.isEmpty()) {
            return Optional.empty();
        }
        CopperNode node = pad.isPresent() ? pad.get().node() : nets.nodes().get(around.get(0));
        Envelope e = node.piece().envelope();
        // Copper that is no pad (a pour about a via) says nothing of the place's own size.
        boolean own = pad.isPresent() || Math.max(e.getWidth(), e.getHeight()) < 9e6;
        return Optional.of(
                new Found(
                        new Place(
                                "",
                                pad.map(Pads.Pad::part).orElse(""),
                                pad.map(Pads.Pad::pin).orElse(""),
                                h.middle(),
                                access(h, around),
                                h.diameter(),
                                h.plated(),
                                own ? e.getWidth() : h.diameter(),
                                own ? e.getHeight() : h.diameter()),
                        net));
    }

    /** An unplated hole is reached where its copper is; a blind one from its end. */
    private int access(Hole h, List<Integer> around) {
        int layers = nets.layerCount();
        if (h.plated()) {
            return h.span().isThrough() || h.span().first() == 1 && h.span().last() == layers
                    ? 0
                    : h.span().first();
        }
        return around.size() == 1 ? number(nets.nodes().get(around.get(0)).layer()) : 0;
    }

    /** Layers are counted from the top, which is 1 even where only the bottom has copper. */
    private int number(int layer) {
        List<Layer> copper = g.board().copper();
        boolean bottomAlone =
                copper.size() == 1 && copper.get(0).role().side().equals(Optional.of(Side.BOTTOM));
        return bottomAlone ? 2 : layer + 1;
    }

    private String name(int net, int places) {
        return names.computeIfAbsent(
                net,
                n -> {
                    List<String> said = g.netNames(n);
                    if (said.isEmpty()) {
                        return places < 2 ? "" : "NET" + (n + 1);
                    }
                    return String.join("+", said);
                });
    }

    static Place named(Place p, String net) {
        return new Place(
                net,
                p.component(),
                p.pin(),
                p.at(),
                p.access(),
                p.hole(),
                p.plated(),
                p.width(),
                p.height());
    }
}
