package dev.lastcut.core.intake;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.places.PointMatch;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.locationtech.jts.geom.Envelope;

/**
 * Which of two boards the rest of a pack belongs to, where names say nothing: holes, nets and
 * pictures by the pads they meet, placements by where they lie, parts lists by the parts placed.
 * What nothing tells is of neither, and asked about by itself.
 */
final class BoardMembers {
    /** So many more of its places must meet the pads of one board than of the other. */
    private static final double CLEAR = 0.3;

    /** So many of the parts of a list must be those that are placed. */
    private static final double SAME_PARTS = 0.8;

    private final Map<String, Reading> readings;
    private final List<Set<String>> boards;
    private final List<PointMatch> pads = new ArrayList<>();

    /**
     * @param small pictures that are certainly of the smaller board
     * @param large pictures that are certainly of the larger one
     */
    BoardMembers(Map<String, Reading> readings, Set<String> small, Set<String> large) {
        this.readings = new TreeMap<>(readings);
        this.boards = List.of(new HashSet<>(small), new HashSet<>(large));
        for (Set<String> own : boards) {
            List<Pt> places = new ArrayList<>();
            own.forEach(path -> places.addAll(places(readings.get(path))));
            pads.add(new PointMatch(places));
        }
    }

    /**
     * All files of the smaller and of the larger board.
     *
     * @param edge the smaller one
     */
    List<Set<String>> all(Envelope edge) {
        readings.forEach(
                (path, r) -> {
                    if (!isKnown(path)) {
                        byPads(places(r)).ifPresent(b -> boards.get(b).add(path));
                    }
                });
        placements(edge);
        lists();
        return boards;
    }

    private boolean isKnown(String path) {
        return boards.stream().anyMatch(b -> b.contains(path));
    }

    private static List<Pt> places(Reading r) {
        if (r instanceof Reading.Gerber g) {
            return PadPlaces.of(g.file().features());
        }
        if (r instanceof Reading.Drill d) {
            return d.file().places().stream().map(Hole::middle).toList();
        }
        if (r instanceof Reading.Nets n) {
            return n.result().netlist().points().stream().map(Netlist.Point::at).toList();
        }
        return List.of();
    }

    private Optional<Integer> byPads(List<Pt> places) {
        double small = pads.get(0).shareOf(places);
        double large = pads.get(1).shareOf(places);
        if (Math.abs(small - large) < CLEAR) {
            return Optional.empty();
        }
        return Optional.of(small > large ? 0 : 1);
    }

    /**
     * A placement that leaves the smaller board is of the larger one; of two, the other is then of
     * the smaller.
     */
    private void placements(Envelope edge) {
        List<String> within = new ArrayList<>();
        List<String> beyond = new ArrayList<>();
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Placements p && !p.result().parts().isEmpty()) {
                        Envelope places = new Envelope();
                        p.result()
                                .parts()
                                .forEach(x -> places.expandToInclude(x.at().coordinate()));
                        (BoardsInPack.within(places, edge) ? within : beyond).add(path);
                    }
                });
        boards.get(1).addAll(beyond);
        if (within.size() == 1 && !beyond.isEmpty()) {
            boards.get(0).addAll(within);
        }
    }

    /** A parts list goes with the placement that places its parts. */
    private void lists() {
        Map<Integer, Set<String>> placed = new HashMap<>();
        for (int b = 0; b < boards.size(); b++) {
            Set<String> names = new TreeSet<>();
            for (String path : boards.get(b)) {
                if (readings.get(path) instanceof Reading.Placements p) {
                    p.result().parts().stream().map(PlacedPart::designator).forEach(names::add);
                }
            }
            placed.put(b, names);
        }
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Parts p) {
                        Set<String> names = new TreeSet<>();
                        p.result().parts().stream().map(ListedPart::designator).forEach(names::add);
                        boolean small = isOf(names, placed.get(0));
                        boolean large = isOf(names, placed.get(1));
                        if (small != large) {
                            boards.get(small ? 0 : 1).add(path);
                        }
                    }
                });
    }

    /** Whether two sets of designators are nearly the same. */
    private static boolean isOf(Set<String> listed, Set<String> placed) {
        Set<String> both = new HashSet<>(listed);
        both.retainAll(placed);
        Set<String> either = new HashSet<>(listed);
        either.addAll(placed);
        return !either.isEmpty() && both.size() >= SAME_PARTS * either.size();
    }
}
