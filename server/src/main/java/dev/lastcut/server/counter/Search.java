package dev.lastcut.server.counter;

import dev.lastcut.core.value.Quantity;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.catalogue.PartJson.ValueJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;

/**
 * What is asked of the shelves: words by their name, ranges of parameters as {@code 9..11} in units
 * of the SI, either end left open.
 */
final class Search {
    private static final int MOST = 200;

    private final List<Predicate<PartJson>> asked = new ArrayList<>();
    private int limit = 50;

    /**
     * @throws IllegalArgumentException when a range or a number cannot be read
     */
    static Search of(Map<String, String> query) {
        Search s = new Search();
        query.forEach(s::ask);
        return s;
    }

    private void ask(String name, String value) {
        switch (name) {
            case "number" -> {
                String wanted = plain(value);
                asked.add(p -> plain(p.number()).equals(wanted));
            }
            case "kind" -> asked.add(p -> p.kind().equalsIgnoreCase(value));
            case "package" -> asked.add(p -> p.packageName().equalsIgnoreCase(value));
            case "text" -> {
                String wanted = plain(value);
                asked.add(
                        p ->
                                plain(p.number()).contains(wanted)
                                        || plain(p.description()).contains(wanted));
            }
            case "line_stock" ->
                    asked.add(p -> p.supply().lineStock() == Boolean.parseBoolean(value));
            case "in_stock" ->
                    asked.add(p -> p.supply().stock() > 0 == Boolean.parseBoolean(value));
            case "limit" -> limit = Math.max(1, Math.min(MOST, number(name, value)));
            default -> range(name, value);
        }
    }

    private static int number(String name, String value) {
        if (!value.matches("\\d{1,6}")) {
            throw new IllegalArgumentException(name + " is a number, not '" + value + "'");
        }
        return Integer.parseInt(value);
    }

    private void range(String name, String value) {
        String[] ends = value.split("\\.\\.", -1);
        if (ends.length != 2) {
            throw new IllegalArgumentException(
                    name + " is a range such as 9..11, not '" + value + "'");
        }
        double from = end(name, ends[0], Double.NEGATIVE_INFINITY);
        double to = end(name, ends[1], Double.POSITIVE_INFINITY);
        asked.add(
                p -> {
                    ValueJson v = p.values().get(name);
                    if (v == null) {
                        return false;
                    }
                    Double n = v.typ() != null ? v.typ() : v.max() != null ? v.max() : v.min();
                    String unit = v.unit() == null ? "" : v.unit();
                    return n != null
                            && Quantity.of(n, unit)
                                    .filter(q -> q.value() >= from && q.value() <= to)
                                    .isPresent();
                });
    }

    private static double end(String name, String text, double open) {
        if (text.isBlank()) {
            return open;
        }
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(name + " ends in a number, not '" + text + "'", e);
        }
    }

    List<PartJson> among(Iterable<PartJson> parts) {
        List<PartJson> found = new ArrayList<>();
        for (PartJson p : parts) {
            if (found.size() < limit && asked.stream().allMatch(a -> a.test(p))) {
                found.add(p);
            }
        }
        return found;
    }

    /** Small letters and digits alone. */
    private static String plain(String s) {
        if (s == null) {
            return "";
        }
        StringBuilder all = new StringBuilder(s.length());
        s.toLowerCase(Locale.ROOT)
                .codePoints()
                .filter(Character::isLetterOrDigit)
                .forEach(all::appendCodePoint);
        return all.toString();
    }
}
