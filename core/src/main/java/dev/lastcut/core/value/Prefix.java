package dev.lastcut.core.value;

import java.math.BigDecimal;
import java.util.Optional;

/** The prefixes of the SI that values of parts are written with. */
public final class Prefix {
    private static final String LETTERS = "fpnum kMG";
    private static final int FIRST = -15;

    private Prefix() {}

    /** The power of ten a letter stands for; µ in both its characters is u, K is k. */
    static Optional<Integer> power(String letter) {
        return switch (letter) {
            case "" -> Optional.of(0);
            case "f" -> Optional.of(-15);
            case "p" -> Optional.of(-12);
            case "n" -> Optional.of(-9);
            case "u", "µ", "μ" -> Optional.of(-6);
            case "m" -> Optional.of(-3);
            case "k", "K" -> Optional.of(3);
            case "M" -> Optional.of(6);
            case "G" -> Optional.of(9);
            default -> Optional.empty();
        };
    }

    /** A number in words: {@code 4.7 kΩ}, {@code 100 nF}, {@code 12}. */
    public static String words(BigDecimal number, String unit) {
        if (number.signum() == 0) {
            return ("0 " + unit).strip();
        }
        int top = number.precision() - number.scale() - 1;
        int power = unit.isEmpty() ? 0 : Math.floorDiv(top, 3) * 3;
        power = Math.max(FIRST, Math.min(9, power));
        char letter = LETTERS.charAt((power - FIRST) / 3);
        String prefix = letter == ' ' ? "" : letter == 'u' ? "µ" : String.valueOf(letter);
        String digits = number.scaleByPowerOfTen(-power).stripTrailingZeros().toPlainString();
        return (digits + " " + prefix + unit).strip();
    }

    /** The same for a number that was computed, to three digits. */
    public static String words(double number, String unit) {
        return words(new BigDecimal(number).round(new java.math.MathContext(3)), unit);
    }
}
