package dev.lastcut.core.intake.naming;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Splits names and comments into lower-case words; letters and the digits behind them stay one. */
public final class Words {
    /** What this share of the names begin with is the board's name. */
    private static final double MOST = 0.6;

    private Words() {}

    /** {@code BoardOutline_v2.GBR} is board, outline, v2, gbr. */
    public static List<String> of(String text) {
        String spaced =
                text.replaceAll("(\\p{Ll})(\\p{Lu})", "$1 $2")
                        .replaceAll("(\\p{Lu})(\\p{Lu}\\p{Ll})", "$1 $2")
                        .toLowerCase(Locale.ROOT);
        List<String> words = new ArrayList<>();
        for (String w : spaced.split("[^\\p{L}\\p{Nd}]+")) {
            if (!w.isEmpty()) {
                words.add(w);
            }
        }
        return words;
    }

    /**
     * The same lists without the words that most of them begin with, as with the board's name. What
     * is left never is empty.
     */
    public static Map<String, List<String>> withoutCommonStart(Map<String, List<String>> all) {
        Map<String, List<String>> left = new HashMap<>(all);
        List<String> common = new ArrayList<>();
        if (all.size() >= 3) {
            String next = nextShared(all, common);
            while (next != null) {
                common.add(next);
                next = nextShared(all, common);
            }
        }
        int n = common.size();
        left.replaceAll((k, w) -> begins(w, common) && w.size() > n ? w.subList(n, w.size()) : w);
        return left;
    }

    /** The same lists without the words that nearly all of four or more have: they tell nothing. */
    public static Map<String, List<String>> withoutWhatAllSay(Map<String, List<String>> all) {
        Map<String, Integer> counts = new HashMap<>();
        List<List<String>> some = all.values().stream().filter(w -> !w.isEmpty()).toList();
        some.forEach(w -> w.stream().distinct().forEach(x -> counts.merge(x, 1, Integer::sum)));
        Map<String, List<String>> left = new HashMap<>(all);
        if (some.size() >= 4) {
            left.replaceAll(
                    (k, w) -> w.stream().filter(x -> counts.get(x) < 0.8 * some.size()).toList());
        }
        return left;
    }

    /**
     * The word that most names have next after a start. One that tells something, such as "top", is
     * of the board's name only where every name with that start has it and most still tell their
     * side without it.
     */
    private static String nextShared(Map<String, List<String>> all, List<String> start) {
        Map<String, Integer> counts = new HashMap<>();
        List<List<String>> begun = all.values().stream().filter(w -> begins(w, start)).toList();
        for (List<String> words : begun) {
            if (words.size() > start.size() + 1) {
                counts.merge(words.get(start.size()), 1, Integer::sum);
            }
        }
        return counts.entrySet().stream()
                .filter(e -> e.getValue() >= 3 && e.getValue() >= MOST * all.size())
                .filter(
                        e ->
                                !Vocabulary.tells(e.getKey())
                                        || e.getValue() == begun.size()
                                                && tellWithout(begun, start.size() + 1))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    /** Whether half of the names or more tell their side by what follows. */
    private static boolean tellWithout(List<List<String>> names, int from) {
        long telling =
                names.stream()
                        .filter(w -> Vocabulary.read(w.subList(from, w.size())).side().isPresent())
                        .count();
        return 2 * telling >= names.size();
    }

    private static boolean begins(List<String> words, List<String> start) {
        return words.size() >= start.size() && words.subList(0, start.size()).equals(start);
    }
}
