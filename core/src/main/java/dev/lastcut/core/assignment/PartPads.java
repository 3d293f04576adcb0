package dev.lastcut.core.assignment;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.connectivity.SolderPlaces;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * What the pads and holes of a board tell about its parts: how each is mounted and how near its
 * terminals are to each other. Where no netlist and no attribute names its pins, the pads that lie
 * under its body are taken for its own.
 */
final class PartPads {
    /** Pads reach so far out from under a body (common practice, no source). */
    private static final double BEYOND_BODY_NM = 1_200_000;

    /** A body that nothing tells the size of is looked about farther. */
    private static final double BEYOND_GUESSED_NM = 2_500_000;

    /** Leads at the ends of a part are no farther apart than this (common practice, no source). */
    private static final double LONGEST_NM = 26_000_000;

    private final SolderPlaces places;
    private final PartPins pins;

    private PartPads(BoardGeometry geometry) {
        places = SolderPlaces.of(geometry);
        pins = PartPins.of(geometry);
    }

    static PartPads of(BoardGeometry geometry) {
        record Key() {}
        return geometry.once(new Key(), () -> new PartPads(geometry));
    }

    /**
     * How a part is mounted: by leads when one of its pins is in a hole and nowhere else. Holes
     * under a pad that cools a part do not make it leaded.
     */
    Optional<Mounting> mounting(Part part, Optional<Body> body) {
        List<Netlist.Point> own = pins.of(part.designator());
        if (own.isEmpty()) {
            return body.flatMap(b -> under(b, part));
        }
        Set<String> flat = new HashSet<>();
        Set<String> leaded = new HashSet<>();
        own.forEach(p -> (isLead(p) ? leaded : flat).add(p.pin()));
        leaded.removeAll(flat);
        return Optional.of(leaded.isEmpty() ? Mounting.SURFACE : Mounting.LEADED);
    }

    private boolean isLead(Netlist.Point p) {
        return p.hole() || places.isLead(p.at());
    }

    private Optional<Mounting> under(Body body, Part part) {
        Envelope reach = body.outline().getEnvelopeInternal();
        reach.expandBy(
                body.source() == PartBodies.Source.GUESSED ? BEYOND_GUESSED_NM : BEYOND_BODY_NM);
        part.placed().ifPresent(p -> reach.expandToInclude(p.at().coordinate()));
        List<Pt> pads = places.pads(body.side(), reach);
        pads.removeIf(places::isLead);
        if (pads.size() > 1) {
            return Optional.of(Mounting.SURFACE);
        }
        return places.leads(reach).isEmpty() && !isBetweenHoles(part)
                ? Optional.empty()
                : Optional.of(Mounting.LEADED);
    }

    /** Whether it stands half-way between two holes, as a part with leads at its ends. */
    private boolean isBetweenHoles(Part part) {
        if (part.placed().isEmpty()) {
            return false;
        }
        Pt middle = part.placed().get().at();
        Envelope reach = new Envelope(middle.coordinate());
        reach.expandBy(LONGEST_NM / 2);
        return places.leads(reach).stream()
                .anyMatch(
                        h -> places.isLead(new Pt(2 * middle.x() - h.x(), 2 * middle.y() - h.y())));
    }

    /**
     * The pitch of a part, nm: the least distance between the middles of two different pins. Empty
     * where fewer than three are known; a part of two terminals has no pitch.
     */
    OptionalDouble pitchNm(String designator) {
        Map<String, Coordinate> first = new HashMap<>();
        for (Netlist.Point p : pins.of(designator)) {
            first.putIfAbsent(p.pin(), p.at().coordinate());
        }
        if (first.size() < 3) {
            return OptionalDouble.empty();
        }
        STRtree tree = new STRtree();
        first.values().forEach(c -> tree.insert(new Envelope(c), c));
        Object[] nearest =
                tree.nearestNeighbour(
                        (a, b) ->
                                a == b
                                        ? Double.MAX_VALUE
                                        : ((Coordinate) a.getItem())
                                                .distance((Coordinate) b.getItem()));
        return OptionalDouble.of(((Coordinate) nearest[0]).distance((Coordinate) nearest[1]));
    }
}
