package dev.lastcut.core.current;

/**
 * Current against the cross-section of a conductor: I = k·ΔT^0.44·A^0.725 with A in square mils, k
 * = 0.048 on outer and 0.024 on inner layers (IPC-2221 §6.2, quoted from memory).
 */
public final class TrackCurrent {
    /** Thickness of copper of 1 oz/ft² as it is sold, nm (IPC-4562, from memory: 34.8 µm). */
    public static final double NM_PER_OZ = 35_000;

    /** Resistivity of copper at 20 °C, Ω·m (IEC 60028). */
    public static final double RHO_20 = 1.724e-8;

    /** Temperature coefficient of copper's resistance at 20 °C, 1/K (IEC 60028). */
    public static final double ALPHA_20 = 0.00393;

    private static final double NM2_PER_MIL2 = 25_400.0 * 25_400.0;

    private TrackCurrent() {}

    /** The cross-section a current needs, nm². */
    public static double area(double amps, double riseC, boolean outer) {
        double k = outer ? 0.048 : 0.024;
        double mil2 = Math.pow(amps / (k * Math.pow(riseC, 0.44)), 1 / 0.725);
        return mil2 * NM2_PER_MIL2;
    }

    /** The current a cross-section in nm² carries, A. */
    public static double amps(double areaNm2, double riseC, boolean outer) {
        double k = outer ? 0.048 : 0.024;
        return k * Math.pow(riseC, 0.44) * Math.pow(areaNm2 / NM2_PER_MIL2, 0.725);
    }

    /** The width a current needs in copper of a thickness; nm. */
    public static double width(double amps, double riseC, boolean outer, double thicknessNm) {
        return area(amps, riseC, outer) / thicknessNm;
    }

    /** How much a resistance at 20 °C grows with a rise from there. */
    public static double warm(double riseC) {
        return 1 + ALPHA_20 * riseC;
    }
}
