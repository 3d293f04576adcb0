package dev.lastcut.core.formats.drill;

import dev.lastcut.core.geometry.Length;
import java.util.List;
import java.util.Optional;
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

    /** Every format the user can choose from, the usual ones first. */
    public static final List<DrillFormat> ALL =
            List.of(
                    METRIC,
                    new DrillFormat(true, 3, 3, true),
                    INCH,
                    new DrillFormat(false, 2, 4, true),
                    new DrillFormat(true, 4, 2, false),
                    new DrillFormat(true, 4, 2, true),
                    new DrillFormat(true, 3, 2, false),
                    new DrillFormat(true, 3, 2, true),
                    new DrillFormat(true, 4, 4, false),
                    new DrillFormat(true, 4, 4, true),
                    new DrillFormat(false, 2, 3, false),
                    new DrillFormat(false, 2, 3, true),
                    new DrillFormat(false, 2, 5, false),
                    new DrillFormat(false, 2, 5, true));

    /** The format with this {@link #words()}. */
    public static Optional<DrillFormat> named(String words) {
        return ALL.stream().filter(f -> f.words().equals(words)).findFirst();
    }

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
