package dev.lastcut.core.capability;

/**
 * A tool in the rack. Lengths in nm, feeds in mm per minute.
 *
 * @param tip width at the point of a V tool; 0 for others
 * @param angleDeg included angle of a V tool; 0 for others
 * @param diameter of flat tools and drills; the shank of a V tool, 0 when not stated
 * @param flute the deepest it can cut; 0 when not stated
 * @param depthPerPass the most it may cut down at once
 */
public record Cutter(
        String id,
        String name,
        Kind kind,
        long tip,
        double angleDeg,
        long diameter,
        long flute,
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

    public Cutter {
        if (id == null || !id.matches("[A-Za-z0-9][A-Za-z0-9._-]{0,40}")) {
            throw new IllegalArgumentException(
                    "a tool's id has letters, digits, dots and hyphens, not '" + id + "'");
        }
        if (name == null || name.isBlank() || name.length() > 80) {
            throw new IllegalArgumentException("tool " + id + " needs a name of 1 to 80 letters");
        }
        if (!(feed > 0) || !(plunge > 0) || depthPerPass <= 0 || spindleRpm < 0) {
            throw new IllegalArgumentException(
                    "feed, plunge and depth per pass of " + id + " must be above 0");
        }
        if (diameter < 0 || (diameter == 0 && kind != Kind.V) || flute < 0) {
            throw new IllegalArgumentException("the diameter of " + id + " must be above 0");
        }
        if (kind == Kind.V && (tip < 0 || !(angleDeg > 0 && angleDeg < 180))) {
            throw new IllegalArgumentException(
                    "V tool " + id + " needs an angle from 0 to 180 degrees and a tip from 0");
        }
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

    /** Whether it may be moved sideways in the stock. */
    public boolean isMill() {
        return kind != Kind.DRILL;
    }

    /** Whether its flute is long enough to cut so deep. */
    public boolean reaches(double depthNm) {
        return flute == 0 || depthNm <= flute;
    }
}
