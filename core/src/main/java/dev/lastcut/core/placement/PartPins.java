package dev.lastcut.core.placement;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/** The pins of every part: of the netlist, else as the attributes of the copper files name them. */
public final class PartPins {
    private final Map<String, List<Netlist.Point>> by = new HashMap<>();
    private final Map<String, Integer> onNet = new HashMap<>();

    private PartPins() {}

    public static PartPins of(BoardGeometry geometry) {
        record Key() {}
        return geometry.once(new Key(), () -> gather(geometry));
    }

    private static PartPins gather(BoardGeometry geometry) {
        PartPins pins = new PartPins();
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

    public Set<String> designators() {
        return by.keySet();
    }

    /** The pins of a part, in the order they are named; empty when nothing names any. */
    public List<Netlist.Point> of(String designator) {
        return by.getOrDefault(designator, List.of());
    }

    /**
     * The box about the middles of its pads; null to JTS, that is empty, where nothing names a pin.
     */
    public Envelope box(String designator) {
        Envelope box = new Envelope();
        of(designator).forEach(p -> box.expandToInclude(p.at().coordinate()));
        return box;
    }

    /** The one side its pads can be reached from; empty for leads, or where they are on both. */
    public Optional<Side> side(String designator) {
        List<Side> sides =
                of(designator).stream()
                        .filter(p -> !p.hole())
                        .flatMap(p -> p.access().stream())
                        .distinct()
                        .toList();
        boolean leads = of(designator).stream().anyMatch(p -> p.hole() || p.access().isEmpty());
        return sides.size() == 1 && !leads ? Optional.of(sides.get(0)) : Optional.empty();
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
