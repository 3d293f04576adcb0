package dev.lastcut.core.intake;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Old and new versions of one file side by side: names that differ in a revision, a version, a date
 * or a word for old and new, and content of one kind. The newest is proposed, and all of it is one
 * question.
 */
final class Versions {
    /** What parts versions in names; common practice, no source. */
    private static final Pattern MARK =
            Pattern.compile(
                    "(?i)(?<![\\p{L}\\d])(?:(?:rev(?:ision)?|ver(?:sion)?|v|r|iss(?:ue)?|ind(?:ex)?)[ ._-]?(\\d{1,4}(?:[._]\\d{1,3})*|[a-h])"
                            + "|((?:19|20)\\d{2}[-_.]?[01]\\d[-_.]?[0-3]\\d)"
                            + "|(old|alt|ancien|viejo|vecchio|antigo|stary|oud|gammal|prev|backup|bak|copy|copia|kopie)"
                            + "|(new|neu|nouveau|nuevo|nuovo|novo|nowy|nieuw|ny|final|latest))(?![\\p{L}\\d])");

    /** Content that shares less is not another version of the same. */
    private static final double LEAST_SHARED = 0.3;

    private static final int FEWEST_HOLES = 3;

    private final Map<String, String> older = new TreeMap<>();
    private final Map<String, String> alike = new TreeMap<>();
    private final Map<String, String> difference = new HashMap<>();

    private Versions() {}

    /** One file of a group of versions. */
    private record Version(String path, String rank) {}

    /**
     * @param readings those that were not laid aside by the user
     * @param kept files of which the user said what they are: they win over newer ones
     */
    static Versions find(Map<String, Reading> readings, Set<String> kept) {
        Versions found = new Versions();
        Map<String, List<Version>> groups = new TreeMap<>();
        readings.forEach(
                (path, r) -> {
                    if (!(r instanceof Reading.Beside)) {
                        Matcher m = MARK.matcher(path);
                        StringBuilder rank = new StringBuilder();
                        boolean any = false;
                        while (m.find()) {
                            any = true;
                            rank.append(rank(m)).append(' ');
                        }
                        String base = m.replaceAll("").replaceAll("[ ._()-]+", " ").strip();
                        String key = r.getClass().getSimpleName() + " " + base.toLowerCase();
                        groups.computeIfAbsent(key, k -> new ArrayList<>())
                                .add(new Version(path, any ? rank.toString() : "5"));
                    }
                });
        for (List<Version> all : groups.values()) {
            long ranks = all.stream().map(Version::rank).distinct().count();
            if (all.size() > 1 && ranks == all.size()) {
                found.settle(all, readings, kept);
            }
        }
        found.sameHoles(readings, kept);
        return found;
    }

    /** Drill files that drill many of the same holes are versions, whatever they are called. */
    private void sameHoles(Map<String, Reading> readings, Set<String> kept) {
        List<String> drills = new ArrayList<>();
        readings.forEach(
                (path, r) -> {
                    boolean open = !older.containsKey(path) && !kept.contains(path);
                    if (open && r instanceof Reading.Drill) {
                        drills.add(path);
                    }
                });
        for (int i = 0; i < drills.size(); i++) {
            for (int k = i + 1; k < drills.size(); k++) {
                Shared s = shared(readings.get(drills.get(i)), readings.get(drills.get(k)));
                boolean copy = s.same == s.all;
                if (!copy && s.same >= FEWEST_HOLES && s.share() >= LEAST_SHARED) {
                    alike.put(drills.get(i), drills.get(k));
                    alike.put(drills.get(k), drills.get(i));
                }
            }
        }
    }

    /** Sorts by age: words for old, no mark at all, numbers and dates, words for new. */
    private static String rank(Matcher m) {
        if (m.group(3) != null) {
            return "1";
        }
        if (m.group(4) != null) {
            return "9";
        }
        if (m.group(2) != null) {
            return "7" + m.group(2).replaceAll("\\D", "");
        }
        String n = m.group(1);
        if (n.matches("\\p{L}")) {
            return "7" + n.toLowerCase();
        }
        StringBuilder padded = new StringBuilder("7");
        for (String part : n.split("[._]")) {
            padded.append(String.format("%06d", Integer.parseInt(part)));
        }
        return padded.toString();
    }

    private void settle(List<Version> all, Map<String, Reading> readings, Set<String> kept) {
        List<Version> sorted = new ArrayList<>(all);
        sorted.sort(Comparator.comparing(Version::rank).thenComparing(Version::path));
        String newest = sorted.get(sorted.size() - 1).path;
        for (Version v : sorted) {
            newest = kept.contains(v.path) ? v.path : newest;
        }
        for (Version v : sorted) {
            if (v.path.equals(newest)) {
                continue;
            }
            Shared s = shared(readings.get(v.path), readings.get(newest));
            // What holds the same is a copy, and no question.
            if (s.share() >= LEAST_SHARED && s.same < s.all) {
                older.put(v.path, newest);
                difference.put(v.path, s.words());
            }
        }
    }

    private record Shared(int same, int all, String what) {
        double share() {
            return all == 0 ? 1 : (double) same / all;
        }

        String words() {
            return same == all
                    ? "they hold the same"
                    : all - same + " of " + all + " " + what + " differ";
        }
    }

    private static Shared shared(Reading a, Reading b) {
        if (a instanceof Reading.Gerber x && b instanceof Reading.Gerber y) {
            return shared(x.file().features(), y.file().features(), Versions::print, "objects");
        }
        if (a instanceof Reading.Drill x && b instanceof Reading.Drill y) {
            return shared(x.file().places(), y.file().places(), Versions::print, "holes");
        }
        if (a instanceof Reading.Parts x && b instanceof Reading.Parts y) {
            return shared(x.result().parts(), y.result().parts(), Versions::print, "parts");
        }
        if (a instanceof Reading.Placements x && b instanceof Reading.Placements y) {
            return shared(x.result().parts(), y.result().parts(), Versions::print, "placements");
        }
        return new Shared(1, 2, "versions");
    }

    private static <T> Shared shared(
            List<T> a, List<T> b, java.util.function.Function<T, Object> print, String what) {
        Set<Object> own = new HashSet<>();
        a.forEach(x -> own.add(print.apply(x)));
        Set<Object> other = new HashSet<>();
        b.forEach(x -> other.add(print.apply(x)));
        int all = Math.max(own.size(), other.size());
        own.retainAll(other);
        return new Shared(own.size(), all, what);
    }

    private static Object print(Feature f) {
        if (f instanceof Feature.Flash x) {
            return List.of(x.at(), x.aperture());
        }
        return f instanceof Feature.Stroke x ? x.path() : ((Feature.Region) f).contours();
    }

    private static Object print(Hole h) {
        return List.of(h.from(), h.to(), h.diameter());
    }

    private static Object print(ListedPart p) {
        return List.of(p.designator(), p.value(), p.footprint());
    }

    private static Object print(PlacedPart p) {
        return List.of(p.designator(), p.at(), p.rotationDeg());
    }

    /** Older files, each with the newer one that is proposed in its place. */
    Map<String, String> older() {
        return older;
    }

    /** The question about a file; empty text where there is none. */
    Doubt doubt(String path) {
        if (older.containsKey(path)) {
            return new Doubt(
                    Doubt.Kind.VERSION,
                    "it seems to be an older version of "
                            + older.get(path)
                            + ": "
                            + difference.get(path),
                    older.get(path));
        }
        if (alike.containsKey(path)) {
            return new Doubt(
                    Doubt.Kind.VERSION,
                    "many of its holes are in "
                            + alike.get(path)
                            + " as well; one of them may be an older version",
                    alike.get(path));
        }
        List<String> own = new ArrayList<>();
        older.forEach((old, now) -> own.addAll(now.equals(path) ? List.of(old) : List.of()));
        return new Doubt(
                Doubt.Kind.VERSION,
                "an older version of it lies beside it (" + String.join(", ", own) + ")");
    }

    /** Files of which another version lies beside them, of which none is known to be older. */
    Set<String> asked() {
        Set<String> all = new HashSet<>(older.values());
        all.addAll(alike.keySet());
        return all;
    }
}
