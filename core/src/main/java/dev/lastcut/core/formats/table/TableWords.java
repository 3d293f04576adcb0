package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.Side;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The words of many languages that head columns and stand in cells, read from {@code words.txt}.
 * They are evidence only: what a column is, its cells say first.
 */
final class TableWords {
    /** Shorter words must stand alone in a cell; longer ones may stand among others. */
    private static final int ALONE = 4;

    /** What a whole heading says, against a word of it. */
    private static final double WHOLE = 1;

    private static final double PART = 0.5;

    private static final Pattern AXIS =
            Pattern.compile(
                    "(?:ref|pad|mid|middle|center|centre|centroid|pos|position|loc|location|coord|coordinate"
                            + "|coordinata|koordinate|koordinata|koordinat|origin|body|part|place)?([xy])"
                            + "(?:pos|position|center|centre|centroid|loc|location|coord|coordinate|coordinata|koordinate"
                            + "|koordinat|mm|mils?|inch|in|ref|pad|mid|nm|um|axis|value|achse)*");
    private static final Pattern APART =
            Pattern.compile("(?:^|[^\\p{L}\\p{Nd}])([XYxy])(?:$|[^\\p{L}\\p{Nd}])");

    private static final Map<String, Set<String>> SECTIONS = read();
    private static final Map<ColumnKind, Set<String>> HEADINGS = headings();

    private TableWords() {}

    private static Map<String, Set<String>> read() {
        Map<String, Set<String>> all = new HashMap<>();
        String section = "";
        try (BufferedReader in =
                new BufferedReader(
                        new InputStreamReader(
                                TableWords.class.getResourceAsStream("words.txt"),
                                StandardCharsets.UTF_8))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String s = line.strip();
                if (s.startsWith("[")) {
                    section = s.substring(1, s.length() - 1);
                } else if (!s.isEmpty() && !s.startsWith("#")) {
                    List<String> words = List.of(s.split("\\s+"));
                    Set<String> own = all.computeIfAbsent(section, k -> new HashSet<>());
                    words.subList(1, words.size()).forEach(w -> own.add(mark(w)));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return all;
    }

    private static Map<ColumnKind, Set<String>> headings() {
        Map<ColumnKind, Set<String>> all = new EnumMap<>(ColumnKind.class);
        for (ColumnKind k : ColumnKind.values()) {
            all.put(k, SECTIONS.getOrDefault(k.id().replace("-", ""), Set.of()));
        }
        return all;
    }

    /** Lower-case letters and digits without accents; units and remarks in brackets go. */
    static String plain(String text) {
        String s = text.replaceAll("[\\[(（].*?[\\])）]", "");
        s = Normalizer.normalize(s, Normalizer.Form.NFKD).toLowerCase(Locale.ROOT);
        return s.replace('ł', 'l')
                .replace('ø', 'o')
                .replace('đ', 'd')
                .replace('ı', 'i')
                .replace("æ", "ae")
                .replace("ß", "ss")
                .replaceAll("[^\\p{L}\\p{Nd}]", "");
    }

    /** As {@link #plain}; a sign that is no letter stays as it is. */
    private static String mark(String text) {
        String p = plain(text);
        return p.isEmpty() ? text.strip() : p;
    }

    /** How much a heading says for a kind of column: 0 for nothing, 1 where it is its very word. */
    static double says(String heading, ColumnKind kind) {
        String whole = plain(heading);
        if (whole.isEmpty()) {
            return 0;
        }
        if (kind == ColumnKind.X || kind == ColumnKind.Y) {
            boolean axis =
                    axis(heading).filter(a -> a == (kind == ColumnKind.X ? 'x' : 'y')).isPresent();
            return axis ? WHOLE : 0;
        }
        Set<String> words = HEADINGS.get(kind);
        String singular = whole.endsWith("s") ? whole.substring(0, whole.length() - 1) : whole;
        if (words.contains(whole) || words.contains(singular)) {
            return WHOLE;
        }
        List<String> parts = new ArrayList<>();
        for (String w : heading.split("[^\\p{L}\\p{Nd}]+")) {
            parts.add(plain(w));
        }
        boolean any =
                parts.size() > 1
                        && parts.stream().anyMatch(w -> w.length() > 2 && words.contains(w));
        return any ? PART : 0;
    }

    /** {@code x} or {@code y} where a heading names an axis. */
    static Optional<Character> axis(String heading) {
        String s = plain(heading);
        if (SECTIONS.get("x-axis").contains(s)) {
            return Optional.of('x');
        }
        if (SECTIONS.get("y-axis").contains(s)) {
            return Optional.of('y');
        }
        Matcher m = AXIS.matcher(s);
        if (m.matches()) {
            return Optional.of(m.group(1).charAt(0));
        }
        Matcher apart = APART.matcher(heading);
        return apart.find()
                ? Optional.of(Character.toLowerCase(apart.group(1).charAt(0)))
                : Optional.empty();
    }

    /** The heading less its axis, so that the two of a pair are alike. */
    static String pairName(String heading) {
        String s = plain(heading);
        return axis(heading).isEmpty() ? s : s.replaceFirst("[xy]", "");
    }

    /** Whether a heading means anything to us. */
    static boolean isKnown(String heading) {
        return axis(heading).isPresent()
                || HEADINGS.keySet().stream().anyMatch(k -> says(heading, k) > 0);
    }

    /** The side that a cell names by a word of some language; numbers are not judged here. */
    static Optional<Side> side(String cell) {
        String w = mark(cell);
        if (w.isEmpty()) {
            return Optional.empty();
        }
        boolean top = in("top", w);
        boolean bottom = in("bottom", w);
        if (top != bottom) {
            return Optional.of(top ? Side.TOP : Side.BOTTOM);
        }
        if (top) {
            return Optional.empty();
        }
        // Words among others, as in "Top Layer": all that tell must agree.
        Set<Side> told = new HashSet<>();
        for (String part : cell.split("[^\\p{L}]+")) {
            String p = plain(part);
            if (p.length() > 2 && (in("top", p) != in("bottom", p))) {
                told.add(in("top", p) ? Side.TOP : Side.BOTTOM);
            }
        }
        for (String name : List.of("top", "bottom")) {
            if (told.isEmpty()
                    && w.length() > name.length()
                    && (w.startsWith(name) || w.endsWith(name))) {
                told.add(name.equals("top") ? Side.TOP : Side.BOTTOM);
            }
        }
        return told.size() == 1 ? told.stream().findFirst() : Optional.empty();
    }

    /** Whether a cell says in words that its parts are not to be fitted. */
    static boolean leavesOut(String cell) {
        String s = plain(cell);
        return !s.isEmpty()
                && (in("leave-out", s)
                        || SECTIONS.get("leave-out").stream()
                                .anyMatch(w -> w.length() >= ALONE && s.contains(w)));
    }

    static boolean isYes(String cell) {
        return in("yes", mark(cell));
    }

    static boolean isNo(String cell) {
        return in("no", mark(cell));
    }

    /** Words such as SMD, by which parts are mounted and not the side they are on. */
    static boolean isMounting(String cell) {
        return in("mount", mark(cell));
    }

    /** Whether a line of words says that angles count clockwise. */
    static boolean saysClockwise(String text) {
        String s = text.toLowerCase(Locale.ROOT);
        boolean counter =
                s.matches("(?s).*(counter|anti|gegen|ccw|anti-?horaire|antiorario|motur|moturs).*");
        return !counter
                && SECTIONS.get("clockwise").stream()
                        .anyMatch(
                                w ->
                                        s.matches(
                                                                "(?s).*(^|[^\\p{L}])\\p{L}*"
                                                                        + w
                                                                        + "\\p{L}*([^\\p{L}]|$).*")
                                                        && w.length() > 3
                                                || s.matches(
                                                        "(?s).*(^|[^\\p{L}])"
                                                                + w
                                                                + "([^\\p{L}]|$).*"));
    }

    private static boolean in(String section, String word) {
        return SECTIONS.get(section).contains(word);
    }
}
