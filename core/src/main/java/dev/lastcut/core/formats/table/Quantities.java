package dev.lastcut.core.formats.table;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Understands the values of parts however they are written: {@code 4k7}, {@code 4.7k}, {@code 4,7k}
 * and {@code 4K7} are one value, and so are {@code 100n}, {@code 0.1uF} and {@code 100nF} of a
 * capacitor. Letter code after IEC 60062.
 */
public final class Quantities {
    private static final Pattern VALUE =
            Pattern.compile(
                    "(\\d{1,9}(?:[.,]\\d{1,9})?|[.,]\\d{1,9})\\s*([pnuµμmkKMGR])?(\\d{1,6})?\\s*"
                            + "(ohms?|Ω|Ω|F|H|Hz|R)?");
    private static final Map<String, Integer> POWER =
            Map.of("p", -12, "n", -9, "u", -6, "m", -3, "k", 3, "M", 6, "G", 9, "R", 0, "", 0);

    private Quantities() {}

    /**
     * The value in base units and plain digits with whatever follows it, such as {@code 4700} or
     * {@code 0.0000001 16v}; text that is no value comes back in lower case.
     */
    public static String canonical(String value) {
        String text = value.strip();
        int space = text.indexOf(' ');
        Matcher whole = VALUE.matcher(text);
        if (whole.matches()) {
            return number(whole);
        }
        if (space > 0) {
            Matcher first = VALUE.matcher(text.substring(0, space));
            if (first.matches()) {
                String rest = text.substring(space).strip().toLowerCase(Locale.ROOT);
                return number(first) + " " + rest;
            }
        }
        return text.toLowerCase(Locale.ROOT);
    }

    /** True when two values mean the same. */
    public static boolean same(String a, String b) {
        return canonical(a).equals(canonical(b));
    }

    private static String number(Matcher m) {
        String prefix = m.group(2) == null ? "" : m.group(2);
        prefix = prefix.equals("K") ? "k" : prefix.matches("[µμ]") ? "u" : prefix;
        String digits = m.group(1).replace(',', '.');
        if (m.group(3) != null) {
            // A letter in place of the point: only whole digits can stand before it.
            digits = digits.contains(".") ? digits : digits + "." + m.group(3);
        }
        BigDecimal value = new BigDecimal(digits).scaleByPowerOfTen(POWER.get(prefix));
        return value.signum() == 0 ? "0" : value.stripTrailingZeros().toPlainString();
    }
}
