package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.CataloguePart.Pin;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.connectivity.NetNames;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The pins of the parts that are known, on the nets of the netlist. */
final class PinsOnNets {
    /** A known part's pin, and where it is connected. */
    record On(Part part, Pin pin, Optional<Netlist.Point> point, String net, int others) {
        boolean isOpen() {
            return net.isEmpty() || others == 0;
        }

        String name() {
            String n =
                    pin.name().isEmpty() || pin.name().equals(pin.pin())
                            ? ""
                            : " (" + pin.name() + ")";
            return "pin " + pin.pin() + n + " of " + part.designator();
        }
    }

    private final List<On> all = new ArrayList<>();
    private final Map<String, List<On>> byNet = new HashMap<>();
    private final Map<String, List<On>> byPart = new HashMap<>();

    private PinsOnNets() {}

    /** Why the pin checks cannot run; empty when they can. */
    Optional<Outcome> missing(CheckContext c) {
        if (c.board().netlist().isEmpty()) {
            return Optional.of(Outcome.notRun("the pack has no netlist"));
        }
        return all.isEmpty()
                ? Optional.of(
                        Outcome.notRun(
                                "of no fitted part the pins are known; ask the parts counter"))
                : Optional.empty();
    }

    static PinsOnNets of(CheckContext c) {
        PinsOnNets p = new PinsOnNets();
        Map<String, Map<String, Netlist.Point>> points = new HashMap<>();
        Map<String, Set<String>> ends = new HashMap<>();
        for (Netlist.Point q : c.board().netlist().map(Netlist::points).orElse(List.of())) {
            if (q.isPin()) {
                points.computeIfAbsent(q.component(), k -> new HashMap<>()).putIfAbsent(q.pin(), q);
                ends.computeIfAbsent(q.net(), k -> new HashSet<>())
                        .add(q.component() + " " + q.pin());
            }
        }
        Map<String, CataloguePart> known = c.known();
        for (Part part : c.parts()) {
            CataloguePart k = known.get(part.partNumber());
            Map<String, Netlist.Point> own = points.get(part.designator());
            // A part of which the netlist knows no pin tells nothing of its pins.
            if (!part.fitted() || k == null || own == null || !named(k, own.keySet())) {
                continue;
            }
            for (Pin pin : k.pins()) {
                Optional<Netlist.Point> at = Optional.ofNullable(own.get(pin.pin()));
                String net = at.map(Netlist.Point::net).orElse("");
                int others = ends.getOrDefault(net, Set.of()).size() - 1;
                p.add(new On(part, pin, at, net, others));
            }
        }
        return p;
    }

    /** Pins go by other names in some netlists: then nothing is held against them. */
    private static boolean named(CataloguePart k, Set<String> names) {
        return k.pins().stream().anyMatch(pin -> names.contains(pin.pin()));
    }

    private void add(On on) {
        all.add(on);
        byPart.computeIfAbsent(on.part().designator(), k -> new ArrayList<>()).add(on);
        if (!on.net().isEmpty()) {
            byNet.computeIfAbsent(on.net(), k -> new ArrayList<>()).add(on);
        }
    }

    List<On> all() {
        return all;
    }

    Map<String, List<On>> byPart() {
        return byPart;
    }

    /** What a net is, as far as its name and the pins on it tell. */
    enum NetKind {
        GROUND,
        SUPPLY,
        SIGNAL,
        UNKNOWN
    }

    NetKind kind(String net) {
        if (NetNames.isGround(net)) {
            return NetKind.GROUND;
        }
        if (NetNames.isSupply(net)) {
            return NetKind.SUPPLY;
        }
        List<On> on = byNet.getOrDefault(net, List.of());
        long grounds = on.stream().filter(o -> o.pin().role() == PinRole.GROUND).count();
        long supplies = on.stream().filter(o -> o.pin().role() == PinRole.SUPPLY).count();
        if (grounds > 1 && supplies == 0) {
            return NetKind.GROUND;
        }
        if (supplies > 1 && grounds == 0) {
            return NetKind.SUPPLY;
        }
        boolean signals =
                supplies + grounds <= 1
                        && on.stream()
                                .anyMatch(
                                        o ->
                                                o.pin().role() == PinRole.INPUT
                                                        || o.pin().role() == PinRole.BOTH);
        return signals ? NetKind.SIGNAL : NetKind.UNKNOWN;
    }
}
