package dev.lastcut.core.formats.gerber;

/**
 * How the digits of a coordinate are to be read.
 *
 * @param omitTrailing true when trailing zeros are left out (deprecated), false for leading ones
 */
record CoordinateFormat(int integers, int decimals, boolean omitTrailing, boolean incremental) {
    static final int MOST_DIGITS = 18;
    static final double FARTHEST_NM = 1e10;
    private static final double[] TEN = new double[MOST_DIGITS + 1];

    static {
        TEN[0] = 1;
        for (int i = 1; i < TEN.length; i++) {
            TEN[i] = TEN[i - 1] * 10;
        }
    }

    CoordinateFormat incremental(boolean on) {
        return new CoordinateFormat(integers, decimals, omitTrailing, on);
    }

    /** Nanometres for the last digit when every number is that many of them; 0 when not. */
    long wholeFactor(double nmPerUnit) {
        double factor = nmPerUnit / TEN[decimals];
        return omitTrailing || incremental || factor != Math.rint(factor) ? 0 : (long) factor;
    }

    /** The finest step two places can be told apart by, nm. */
    double stepNm(double nmPerUnit) {
        return nmPerUnit / TEN[decimals];
    }

    /**
     * The value in nm of the number between {@code from} and {@code to}.
     *
     * @throws NumberFormatException if it is not a number, or farther off than 10 m
     */
    long parse(byte[] text, int from, int to, double nmPerUnit) {
        int at = from;
        boolean negative = at < to && text[at] == '-';
        if (at < to && (negative || text[at] == '+')) {
            at++;
        }
        long digits = 0;
        int count = 0;
        int point = -1;
        for (; at < to; at++) {
            byte c = text[at];
            if (c == '.' && point < 0) {
                point = count;
            } else if (c >= '0' && c <= '9' && count < MOST_DIGITS) {
                digits = digits * 10 + (c - '0');
                count++;
            } else {
                throw bad(text, from, to);
            }
        }
        if (count == 0) {
            throw bad(text, from, to);
        }
        int places = point >= 0 ? count - point : omitTrailing ? count - integers : decimals;
        double units = digits * nmPerUnit;
        double nm = places >= 0 ? units / TEN[places] : units * TEN[-places];
        if (nm > FARTHEST_NM) {
            throw bad(text, from, to);
        }
        long rounded = Math.round(nm);
        return negative ? -rounded : rounded;
    }

    private static NumberFormatException bad(byte[] text, int from, int to) {
        String s = new String(text, from, to - from, java.nio.charset.StandardCharsets.ISO_8859_1);
        return new NumberFormatException(
                "'" + s + "' is not a coordinate, or farther off than 10 m");
    }
}
