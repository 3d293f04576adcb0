package dev.lastcut.core.formats;

/** Lengths as decimal numbers of millimetres, written as fast as long files want it. */
public final class Decimals {
    private static final int NM_DIGITS = 6;

    private Decimals() {}

    /**
     * Appends a length in mm, rounded half away from 0.
     *
     * @param digits after the point, 1 to 6
     */
    public static StringBuilder mm(StringBuilder out, double nm, int digits) {
        long unit = 1;
        for (int i = digits; i < NM_DIGITS; i++) {
            unit *= 10;
        }
        long steps = Math.round(Math.abs(nm) / unit);
        long perMm = 1_000_000 / unit;
        if (nm < 0 && steps > 0) {
            out.append('-');
        }
        out.append(steps / perMm).append('.');
        long rest = steps % perMm;
        for (long place = perMm / 10; place > 0; place /= 10) {
            out.append((char) ('0' + rest / place % 10));
        }
        return out;
    }
}
