package dev.lastcut.core.value;

import java.util.Arrays;

/**
 * The series of preferred numbers for resistors and capacitors (IEC 60063). E3 to E24 are a list of
 * their own; E48 to E192 are the steps of a geometric series rounded to three digits, with 9.20 in
 * place of 9.19 (IEC 60063, from memory).
 */
public enum PreferredNumbers {
    E3(3),
    E6(6),
    E12(12),
    E24(24),
    E48(48),
    E96(96),
    E192(192);

    private final double[] decade;

    PreferredNumbers(int steps) {
        decade = new double[steps];
        for (int i = 0; i < steps; i++) {
            decade[i] = steps <= 24 ? Listed.TWENTY_FOUR[i * (24 / steps)] : step(i, steps);
        }
    }

    /** Apart from the constants of the series, which are made of it. */
    private static final class Listed {
        private static final double[] TWENTY_FOUR = {
            1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7,
            5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1
        };
    }

    private static double step(int i, int of) {
        long hundredths = Math.round(100 * Math.pow(10, i / (double) of));
        return (hundredths == 919 ? 920 : hundredths) / 100.0;
    }

    /** The numbers from 1 to below 10. */
    public double[] decade() {
        return decade.clone();
    }

    /**
     * The number of the series that is nearest in ratio.
     *
     * @throws IllegalArgumentException when the value is not above 0
     */
    public double nearest(double value) {
        if (!(value > 0) || Double.isInfinite(value)) {
            throw new IllegalArgumentException("a value above 0, not " + value);
        }
        int power = (int) Math.floor(Math.log10(value) + 1e-12);
        double best = 0;
        for (int p = power - 1; p <= power + 1; p++) {
            for (double d : decade) {
                double x = scaled(d, p);
                if (best == 0 || ratio(x, value) < ratio(best, value)) {
                    best = x;
                }
            }
        }
        return best;
    }

    public boolean contains(double value) {
        return value > 0 && ratio(nearest(value), value) < 1e-9;
    }

    /** The coarsest series a value is of; empty when of none. */
    public static java.util.Optional<PreferredNumbers> coarsest(double value) {
        return Arrays.stream(values()).filter(s -> s.contains(value)).findFirst();
    }

    /** Exact where a division by a power of ten is. */
    private static double scaled(double d, int power) {
        return power >= 0 ? d * Math.pow(10, power) : d / Math.pow(10, -power);
    }

    private static double ratio(double a, double b) {
        return Math.abs(Math.log(a / b));
    }
}
