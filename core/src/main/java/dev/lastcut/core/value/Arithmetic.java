package dev.lastcut.core.value;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Sums and products of numbers with units, such as {@code (5 V − 2 V) / 47 Ω}. What does not fit is
 * refused with the place where it stands.
 */
public final class Arithmetic {
    private static final int DEEPEST = 40;
    private static final int LONGEST = 300;
    private static final Pattern TERM =
            Pattern.compile(
                    "\\s*(\\d{1,12}(?:[.,]\\d{1,12})?(?:[eE][+-]?\\d{1,2})?)"
                            + "\\s*(°C|[pnuµμmkKMG]?(?:[Oo]hms?|OHMS?|Ω|\u2126|Hz|V|A|W|F|H|C|J|K|s|m)"
                            + "(?![\\p{L}])|%)?");

    private final String text;
    private int at;
    private int depth;

    private Arithmetic(String text) {
        this.text = text;
    }

    /**
     * @throws IllegalArgumentException when it cannot be worked out; the sentence says what and
     *     where
     */
    public static Quantity value(String text) {
        if (text.length() > LONGEST) {
            throw new IllegalArgumentException("at most " + LONGEST + " characters of arithmetic");
        }
        Arithmetic a =
                new Arithmetic(
                        text.replace('−', '-')
                                .replace('–', '-')
                                .replace('×', '*')
                                .replace('·', '*')
                                .replace('÷', '/'));
        Quantity q = a.sum();
        if (a.peek() != 0) {
            throw a.fault("'" + a.peek() + "' does not belong here");
        }
        if (Double.isNaN(q.value()) || Double.isInfinite(q.value())) {
            throw new IllegalArgumentException("'" + text.strip() + "' divides by nothing");
        }
        return q;
    }

    private Quantity sum() {
        Quantity q = product();
        for (char c = peek(); c == '+' || c == '-'; c = peek()) {
            int from = at;
            at++;
            Quantity next = product();
            if (!q.isAlike(next)) {
                throw new IllegalArgumentException(
                        "at character "
                                + (from + 1)
                                + " of '"
                                + text.strip()
                                + "': "
                                + q.words()
                                + " and "
                                + next.words()
                                + " are not of one kind, so they cannot be "
                                + (c == '+' ? "added" : "subtracted"));
            }
            q = q.plus(next, c == '+' ? 1 : -1);
        }
        return q;
    }

    private Quantity product() {
        Quantity q = factor();
        for (char c = peek(); c == '*' || c == '/'; c = peek()) {
            at++;
            Quantity next = factor();
            q = c == '*' ? q.times(next) : q.by(next);
        }
        return q;
    }

    private Quantity factor() {
        if (++depth > DEEPEST) {
            throw fault("more brackets than anybody can read");
        }
        Quantity q = inner();
        depth--;
        return q;
    }

    private Quantity inner() {
        char c = peek();
        if (c == '-') {
            at++;
            Quantity q = factor();
            return new Quantity(-q.value(), q.powers());
        }
        if (c == '(') {
            at++;
            Quantity q = sum();
            if (peek() != ')') {
                throw fault("a closing bracket is missing");
            }
            at++;
            return q;
        }
        Matcher m = TERM.matcher(text).region(at, text.length());
        if (!m.lookingAt()) {
            throw fault(c == 0 ? "a number is missing" : "'" + c + "' is no number");
        }
        at = m.end();
        String unit = m.group(2) == null ? "" : m.group(2);
        double n = Double.parseDouble(m.group(1).replace(',', '.'));
        return Quantity.of(n, unit).orElseThrow(() -> fault("nobody knows the unit " + unit));
    }

    /** The next character that is no space; 0 at the end. */
    private char peek() {
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
            at++;
        }
        return at < text.length() ? text.charAt(at) : 0;
    }

    private IllegalArgumentException fault(String what) {
        return new IllegalArgumentException(
                "at character " + (at + 1) + " of '" + text.strip() + "': " + what);
    }
}
