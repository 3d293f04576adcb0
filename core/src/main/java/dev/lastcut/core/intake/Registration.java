package dev.lastcut.core.intake;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.UnionFind;
import dev.lastcut.core.intake.places.PointMatch;
import dev.lastcut.core.intake.places.ScaleFit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Finds files that do not lie on the others. Pads, openings and holes of one board share their
 * centres, so files whose places meet support each other; one that meets none of them, but would
 * after a shift, a mirror image, a turn or a change of unit, is out of place.
 */
final class Registration {
    /** Share of the smaller file's places that must meet for two files to support each other. */
    private static final double AGREES = 0.4;

    private static final double LEAST_AFTER = 0.7;

    /** Fewer places than this fall onto a dense board's grid by chance. */
    private static final int FEWEST = 8;

    /** What is wrong with a file, and how well it fits before and after. */
    record Shift(String path, Correction correction, double before, double after) {}

    private Registration() {}

    /**
     * @param places flash centres and hole middles by path
     */
    static List<Shift> find(Map<String, List<Pt>> places) {
        List<String> paths = new ArrayList<>();
        Map<String, PointMatch> matches = new LinkedHashMap<>();
        places.forEach(
                (path, at) -> {
                    Set<Pt> distinct = new HashSet<>(at);
                    if (distinct.size() >= FEWEST) {
                        paths.add(path);
                        matches.put(path, new PointMatch(distinct));
                    }
                });
        if (paths.size() < 2) {
            return List.of();
        }
        UnionFind sets = new UnionFind(paths.size());
        for (int i = 0; i < paths.size(); i++) {
            for (int j = i + 1; j < paths.size(); j++) {
                if (agree(paths.get(i), paths.get(j), places, matches)) {
                    sets.union(i, j);
                }
            }
        }
        Set<Integer> main = largest(paths, sets, matches);
        Set<Pt> reference = new HashSet<>();
        main.forEach(i -> reference.addAll(places.get(paths.get(i))));
        PointMatch all = new PointMatch(reference);
        ScaleFit scales = null;
        List<Shift> shifts = new ArrayList<>();
        for (int i = 0; i < paths.size(); i++) {
            String path = paths.get(i);
            if (!main.contains(i)) {
                List<Pt> at = places.get(path);
                Optional<Shift> found = fit(path, at, all);
                if (found.isEmpty()) {
                    scales = scales == null ? new ScaleFit(reference) : scales;
                    found = scaled(path, at, all, scales);
                }
                found.ifPresent(shifts::add);
            }
        }
        return shifts;
    }

    private static boolean agree(
            String a, String b, Map<String, List<Pt>> places, Map<String, PointMatch> matches) {
        boolean aSmaller = matches.get(a).size() <= matches.get(b).size();
        String small = aSmaller ? a : b;
        String large = aSmaller ? b : a;
        return matches.get(large).share(places.get(small)) >= AGREES;
    }

    /** The files that most others support; of two alike, the one with more places. */
    private static Set<Integer> largest(
            List<String> paths, UnionFind sets, Map<String, PointMatch> matches) {
        Map<Integer, Set<Integer>> groups = new HashMap<>();
        for (int i = 0; i < paths.size(); i++) {
            groups.computeIfAbsent(sets.find(i), k -> new HashSet<>()).add(i);
        }
        Set<Integer> best = Set.of();
        long bestWeight = -1;
        for (Set<Integer> group : groups.values()) {
            long places = group.stream().mapToLong(i -> matches.get(paths.get(i)).size()).sum();
            long weight = group.size() * 10_000_000L + Math.min(places, 9_999_999);
            if (weight > bestWeight) {
                bestWeight = weight;
                best = group;
            }
        }
        return best;
    }

    private static Optional<Shift> scaled(
            String path, List<Pt> at, PointMatch reference, ScaleFit scales) {
        double before = reference.share(at);
        return scales.fit(at, Math.max(LEAST_AFTER, before + 0.3))
                .map(
                        c ->
                                new Shift(
                                        path,
                                        c,
                                        before,
                                        reference.share(at.stream().map(c::apply).toList())));
    }

    private static Optional<Shift> fit(String path, List<Pt> at, PointMatch reference) {
        double before = reference.share(at);
        return reference
                .fit(at, Math.max(LEAST_AFTER, before + 0.3))
                .filter(f -> !f.correction().isNone())
                .map(f -> new Shift(path, f.correction(), before, f.share()));
    }
}
