package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * {@code strip-short}: nets that copper or a link joins, two legs of one part on one strip among
 * them, and pins without a net that are joined to one.
 */
public final class StripShortRule extends StripRule {
    private static final String NONE = "";

    @Override
    public String id() {
        return "strip-short";
    }

    @Override
    public String title() {
        return "Wrong connections";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        StripCopper copper = layout.copper();
        Map<StripCircuit.Pin, String> nets = layout.circuit().netOfPin();
        for (List<StripCircuit.Pin> joined : copper.pinsByGroup(layout.plan()).values()) {
            Map<String, List<StripCircuit.Pin>> byNet = new TreeMap<>();
            for (StripCircuit.Pin p : joined) {
                byNet.computeIfAbsent(nets.getOrDefault(p, NONE), k -> new ArrayList<>()).add(p);
            }
            List<StripCircuit.Pin> free = byNet.getOrDefault(NONE, List.of());
            byNet.remove(NONE);
            if (byNet.size() > 1) {
                into.add(shorted(layout, byNet));
            }
            if (!free.isEmpty() && joined.size() > 1) {
                into.add(unwanted(layout, free, joined));
            }
        }
        legs(layout, copper, nets, into);
    }

    private Finding shorted(StripLayout layout, Map<String, List<StripCircuit.Pin>> byNet) {
        List<StripCircuit.Pin> fewest =
                byNet.values().stream().min((a, b) -> a.size() - b.size()).orElseThrow();
        return finding(Severity.STOP, layout, hole(layout, fewest.get(0)))
                .layers(COPPER)
                .nets(List.copyOf(byNet.keySet()))
                .say(
                        "%s are joined: %s %s on copper of another net. Cut the strip between them, or remove a link."
                                .formatted(
                                        String.join(" and ", byNet.keySet()),
                                        list(fewest.stream().map(StripCircuit.Pin::describe)),
                                        fewest.size() == 1 ? "is" : "are"));
    }

    private Finding unwanted(
            StripLayout layout, List<StripCircuit.Pin> free, List<StripCircuit.Pin> joined) {
        StripCircuit.Pin other =
                joined.stream().filter(p -> !p.equals(free.get(0))).findFirst().orElseThrow();
        return finding(Severity.LOOK, layout, hole(layout, free.get(0)))
                .layers(COPPER)
                .parts(List.of(free.get(0).part()))
                .about("unwanted")
                .say(
                        "%s %s to nothing in the circuit, but %s joined to %s here. Cut the strip between them, or add the pin to the net."
                                .formatted(
                                        list(free.stream().map(StripCircuit.Pin::describe)),
                                        free.size() == 1 ? "connects" : "connect",
                                        free.size() == 1 ? "is" : "are",
                                        other.describe()));
    }

    /** Two legs of a part on one piece of copper do nothing, whatever else is joined there. */
    private void legs(
            StripLayout layout,
            StripCopper copper,
            Map<StripCircuit.Pin, String> nets,
            List<Finding> into) {
        layout.plan()
                .parts()
                .forEach(
                        (name, placed) -> {
                            Map<StripCopper.StripPiece, List<String>> byPiece =
                                    new LinkedHashMap<>();
                            placed.pins()
                                    .forEach(
                                            (pin, at) ->
                                                    copper.at(at)
                                                            .ifPresent(
                                                                    piece ->
                                                                            byPiece.computeIfAbsent(
                                                                                            piece,
                                                                                            k ->
                                                                                                    new ArrayList<>())
                                                                                    .add(pin)));
                            byPiece.values()
                                    .forEach(
                                            pins -> {
                                                long different =
                                                        pins.stream()
                                                                .map(
                                                                        p ->
                                                                                nets.getOrDefault(
                                                                                        new StripCircuit
                                                                                                .Pin(
                                                                                                name,
                                                                                                p),
                                                                                        NONE + p))
                                                                .distinct()
                                                                .count();
                                                if (different > 1) {
                                                    into.add(bridged(layout, name, pins));
                                                }
                                            });
                        });
    }

    private Finding bridged(StripLayout layout, String name, List<String> pins) {
        return finding(Severity.STOP, layout, hole(layout, new StripCircuit.Pin(name, pins.get(0))))
                .layers(COPPER)
                .parts(List.of(name))
                .about("legs")
                .say(
                        "Pins %s of %s are on one strip with no cut between them. Cut the strip under the part."
                                .formatted(list(pins.stream()), name));
    }

    private static GridHole hole(StripLayout layout, StripCircuit.Pin p) {
        return Optional.of(layout.plan().parts().get(p.part()))
                .map(placed -> placed.pins().get(p.pin()))
                .orElseThrow();
    }
}
