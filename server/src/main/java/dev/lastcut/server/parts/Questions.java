package dev.lastcut.server.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Parameter;
import dev.lastcut.core.value.Amount;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.PreferredNumbers;
import dev.lastcut.core.value.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What a counter is asked about a kind of part; the same words for the same kind. */
final class Questions {
    private static final double SAME = 1e-4;
    private static final int SHORTEST_WORD = 3;

    private Questions() {}

    /** Which parts a line of the list may mean, and the nearest usual value beside it. */
    static List<Map<String, String>> of(Part p) {
        List<Map<String, String>> all = new ArrayList<>();
        if (!p.partNumber().isBlank()) {
            all.add(Map.of("number", p.partNumber()));
        }
        Optional<Amount> amount =
                p.meaning().amount().filter(a -> a.of() != Dimension.NONE && a.asDouble() >= 0);
        if (amount.isPresent()) {
            String name = amount.get().of().name().toLowerCase(Locale.ROOT);
            double v = amount.get().asDouble();
            all.add(Map.of(name, around(v), "limit", "100"));
            if (v > 0 && !PreferredNumbers.E12.contains(v)) {
                PreferredNumbers series =
                        PreferredNumbers.E24.contains(v)
                                ? PreferredNumbers.E12
                                : PreferredNumbers.E24;
                all.add(
                        Map.of(
                                name,
                                around(series.nearest(v)),
                                "package",
                                p.packageName(),
                                "limit",
                                "20"));
            }
        } else if (p.value().strip().length() >= SHORTEST_WORD) {
            all.add(Map.of("text", p.value().strip(), "limit", "30"));
        }
        return all;
    }

    /** Parts whose number or description holds some words. */
    static Map<String, String> words(String words) {
        return Map.of("text", words.strip(), "limit", "50");
    }

    /** What could stand in for a part: the same kind, with the values that make it what it is. */
    static Map<String, String> instead(CataloguePart p) {
        Map<String, String> asked = new TreeMap<>();
        asked.put("kind", p.kind());
        asked.put("limit", "100");
        p.values()
                .forEach(
                        (name, v) -> {
                            boolean is =
                                    Parameter.of(name)
                                            .filter(x -> x.kind() == Parameter.Kind.VALUE)
                                            .isPresent();
                            Optional<Quantity> q = v.usual().flatMap(v::quantity);
                            if (is && q.isPresent()) {
                                asked.put(name, around(q.get().value()));
                            }
                        });
        return asked;
    }

    private static String around(double v) {
        return v * (1 - SAME) + ".." + v * (1 + SAME);
    }
}
