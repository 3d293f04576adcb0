package dev.lastcut.core.strip;

import dev.lastcut.core.formats.table.Designators;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * How a circuit is laid out on strip board. All holes of a strip between two cuts are one piece of
 * copper.
 *
 * @param stock the board it is made of; empty for the smallest that holds it
 * @param strips of the board as it is used
 * @param holes of each strip as it is used
 * @param parts where the parts stand, by designator
 * @param cuts holes whose copper is taken away
 * @param knifeCuts cuts between a hole and the next one on its strip
 * @param links wires on the part side
 * @param probes places to measure at
 */
public record StripPlan(
        Optional<String> stock,
        int strips,
        int holes,
        Map<String, Placed> parts,
        Set<GridHole> cuts,
        Set<GridHole> knifeCuts,
        List<Link> links,
        List<ProbePoint> probes) {
    /**
     * A part on the board.
     *
     * @param pins the hole of each pin
     * @param standing upright over its first hole, where its form allows that
     * @param locked whether the computer leaves it where it is
     */
    public record Placed(Map<String, GridHole> pins, boolean standing, boolean locked) {
        public Placed {
            pins = Collections.unmodifiableMap(new LinkedHashMap<>(pins));
        }

        public Placed moved(UnaryOperator<GridHole> by) {
            Map<String, GridHole> next = new LinkedHashMap<>();
            pins.forEach((pin, at) -> next.put(pin, by.apply(at)));
            return new Placed(next, standing, locked);
        }
    }

    /** A wire from hole to hole. */
    public record Link(GridHole from, GridHole to) {
        public double length() {
            return from.distance(to);
        }

        /** Straight along a strip or across the strips: a bare wire will do. */
        public boolean isStraight() {
            return from.strip() == to.strip() || from.hole() == to.hole();
        }
    }

    /** Where a net can be measured. */
    public record ProbePoint(String net, GridHole at) {}

    public StripPlan {
        Map<String, Placed> sorted = new TreeMap<>(Designators.ORDER);
        sorted.putAll(parts);
        parts = Collections.unmodifiableMap(sorted);
        cuts = Collections.unmodifiableSet(new TreeSet<>(cuts));
        knifeCuts = Collections.unmodifiableSet(new TreeSet<>(knifeCuts));
        links = List.copyOf(links);
        probes = List.copyOf(probes);
    }

    public boolean isOnBoard(GridHole h) {
        return h.strip() >= 0 && h.strip() < strips && h.hole() >= 0 && h.hole() < holes;
    }

    /** Every hole that holds a lead, with the leads in it. */
    public Map<GridHole, List<StripCircuit.Pin>> leads() {
        Map<GridHole, List<StripCircuit.Pin>> all = new TreeMap<>();
        parts.forEach(
                (name, p) ->
                        p.pins()
                                .forEach(
                                        (pin, at) ->
                                                all.computeIfAbsent(at, k -> new ArrayList<>())
                                                        .add(new StripCircuit.Pin(name, pin))));
        return all;
    }

    /** Every hole that holds an end of a link. */
    public Set<GridHole> linkEnds() {
        Set<GridHole> ends = new TreeSet<>();
        for (Link l : links) {
            ends.add(l.from());
            ends.add(l.to());
        }
        return ends;
    }

    public StripPlan withParts(Map<String, Placed> next) {
        return new StripPlan(stock, strips, holes, next, cuts, knifeCuts, links, probes);
    }

    public StripPlan withCopper(Set<GridHole> nextCuts, List<Link> nextLinks) {
        return new StripPlan(stock, strips, holes, parts, nextCuts, Set.of(), nextLinks, probes);
    }
}
