package dev.lastcut.core.capability;

/**
 * A tool in the rack. Lengths in nm, feeds in mm per minute.
 *
 * @param tip width at the point of a V tool; 0 for others
 * @param angleDeg included angle of a V tool; 0 for others
 * @param diameter of flat tools and drills; the shank of a V tool
 * @param depthPerPass the most it may cut down at once
 */
public record Cutter(
        String id,
        String name,
        Kind kind,
        long tip,
        double angleDeg,
        long diameter,
        double feed,
        double plunge,
        int spindleRpm,
        long depthPerPass) {
    /** The sorts of tool. */
    public enum Kind {
        V,
        FLAT,
        DRILL
    }

    /**
     * Width of the cut at a depth. For V tools tip + 2·depth·tan(angle/2) (plane geometry), at most
     * the shank.
     */
    public double widthAt(double depthNm) {
        if (kind != Kind.V) {
            return diameter;
        }
        double width = tip + 2 * depthNm * Math.tan(Math.toRadians(angleDeg / 2));
        return diameter > 0 ? Math.min(width, diameter) : width;
    }
}
