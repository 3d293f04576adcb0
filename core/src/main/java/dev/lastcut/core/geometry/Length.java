package dev.lastcut.core.geometry;

import java.util.Locale;

/**
 * Conversions between nanometres and the units people write. 1 in = 25.4 mm exactly (international
 * inch), so 1 mil = 25 400 nm exactly.
 */
public final class Length {
    public static final long NM_PER_MM = 1_000_000;
    public static final long NM_PER_INCH = 25_400_000;
    public static final long NM_PER_MIL = 25_400;

    private Length() {}

    /** Millimetres to nanometres, rounded to the nearest. */
    public static long mm(double mm) {
        return Math.round(mm * NM_PER_MM);
    }

    public static long inch(double inch) {
        return Math.round(inch * NM_PER_INCH);
    }

    public static long mil(double mil) {
        return Math.round(mil * NM_PER_MIL);
    }

    public static double toMm(double nm) {
        return nm / NM_PER_MM;
    }

    /** "0.150 mm": three decimals, for sentences. */
    public static String text(double nm) {
        return String.format(Locale.ROOT, "%.3f mm", toMm(nm));
    }

    /** A length in mm to a thousandth, without zeros at its end. */
    public static String shortMm(double mm) {
        return String.format(Locale.ROOT, "%.3f", mm).replaceAll("0+$", "").replaceAll("\\.$", "");
    }
}
