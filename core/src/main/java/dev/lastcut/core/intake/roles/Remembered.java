package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.naming.Words;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What the user said of files in earlier packs, by what of their names is not the board's name. It
 * counts where most files of the pack are called like that: one maker's way of naming.
 *
 * @param roles by {@link #signature}
 */
public record Remembered(Map<String, Role> roles) {
    public static final Remembered NOTHING = new Remembered(Map.of());
    private static final String WORDS = "you said so of the last pack with such names";
    private static final double BITS = 5;
    private static final double MOST = 0.7;

    public Remembered {
        roles = Map.copyOf(roles);
    }

    /** What of each name would be the same in another pack of the same maker's. */
    public static Map<String, String> signatures(Iterable<String> paths) {
        Map<String, List<String>> words = new HashMap<>();
        paths.forEach(p -> words.put(p, Words.of(PackFacts.leaf(p))));
        Map<String, String> result = new TreeMap<>();
        Words.withoutCommonStart(words).forEach((path, w) -> result.put(path, String.join(" ", w)));
        return result;
    }

    /** A signature that is a number or a single letter could be anybody's. */
    private static boolean isTelling(String signature) {
        return signature.matches(".*\\p{L}{2}.*");
    }

    /** Whether it was what the user said before that told a file's role. */
    public static boolean told(SourceFile f) {
        return f.doubt().isEmpty() && f.evidence().contains(WORDS);
    }

    void testify(PackFacts pack, Testimony testimony) {
        Map<String, String> own =
                signatures(
                        pack.pictures().stream().map(Picture::path).collect(Collectors.toList()));
        long known = own.values().stream().filter(roles::containsKey).count();
        if (own.isEmpty() || known < MOST * own.size()) {
            return;
        }
        own.forEach(
                (path, signature) -> {
                    Role role = roles.get(signature);
                    if (role != null && isTelling(signature)) {
                        testimony.say(path, WORDS, r -> r.equals(role) ? BITS : -BITS);
                    }
                });
    }
}
