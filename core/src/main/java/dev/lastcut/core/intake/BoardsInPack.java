package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.intake.naming.Words;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;

/**
 * The files of several boards in one pack: told by names that begin alike and by outlines of
 * different sizes, each with copper of its own, else by what lies on their pads. They are never
 * mixed; the user is asked which is meant.
 */
final class BoardsInPack {
    private static final double SLACK_NM = 500_000;

    /** A board's copper fills so much of it. */
    private static final double FILLED = 0.5;

    /** Outlines whose sizes differ by less are one. */
    private static final double SAME_SIZE = 0.03;

    private static final int FEWEST_FILES = 3;
    private static final int MOST_STROKES = 2_000;

    /**
     * A board of a pack.
     *
     * @param name what its files are called alike; empty where only the pictures tell them apart
     */
    record Group(String name, Set<String> files) {
        Group {
            files = Set.copyOf(files);
        }
    }

    private BoardsInPack() {}

    /**
     * The boards of a pack, the one with the most files first; one or none where there are not
     * several. Files that belong to none are in no group.
     */
    static List<Group> find(Map<String, Reading> readings) {
        Map<String, Envelope> outlines = new TreeMap<>();
        Map<String, Envelope> pictures = new TreeMap<>();
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Gerber g && !g.file().features().isEmpty()) {
                        Optional<Envelope> edge = contour(g.file().features());
                        if (edge.isPresent()) {
                            outlines.put(path, edge.get());
                        } else {
                            pictures.put(path, OutlineFit.extent(g.file().features()));
                        }
                    } else if (r instanceof Reading.Drawn d) {
                        outlines.put(path, d.drawing().extent());
                    }
                });
        List<String> edges = new ArrayList<>(outlines.keySet());
        edges.sort(Comparator.comparingDouble(p -> outlines.get(p).getArea()));
        for (int i = 0; i < edges.size(); i++) {
            for (int k = i + 1; k < edges.size(); k++) {
                Envelope small = outlines.get(edges.get(i));
                Envelope large = outlines.get(edges.get(k));
                boolean several =
                        isOther(small, large) && bothFilled(small, large, pictures)
                                || isElsewhere(small, large)
                                        && eachItsOwn(
                                                byName(
                                                        readings.keySet(),
                                                        edges.get(i),
                                                        edges.get(k)),
                                                outlines,
                                                pictures);
                if (several) {
                    return groups(readings, edges.get(i), edges.get(k), outlines, pictures);
                }
            }
        }
        return List.of();
    }

    private static Optional<Envelope> contour(List<Feature> features) {
        boolean lines = features.stream().allMatch(f -> f instanceof Feature.Stroke);
        if (!lines || features.size() > MOST_STROKES) {
            return Optional.empty();
        }
        var outline = OutlineBuilder.build(features);
        if (!outline.isClosed()) {
            return Optional.empty();
        }
        Envelope box = new Envelope();
        outline.outer().forEach(s -> box.expandToInclude(s.envelope()));
        Envelope all = OutlineFit.extent(features);
        return box.getArea() > 0.9 * all.getArea() ? Optional.of(box) : Optional.empty();
    }

    private static boolean isOther(Envelope a, Envelope b) {
        return Math.abs(a.getWidth() - b.getWidth()) > SAME_SIZE * b.getWidth()
                || Math.abs(a.getHeight() - b.getHeight()) > SAME_SIZE * b.getHeight()
                || !a.intersects(b);
    }

    /** Whether two outlines are not the same, drawn twice: of one board there is one. */
    private static boolean isElsewhere(Envelope a, Envelope b) {
        return Math.abs(a.getMinX() - b.getMinX()) > SLACK_NM
                || Math.abs(a.getMinY() - b.getMinY()) > SLACK_NM
                || Math.abs(a.getMaxX() - b.getMaxX()) > SLACK_NM
                || Math.abs(a.getMaxY() - b.getMaxY()) > SLACK_NM;
    }

    /** Whether each outline has pictures of its own: within it and filling it. */
    private static boolean bothFilled(
            Envelope small, Envelope large, Map<String, Envelope> pictures) {
        long own = pictures.values().stream().filter(p -> fills(p, small)).count();
        long other =
                pictures.values().stream().filter(p -> fills(p, large) && !fills(p, small)).count();
        long beyond =
                pictures.values().stream()
                        .filter(p -> fills(p, large) && !within(p, small))
                        .count();
        return own >= FEWEST_FILES && other >= FEWEST_FILES && beyond >= 2;
    }

    /**
     * Whether the pictures of each named group lie on its own outline, and those of the larger one
     * go beyond the smaller: boards with one or two pictures each are told apart so.
     */
    private static boolean eachItsOwn(
            List<Group> named, Map<String, Envelope> outlines, Map<String, Envelope> pictures) {
        List<Envelope> edges = new ArrayList<>();
        List<List<Envelope>> own = new ArrayList<>();
        for (Group g : named) {
            List<Envelope> edge = of(outlines, g);
            List<Envelope> its = of(pictures, g);
            if (edge.size() != 1
                    || !its.stream().allMatch(p -> within(p, edge.get(0)))
                    || its.stream().noneMatch(p -> fills(p, edge.get(0)))) {
                return false;
            }
            edges.add(edge.get(0));
            own.add(its);
        }
        if (edges.isEmpty()) {
            return false;
        }
        int larger = edges.get(0).getArea() > edges.get(1).getArea() ? 0 : 1;
        return own.get(larger).stream().anyMatch(p -> !within(p, edges.get(1 - larger)));
    }

    private static List<Envelope> of(Map<String, Envelope> all, Group group) {
        return all.entrySet().stream()
                .filter(e -> group.files.contains(e.getKey()))
                .map(Map.Entry::getValue)
                .toList();
    }

    /** Whether something lies on a board, or half a millimetre beside it at most. */
    static boolean within(Envelope picture, Envelope board) {
        Envelope reach = new Envelope(board);
        reach.expandBy(SLACK_NM);
        return reach.contains(picture);
    }

    private static boolean fills(Envelope picture, Envelope board) {
        return within(picture, board)
                && picture.getWidth() >= FILLED * board.getWidth()
                && picture.getHeight() >= FILLED * board.getHeight();
    }

    /** By names where these part the outlines; else by what lies in the smaller one. */
    private static List<Group> groups(
            Map<String, Reading> readings,
            String small,
            String large,
            Map<String, Envelope> outlines,
            Map<String, Envelope> pictures) {
        List<Group> named = byName(readings.keySet(), small, large);
        if (!named.isEmpty()) {
            return named;
        }
        Set<String> own = new HashSet<>(Set.of(small));
        Set<String> other = new HashSet<>(Set.of(large));
        pictures.forEach(
                (path, box) -> {
                    if (fills(box, outlines.get(small))) {
                        own.add(path);
                    } else if (!within(box, outlines.get(small))) {
                        other.add(path);
                    }
                });
        List<Set<String>> members = new BoardMembers(readings, own, other).all(outlines.get(small));
        List<Group> all =
                new ArrayList<>(
                        List.of(new Group("", members.get(1)), new Group("", members.get(0))));
        all.sort(Comparator.comparingInt(g -> -g.files.size()));
        return all;
    }

    /** Files whose names, or whose folders, begin as those of the two outlines do. */
    private static List<Group> byName(Set<String> paths, String small, String large) {
        List<String> a = Words.of(small);
        List<String> b = Words.of(large);
        int same = 0;
        while (same < Math.min(a.size(), b.size()) && a.get(same).equals(b.get(same))) {
            same++;
        }
        if (same >= a.size() || same >= b.size()) {
            return List.of();
        }
        List<String> startA = a.subList(0, same + 1);
        List<String> startB = b.subList(0, same + 1);
        Map<List<String>, Set<String>> by = new HashMap<>();
        for (String path : paths) {
            List<String> w = Words.of(path);
            if (w.size() > same) {
                by.computeIfAbsent(w.subList(0, same + 1), k -> new HashSet<>()).add(path);
            }
        }
        Set<String> own = by.getOrDefault(startA, Set.of());
        Set<String> other = by.getOrDefault(startB, Set.of());
        boolean most = own.size() + other.size() >= 0.6 * paths.size();
        if (own.size() < FEWEST_FILES || other.size() < FEWEST_FILES || !most) {
            return List.of();
        }
        List<Group> all =
                new ArrayList<>(
                        List.of(
                                new Group(startA.get(same), own),
                                new Group(startB.get(same), other)));
        all.sort(Comparator.comparingInt((Group g) -> -g.files.size()).thenComparing(Group::name));
        return all;
    }

    /** Roles that only one board of a pack can have a file of. */
    static boolean isOfBoard(Role r) {
        return !r.equals(Role.NOT_PART) && !r.equals(Role.UNKNOWN);
    }
}
