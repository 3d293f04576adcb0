package dev.lastcut.core.formats.table;

import dev.lastcut.core.geometry.Length;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Numbers as tables write them: decimal points and commas, thousands apart by spaces, apostrophes,
 * points or commas, powers of ten, and a unit behind.
 */
final class Numbers {
    private static final Pattern NUMBER =
            Pattern.compile(
                    "([-+]?)((?:\\d[\\d.,'’\\s\\u00a0\\u202f]*)?[.,]?\\d+)(?:e([-+]?\\d{1,2}))?"
                            + "\\s*(mm|mils?|thou|inch(?:es)?|in|\"|°|deg|degrees?)?\\.?");

    private Numbers() {}

    /**
     * @param unitNm the length of the unit written behind it, nm; empty where none is
     */
    record Number(double value, OptionalDouble unitNm) {}

    /** The number in a cell; empty when there is anything else in it. */
    static Optional<Number> read(String cell) {
        String s =
                cell.strip()
                        .toLowerCase(Locale.ROOT)
                        .replace('\u2212', '-')
                        .replace('−', '-')
                        .replace('，', ',');
        if (s.isEmpty() || s.length() > 40) {
            return Optional.empty();
        }
        Matcher m = NUMBER.matcher(s);
        if (!m.matches()) {
            return Optional.empty();
        }
        Optional<String> plain = plain(m.group(2));
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        String power = m.group(3) == null ? "" : "e" + m.group(3);
        double value = Double.parseDouble(m.group(1).replace("+", "") + plain.get() + power);
        return Double.isFinite(value)
                ? Optional.of(new Number(value, unit(m.group(4))))
                : Optional.empty();
    }

    /** Digits with a point for the decimals and nothing between thousands. */
    private static Optional<String> plain(String digits) {
        String s = digits.replaceAll("['’\\s\\u00a0\\u202f](?=\\d{3}(?!\\d))", "");
        int points = count(s, '.');
        int commas = count(s, ',');
        if (s.chars().anyMatch(c -> Character.isWhitespace(c) || c == '\'' || c == '’')) {
            return Optional.empty();
        }
        if (points > 0 && commas > 0) {
            // Of both, the one further right parts the decimals.
            boolean comma = s.lastIndexOf(',') > s.lastIndexOf('.');
            boolean once = (comma ? commas : points) == 1;
            String whole = s.replace(comma ? "." : ",", "");
            return once ? Optional.of(whole.replace(',', '.')) : Optional.empty();
        }
        if (points > 1 || commas > 1) {
            return s.matches("\\d{1,3}([.,]\\d{3})+")
                    ? Optional.of(s.replaceAll("[.,]", ""))
                    : Optional.empty();
        }
        return Optional.of(s.replace(',', '.'));
    }

    private static int count(String s, char c) {
        return (int) s.chars().filter(x -> x == c).count();
    }

    private static OptionalDouble unit(String word) {
        return word == null || word.startsWith("d") || word.equals("°")
                ? OptionalDouble.empty()
                : OptionalDouble.of(unitNm(word));
    }

    /** The length of a unit of which the name is known, nm. */
    static double unitNm(String word) {
        if (word.startsWith("mm") || word.startsWith("milli")) {
            return Length.NM_PER_MM;
        }
        return word.startsWith("mil") || word.startsWith("thou")
                ? Length.NM_PER_MIL
                : Length.NM_PER_INCH;
    }
}
