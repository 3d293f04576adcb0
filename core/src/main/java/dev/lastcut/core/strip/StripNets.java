package dev.lastcut.core.strip;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The nets on the copper of a layout, worked out once for all its holes. */
public final class StripNets {
    private final StripCopper copper;
    private final Map<Integer, List<StripCircuit.Pin>> pins;
    private final Map<StripCircuit.Pin, String> nets;

    public StripNets(StripLayout layout) {
        copper = layout.copper();
        pins = copper.pinsByGroup(layout.plan());
        nets = layout.circuit().netOfPin();
    }

    public StripCopper copper() {
        return copper;
    }

    /** The net on the copper at a hole, or a pin on it that has none; empty for bare copper. */
    public Optional<String> at(GridHole hole) {
        return copper.at(hole)
                .flatMap(piece -> on(piece.group()).stream().findFirst().map(this::name));
    }

    /** All nets on pieces that are joined, and pins on them that have none, sorted. */
    public List<String> allOn(int group) {
        return on(group).stream().map(this::name).distinct().sorted().toList();
    }

    private List<StripCircuit.Pin> on(int group) {
        return pins.getOrDefault(group, List.of());
    }

    private String name(StripCircuit.Pin p) {
        return nets.getOrDefault(p, p.describe());
    }
}
