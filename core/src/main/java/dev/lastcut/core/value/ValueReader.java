package dev.lastcut.core.value;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Takes a value apart into words and finds what each says. The letter code (a letter in place of
 * the point, a letter for the tolerance) is that of IEC 60062; the order of the words is free.
 */
final class ValueReader {
    private static final int LONGEST = 200;

    private static final String NUMBER = "\\d{1,12}(?:[.,]\\d{1,12})?|[.,]\\d{1,12}";
    private static final String UNIT = "ohms?|OHMS?|Ohms?|Ω|\u2126|F|f|H|Hz|HZ|hz";

    /** 4.7k, 4,7 kΩ, 100nF, 1e+06, 8MHz. */
    private static final Pattern PLAIN =
            Pattern.compile(
                    "(?<n>(?:"
                            + NUMBER
                            + ")(?:[eE][+-]?\\d{1,2})?)"
                            + "(?<p>[pnuµμmkKMGPNURE])?(?<u>"
                            + UNIT
                            + ")?(?<t>[BCDFGJKM])?");

    /** 4k7, 4R7, R47, p33, 3n3F, 4K7J. */
    private static final Pattern LETTER =
            Pattern.compile(
                    "(?<a>\\d{0,6})(?<p>[pnuµμmkKMGRPNUE])(?<b>\\d{1,6})"
                            + "(?<u>"
                            + UNIT
                            + ")?(?<t>[BCDFGJKM])?");

    private static final Pattern TOLERANCE = Pattern.compile("(?:±|\\+/-|\\+-)?(" + NUMBER + ")%");
    private static final Pattern VOLTS =
            Pattern.compile("(\\d{1,5})(?:[.,](\\d{1,3}))?(k?)[Vv](\\d)?(?:[Dd][Cc])?");
    private static final Pattern WATTS =
            Pattern.compile("(?:(\\d{1,2})/(\\d{1,2})|(" + NUMBER + "))(m?)[Ww]");
    private static final Pattern AMPS = Pattern.compile("(" + NUMBER + ")([muµμ]?)A");
    private static final Pattern DIELECTRIC =
            Pattern.compile("[XYZ][4-8][A-Z]|U2J", Pattern.CASE_INSENSITIVE);
    private static final Pattern CLASS_ONE =
            Pattern.compile("[CN][0OP][G0O]", Pattern.CASE_INSENSITIVE);

    /** A word behind a number that looks like a unit nobody knows: then the number is none. */
    private static final Pattern UNIT_LIKE = Pattern.compile("[pnuµμmkKMGR][\\p{L}]{0,2}");

    /** Three digits on a capacitor: two and the number of noughts, pF (IEC 60062). */
    private static final Pattern THREE_DIGITS = Pattern.compile("[1-9]\\d[1-7]");

    /** Letters of tolerance, ± % (IEC 60062, from memory). */
    private static final Map<String, Double> LETTERS =
            Map.of(
                    "B", 0.1, "C", 0.25, "D", 0.5, "F", 1.0, "G", 2.0, "J", 5.0, "K", 10.0, "M",
                    20.0);

    private final String text;
    private final Dimension expected;

    private Optional<Amount> amount = Optional.empty();
    private Optional<Double> tolerance = Optional.empty();
    private Optional<Double> volts = Optional.empty();
    private Optional<Double> watts = Optional.empty();
    private Optional<Double> amps = Optional.empty();
    private Optional<String> dielectric = Optional.empty();
    private final List<String> rest = new ArrayList<>();

    ValueReader(String text, Dimension expected) {
        this.text = text;
        this.expected = expected;
    }

    PartValue read() {
        String s = text.strip();
        List<String> words = s.length() > LONGEST ? List.of(s) : words(s);
        for (int i = 0; i < words.size(); i++) {
            boolean alone = words.size() == 1 || !UNIT_LIKE.matcher(words.get(1)).matches();
            word(words.get(i), i == 0 && alone);
        }
        return new PartValue(
                text,
                amount,
                tolerance,
                volts,
                watts,
                amps,
                dielectric,
                String.join(" ", rest).toLowerCase(Locale.ROOT));
    }

    /** Words are parted by anything but a comma or slash between two digits. */
    private static List<String> words(String s) {
        String together =
                s.replaceAll(
                        "(\\d)\\s+((?:[pnuµμmkKMG]?(?:ohms?|OHMS?|Ohms?|Ω|\u2126|F|H|Hz|V|W|A)"
                                + "|[kKRpnuµμ]|%)(?![\\p{L}\\p{N}]))",
                        "$1$2");
        together = together.replaceAll("(±|\\+/-)\\s+(?=\\d)", "$1");
        List<String> all = new ArrayList<>();
        for (String w :
                together.split(
                        "[\\s;|_]+|,(?!\\d)|(?<!\\d),|(?<![\\d+])/(?!-)|(?<=\\d)/(?!\\d{1,2}W)")) {
            if (!w.isEmpty()) {
                all.add(w);
            }
        }
        return all;
    }

    private void word(String w, boolean first) {
        if (!(tolerance(w) || volts(w) || watts(w) || amps(w) || dielectric(w))
                && !(amount.isEmpty() && (plain(w, first) || letter(w)))) {
            rest.add(w);
        }
    }

    private boolean tolerance(String w) {
        Matcher m = TOLERANCE.matcher(w);
        boolean is = tolerance.isEmpty() && m.matches();
        if (is) {
            tolerance = Optional.of(number(m.group(1)).doubleValue());
        }
        return is;
    }

    private boolean volts(String w) {
        Matcher m = VOLTS.matcher(w);
        boolean is = volts.isEmpty() && m.matches();
        if (is) {
            String part = m.group(4) == null ? m.group(2) : m.group(4);
            double v = Double.parseDouble(m.group(1) + "." + (part == null ? "0" : part));
            volts = Optional.of(m.group(3).isEmpty() ? v : v * 1000);
        }
        return is;
    }

    private boolean watts(String w) {
        Matcher m = WATTS.matcher(w);
        boolean is = watts.isEmpty() && m.matches();
        if (is) {
            double n =
                    m.group(3) != null
                            ? number(m.group(3)).doubleValue()
                            : Double.parseDouble(m.group(1)) / Double.parseDouble(m.group(2));
            is = Double.isFinite(n);
            watts = is ? Optional.of(m.group(4).isEmpty() ? n : n / 1000) : watts;
        }
        return is;
    }

    private boolean amps(String w) {
        Matcher m = AMPS.matcher(w);
        boolean is = amps.isEmpty() && m.matches();
        if (is) {
            int power = Prefix.power(m.group(2)).orElse(0);
            amps = Optional.of(number(m.group(1)).scaleByPowerOfTen(power).doubleValue());
        }
        return is;
    }

    private boolean dielectric(String w) {
        boolean is = DIELECTRIC.matcher(w).matches();
        boolean one = CLASS_ONE.matcher(w).matches();
        if (is || one) {
            dielectric = Optional.of(one ? "C0G" : w.toUpperCase(Locale.ROOT));
        }
        return is || one;
    }

    private boolean plain(String w, boolean first) {
        Matcher m = PLAIN.matcher(w);
        if (!m.matches()) {
            return false;
        }
        String prefix = m.group("p") == null ? "" : m.group("p");
        String unit = m.group("u");
        if (prefix.isEmpty() && unit == null) {
            // A bare number: only where the designator says of what, and at the head.
            return first && bare(w, m.group("n"), m.group("t"));
        }
        boolean code = expected == Dimension.CAPACITANCE && unit == null && m.group("t") == null;
        if (code && first && LETTERS.containsKey(prefix)) {
            // No capacitor has kilofarads: K is the letter of ±10 % after three digits.
            return bare(w, m.group("n"), prefix);
        }
        if (prefix.equals("R") && unit == null && expected == Dimension.INDUCTANCE) {
            // A ferrite bead stands under L and counts ohms.
            return keep(number(m.group("n")), Dimension.RESISTANCE, m.group("t"));
        }
        return take(number(m.group("n")), prefix, unit, m.group("t"));
    }

    private boolean bare(String w, String n, String letter) {
        boolean code = expected == Dimension.CAPACITANCE && !n.matches(".*[.,eE].*");
        if (code && letter == null && !THREE_DIGITS.matcher(w).matches()) {
            return false;
        }
        if (code && THREE_DIGITS.matcher(n).matches()) {
            BigDecimal two = new BigDecimal(n.substring(0, 2));
            return keep(
                    two.scaleByPowerOfTen(n.charAt(2) - '0' - 12), Dimension.CAPACITANCE, letter);
        }
        if (expected == Dimension.CAPACITANCE) {
            // 0.1 on a capacitor is µF (common practice, no source); 1e-7 is in farads.
            boolean farads = n.matches(".*[eE].*");
            return letter == null
                    && keep(number(n).scaleByPowerOfTen(farads ? 0 : -6), expected, null);
        }
        boolean counts = expected == Dimension.RESISTANCE || n.matches(".*[eE].*");
        return (counts || (expected == Dimension.NONE && n.length() == w.length()))
                && keep(number(n), expected, letter);
    }

    private boolean letter(String w) {
        Matcher m = LETTER.matcher(w);
        if (!m.matches()) {
            return false;
        }
        if (m.group("a").isEmpty() && expected == Dimension.NONE && !"R".equals(m.group("p"))) {
            // M3 is a screw, not 300 000 of something.
            return false;
        }
        String whole = m.group("a").isEmpty() ? "0" : m.group("a");
        return take(
                new BigDecimal(whole + "." + m.group("b")),
                m.group("p"),
                m.group("u"),
                m.group("t"));
    }

    /** Takes a number with its letters, if they can be meant of what is expected. */
    private boolean take(BigDecimal n, String prefix, String unit, String letter) {
        Dimension said = unit == null ? expected : dimension(unit);
        String p = prefix;
        if (said == Dimension.CAPACITANCE && "PNU".contains(p)) {
            p = p.toLowerCase(Locale.ROOT);
        }
        if ("F".equalsIgnoreCase(unit) && expected == Dimension.RESISTANCE) {
            // No resistor has farads: F is the letter of ±1 %.
            return letter == null && take(n, prefix, null, "F");
        }
        if (p.equals("R") || p.equals("E")) {
            boolean ohms = said == Dimension.RESISTANCE || said == Dimension.NONE;
            return ohms && keep(n, Dimension.RESISTANCE, letter);
        }
        Optional<Integer> power = Prefix.power(p);
        boolean fits =
                switch (said) {
                    case RESISTANCE -> "mkKMG".contains(p);
                    case CAPACITANCE -> "pnuµμm".contains(p);
                    case INDUCTANCE -> "pnuµμm".contains(p);
                    case FREQUENCY -> "kKMG".contains(p);
                    case NONE -> true;
                };
        return power.isPresent() && fits && keep(n.scaleByPowerOfTen(power.get()), said, letter);
    }

    private boolean keep(BigDecimal n, Dimension of, String letter) {
        amount = Optional.of(new Amount(n, of));
        if (letter != null && tolerance.isEmpty()) {
            tolerance = Optional.of(LETTERS.get(letter));
        }
        return true;
    }

    private static Dimension dimension(String unit) {
        return switch (unit.toLowerCase(Locale.ROOT)) {
            case "f" -> Dimension.CAPACITANCE;
            case "h" -> Dimension.INDUCTANCE;
            case "hz" -> Dimension.FREQUENCY;
            default -> Dimension.RESISTANCE;
        };
    }

    private static BigDecimal number(String n) {
        String plain = n.replace(',', '.');
        return new BigDecimal(plain.startsWith(".") ? "0" + plain : plain);
    }
}
