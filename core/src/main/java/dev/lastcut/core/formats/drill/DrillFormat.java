package dev.lastcut.core.formats.drill;

import dev.lastcut.core.geometry.Length;
import java.util.OptionalLong;

/**
 * How the digits of a drill file are to be read. Numbers with a decimal point are read as they
 * stand.
 *
 * @param metric millimetres or inches
 * @param integers digits before the point
 * @param decimals digits after it
 * @param keepsLeading true when leading zeros are kept and trailing ones left out
 */
public record DrillFormat(boolean metric, int integers, int decimals, boolean keepsLeading) {
    public static final DrillFormat METRIC = new DrillFormat(true, 3, 3, false);
    public static final DrillFormat INCH = new DrillFormat(false, 2, 4, false);

    double nmPerUnit() {
        return metric ? Length.NM_PER_MM : Length.NM_PER_INCH;
    }

    OptionalLong parse(String digits) {
        boolean negative = digits.startsWith("-");
        String body = negative || digits.startsWith("+") ? digits.substring(1) : digits;
        if (body.isEmpty() || body.length() > 15) {
            return OptionalLong.empty();
        }
        double value;
        try {
            if (body.indexOf('.') >= 0) {
                value = Double.parseDouble(body);
            } else {
                int places = keepsLeading ? body.length() - integers : decimals;
                value = Long.parseLong(body) / Math.pow(10, places);
            }
        } catch (NumberFormatException e) {
            return OptionalLong.empty();
        }
        double nm = value * nmPerUnit();
        if (Math.abs(nm) > 1e10) {
            return OptionalLong.empty();
        }
        return OptionalLong.of(Math.round(negative ? -nm : nm));
    }

    /** "mm 3.3, leading zeros left out". */
    public String words() {
        return (metric ? "mm " : "inch ")
                + integers
                + "."
                + decimals
                + (keepsLeading ? ", trailing zeros left out" : ", leading zeros left out");
    }
}
