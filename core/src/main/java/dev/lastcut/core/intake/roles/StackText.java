package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A text in the pack that lists the copper files from the top to the bottom, as stack-ups do: one
 * file a line, each named once. Without numbers the first is taken for the top.
 */
final class StackText implements Witness {
    /** Two copper layers have no order to tell. */
    private static final int FEWEST = 3;

    private static final double BITS = 5;
    private static final int SHORTEST_NAME = 2;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        List<Picture> copper = pack.pictures().stream().filter(LayerNumbers::isCopperLike).toList();
        if (copper.size() < FEWEST) {
            return;
        }
        Map<String, List<Pattern>> names = names(copper);
        for (Map.Entry<String, Reading> e : pack.readings().entrySet()) {
            if (e.getValue() instanceof Reading.Beside b && !b.text().isEmpty()) {
                List<String> listed = listed(b.text(), names);
                if (listed.size() == copper.size()) {
                    say(PackFacts.leaf(e.getKey()), listed, testimony);
                    return;
                }
            }
        }
    }

    private static void say(String text, List<String> listed, Testimony testimony) {
        int last = listed.size();
        for (int i = 0; i < last; i++) {
            int n = i + 1;
            testimony.say(
                    listed.get(i),
                    text + " lists it as copper layer " + n + " of " + last,
                    r -> !r.isCopper() ? 0 : isLayer(r, n, last) ? BITS : -BITS);
        }
    }

    private static boolean isLayer(Role r, int n, int last) {
        return n == 1
                ? r.side().equals(Optional.of(Side.TOP))
                : n == last ? r.side().equals(Optional.of(Side.BOTTOM)) : r.inner() == n - 1;
    }

    /** The files in the order in which lines name them; empty where one is named twice. */
    private static List<String> listed(String text, Map<String, List<Pattern>> names) {
        List<String> all = new ArrayList<>();
        for (String line : text.split("\\R")) {
            String lower = line.toLowerCase(Locale.ROOT);
            List<String> named =
                    names.entrySet().stream()
                            .filter(
                                    e ->
                                            e.getValue().stream()
                                                    .anyMatch(p -> p.matcher(lower).find()))
                            .map(Map.Entry::getKey)
                            .toList();
            if (named.size() == 1) {
                if (all.contains(named.get(0))) {
                    return List.of();
                }
                all.add(named.get(0));
            }
        }
        return all;
    }

    /** How a text may name each file: whole, without its ending, or by what only it has. */
    private static Map<String, List<Pattern>> names(List<Picture> copper) {
        List<String> leaves =
                copper.stream()
                        .map(p -> PackFacts.leaf(p.path()).toLowerCase(Locale.ROOT))
                        .toList();
        int common = common(leaves);
        Map<String, List<Pattern>> all = new LinkedHashMap<>();
        for (int i = 0; i < leaves.size(); i++) {
            String leaf = leaves.get(i);
            int dot = leaf.lastIndexOf('.');
            String stem = dot > 0 ? leaf.substring(0, dot) : leaf;
            List<Pattern> own = new ArrayList<>();
            for (String name :
                    List.of(leaf, stem, stem.substring(Math.min(common, stem.length())))) {
                if (name.length() >= SHORTEST_NAME) {
                    own.add(
                            Pattern.compile(
                                    "(?<![\\p{L}\\p{N}])"
                                            + Pattern.quote(name)
                                            + "(?![\\p{L}\\p{N}])"));
                }
            }
            all.put(copper.get(i).path(), own);
        }
        return all;
    }

    /** How many characters all names begin with, up to the last that ends a word. */
    private static int common(List<String> names) {
        String first = names.get(0);
        int n = 0;
        while (n < first.length()) {
            char c = first.charAt(n);
            int at = n;
            if (!names.stream().allMatch(s -> s.length() > at && s.charAt(at) == c)) {
                break;
            }
            n++;
        }
        while (n > 0 && Character.isLetterOrDigit(first.charAt(n - 1))) {
            n--;
        }
        return n;
    }
}
