package dev.lastcut.demo;

import dev.lastcut.core.geometry.Length;
import java.util.Locale;

/**
 * How a layout program of the demo writes its files.
 *
 * @param metric mm 4.6 with attributes and macros; otherwise inch 2.4 without either
 * @param originX and {@code originY}: where the board's corner lies in the files, nm
 */
record Dialect(boolean metric, long originX, long originY) {
    String ordinate(long nm) {
        if (metric) {
            return String.valueOf(nm);
        }
        return String.valueOf(Math.round(nm / 2540.0));
    }

    String size(double nm) {
        double value = metric ? nm / Length.NM_PER_MM : nm / Length.NM_PER_INCH;
        return String.format(Locale.ROOT, metric ? "%.4f" : "%.5f", value);
    }
}
