package dev.lastcut.core.formats.gerber;

import java.util.OptionalLong;

/**
 * How the digits of a coordinate are to be read.
 *
 * @param omitTrailing true when trailing zeros are left out (deprecated), false for leading ones
 */
record CoordinateFormat(int integers, int decimals, boolean omitTrailing, boolean incremental) {
    static final int MOST_DIGITS = 18;

    /** The value in nm, empty if the text is not a number or far too large. */
    OptionalLong parse(String digits, double nmPerUnit) {
        String body = digits;
        boolean negative = body.startsWith("-");
        if (negative || body.startsWith("+")) {
            body = body.substring(1);
        }
        double value;
        try {
            if (body.isEmpty() || body.length() > MOST_DIGITS) {
                return OptionalLong.empty();
            }
            if (body.indexOf('.') >= 0) {
                value = Double.parseDouble(body);
            } else {
                long whole = Long.parseLong(body);
                int places = omitTrailing ? body.length() - integers : decimals;
                value = whole / Math.pow(10, places);
            }
        } catch (NumberFormatException e) {
            return OptionalLong.empty();
        }
        double nm = value * nmPerUnit;
        if (Math.abs(nm) > 1e10) {
            return OptionalLong.empty();
        }
        return OptionalLong.of(Math.round(negative ? -nm : nm));
    }
}
