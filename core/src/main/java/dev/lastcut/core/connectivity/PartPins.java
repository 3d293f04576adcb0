package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.locationtech.jts.geom.Envelope;

/** The pins of every part: of the netlist, else as the attributes of the copper files name them. */
public final class PartPins {
    private static final Pattern PLUG = Pattern.compile("(?i)(J|P|CN|CON|H|HDR)\\d.*");

    /** A pad lies no farther from where the netlist has its pin. */
    private static final double BESIDE_NM = 60_000;

    private final Map<String, List<Netlist.Point>> by = new HashMap<>();
    private final Map<String, Integer> onNet = new HashMap<>();
    private final Map<Side, PlaceIndex<Feature>> flashes = new EnumMap<>(Side.class);

    private PartPins() {}

    public static PartPins of(BoardGeometry geometry) {
        record Key() {}
        return geometry.once(new Key(), () -> gather(geometry));
    }

    private static PartPins gather(BoardGeometry geometry) {
        PartPins pins = new PartPins();
        for (Side side : Side.values()) {
            PlaceIndex<Feature> there = new PlaceIndex<>(BESIDE_NM);
            pins.flashes.put(side, there);
            geometry.board()
                    .layer(Role.Kind.COPPER, side)
                    .map(Layer::features)
                    .orElse(List.of())
                    .forEach(
                            f -> {
                                if (f instanceof Feature.Flash x && x.dark()) {
                                    there.put(x.at(), x);
                                }
                            });
        }
        geometry
                .board()
                .netlist()
                .map(Netlist::points)
                .orElseGet(
                        () ->
                                geometry
                                        .reference()
                                        .map(NetReference::anchors)
                                        .orElse(List.of())
                                        .stream()
                                        .map(NetReference.Anchor::point)
                                        .toList())
                .stream()
                .filter(Netlist.Point::isPin)
                .forEach(pins::add);
        return pins;
    }

    private void add(Netlist.Point p) {
        by.computeIfAbsent(p.component(), k -> new ArrayList<>()).add(p);
        onNet.merge(p.net(), 1, Integer::sum);
    }

    /** Whether anything names a pin. */
    public boolean isEmpty() {
        return by.isEmpty();
    }

    /** How many pins a net has. */
    public int onNet(String net) {
        return onNet.getOrDefault(net, 0);
    }

    /** Headers and plugs, by their designator (common practice, no source). */
    public static boolean isPlug(String designator) {
        return PLUG.matcher(designator).matches();
    }

    public Set<String> designators() {
        return by.keySet();
    }

    /** The pins of a part, in the order they are named; empty when nothing names any. */
    public List<Netlist.Point> of(String designator) {
        return by.getOrDefault(designator, List.of());
    }

    /** Where pin 1 of a part of three or more pins is, as it is named. */
    public Optional<Pt> first(String designator) {
        return count(designator) < 3
                ? Optional.empty()
                : of(designator).stream()
                        .filter(p -> p.pin().equals("1") || p.pin().equalsIgnoreCase("A1"))
                        .map(Netlist.Point::at)
                        .findFirst();
    }

    /**
     * The box about the middles of its pads; null to JTS, that is empty, where nothing names a pin.
     */
    public Envelope box(String designator) {
        Envelope box = new Envelope();
        of(designator).forEach(p -> box.expandToInclude(p.at().coordinate()));
        return box;
    }

    /**
     * The one side its pads are on: that on which the copper has them, else that from which the
     * netlist says they are reached. Empty for leads, or where they are on both.
     */
    public Optional<Side> side(String designator) {
        if (of(designator).stream().anyMatch(p -> p.hole() || p.access().isEmpty())) {
            return Optional.empty();
        }
        List<Side> flashed = new ArrayList<>();
        for (Side side : Side.values()) {
            PlaceIndex<Feature> there = flashes.get(side);
            if (of(designator).stream().anyMatch(p -> there.hasAt(p.at()))) {
                flashed.add(side);
            }
        }
        if (flashed.size() == 1) {
            return Optional.of(flashed.get(0));
        }
        List<Side> said =
                of(designator).stream().flatMap(p -> p.access().stream()).distinct().toList();
        return said.size() == 1 ? Optional.of(said.get(0)) : Optional.empty();
    }

    /** Whether a lead of it goes through the board. */
    public boolean hasLeads(String designator) {
        return of(designator).stream().anyMatch(Netlist.Point::hole);
    }

    /** How many different pins it has. */
    public int count(String designator) {
        return (int) of(designator).stream().map(Netlist.Point::pin).distinct().count();
    }
}
