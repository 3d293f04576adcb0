package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.intake.naming.Hints;
import dev.lastcut.core.intake.naming.Words;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Numbers in the names of copper pictures, behind one word of whatever language: where they run
 * from 1 through all copper they count layers from the top; where the inner ones alone have them,
 * they count these.
 */
final class LayerNumbers implements Witness {
    private static final double BITS = 5;
    private static final int MOST_LAYERS = 32;

    /** Numbers behind these count versions. */
    private static final Set<String> VERSION_WORDS =
            Set.of("r", "rev", "v", "ver", "version", "copy", "kopie", "copia", "copie");

    private static final Pattern JOINED = Pattern.compile("(\\p{L}+)0*([1-9]\\d?)");
    private static final Pattern NUMBER = Pattern.compile("0*([1-9]\\d?)");

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        List<Picture> copper = pack.pictures().stream().filter(LayerNumbers::isCopperLike).toList();
        Map<String, Map<String, Integer>> byWord = numbers(copper);
        Optional<Map<String, Integer>> best = Optional.empty();
        for (Map<String, Integer> own : byWord.values()) {
            boolean different = new HashSet<>(own.values()).size() == own.size();
            if (own.size() > 1 && different && own.size() > best.map(Map::size).orElse(1)) {
                best = Optional.of(own);
            }
        }
        if (best.isPresent()) {
            Map<String, Integer> own = new TreeMap<>(best.get());
            alike(pack, byWord, own);
            say(pack, own, copper, testimony);
        }
    }

    /** A layer of hardly more than pads looks like openings: it counts where its number is free. */
    private static void alike(
            PackFacts pack, Map<String, Map<String, Integer>> byWord, Map<String, Integer> own) {
        String word =
                byWord.entrySet().stream()
                        .filter(e -> e.getValue().equals(own))
                        .map(Map.Entry::getKey)
                        .findFirst()
                        .orElseThrow();
        Map<String, Integer> sparse = numbers(pack.sparse()).getOrDefault(word, Map.of());
        sparse.forEach(
                (path, n) -> {
                    long alike = sparse.values().stream().filter(n::equals).count();
                    if (alike == 1 && !own.containsValue(n)) {
                        own.put(path, n);
                    }
                });
    }

    /** Neither openings, nor lines, nor a contour: what copper looks like. */
    static boolean isCopperLike(Picture p) {
        return !p.isEmpty() && !p.isSparse() && p.contour().isEmpty() && p.thinShare() < 0.95;
    }

    /** Whether the names of two areas of copper count layers, behind one word, differently. */
    static boolean areApart(Picture a, Picture b) {
        return !a.isSparse()
                && !b.isSparse()
                && numbers(List.of(a, b)).entrySet().stream()
                        .filter(e -> !VERSION_WORDS.contains(e.getKey()))
                        .anyMatch(e -> new HashSet<>(e.getValue().values()).size() == 2);
    }

    /** By the word before the number: the number of each picture that has it. */
    static Map<String, Map<String, Integer>> numbers(List<Picture> pictures) {
        Map<String, Map<String, Integer>> byWord = new TreeMap<>();
        for (Picture p : pictures) {
            String leaf = PackFacts.leaf(p.path());
            int dot = leaf.lastIndexOf('.');
            List<String> words = Words.of(dot > 0 ? leaf.substring(0, dot) : leaf);
            Map<String, Integer> own = new HashMap<>();
            for (int i = 0; i < words.size(); i++) {
                Matcher joined = JOINED.matcher(words.get(i));
                Matcher number = NUMBER.matcher(words.get(i));
                if (joined.matches()) {
                    own.merge(joined.group(1), Integer.parseInt(joined.group(2)), (a, b) -> 0);
                } else if (i > 0 && number.matches() && words.get(i - 1).matches("\\p{L}+")) {
                    own.merge(words.get(i - 1), Integer.parseInt(number.group(1)), (a, b) -> 0);
                } else if (i == 0 && words.size() > 1 && number.matches()) {
                    own.merge("", Integer.parseInt(number.group(1)), (a, b) -> 0);
                }
            }
            own.forEach(
                    (word, n) -> {
                        if (n > 0 && n <= MOST_LAYERS) {
                            byWord.computeIfAbsent(word, k -> new TreeMap<>()).put(p.path(), n);
                        }
                    });
        }
        return byWord;
    }

    private static void say(
            PackFacts pack, Map<String, Integer> own, List<Picture> copper, Testimony testimony) {
        TreeSet<Integer> numbers = new TreeSet<>(own.values());
        long without = copper.stream().filter(p -> !own.containsKey(p.path())).count();
        int last = numbers.last();
        boolean whole =
                numbers.first() == 1 && without == 0 && last <= copper.size() + 2 && own.size() > 2;
        boolean inner = !whole && without >= 2 && numbers.first() <= 2 && last <= own.size() + 2;
        if (!whole && !inner) {
            return;
        }
        int first = numbers.first();
        own.forEach(
                (path, n) -> {
                    Hints h = pack.name(path);
                    boolean known =
                            h.layer().isPresent() || h.inner().filter(k -> k > 0).isPresent();
                    if (known) {
                        return;
                    }
                    if (whole) {
                        testimony.say(
                                path, "its name counts it as layer " + n, r -> layer(r, n, last));
                    } else {
                        // Inner layers alone are counted from 1, or from 2 as among all layers.
                        int k = first == 1 ? n : n - 1;
                        testimony.say(
                                path,
                                "its name counts it as inner layer " + k,
                                r -> r.inner() == 0 ? 0 : r.inner() == k ? BITS : -BITS / 2);
                    }
                });
    }

    private static double layer(Role r, int n, int last) {
        if (!r.isCopper()) {
            return 0;
        }
        boolean fits =
                n == 1
                        ? r.side().equals(Optional.of(Side.TOP))
                        : n == last
                                ? r.side().equals(Optional.of(Side.BOTTOM))
                                : r.inner() == n - 1;
        return fits ? BITS : -BITS;
    }
}
