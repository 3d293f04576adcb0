package dev.lastcut.core.strip;

import java.util.List;

/**
 * How the leads of a part reach the holes of a board, and how much room its body takes. Lengths in
 * mm.
 *
 * @param name of the package, such as "DIP-8"
 * @param kind how its leads may be bent
 * @param feet where the leads stand, in pitches from the first one, in the order of the pin
 *     numbers, unrotated; for two bendable leads only their number matters
 * @param leastSpan the least distance of two bendable leads, in pitches
 * @param mostSpan the greatest distance of two bendable leads, in pitches
 * @param body the box about the body, unrotated, from the first lead; for bendable leads about the
 *     middle between them, its length along the line of the leads
 * @param heightMm above the board; what is lower is soldered first
 * @param standing whether it may also stand upright over its first hole
 */
public record LeadForm(
        String name,
        Kind kind,
        List<GridHole> feet,
        int leastSpan,
        int mostSpan,
        Box body,
        double heightMm,
        boolean standing) {
    /** How the leads of a part may be bent. */
    public enum Kind {
        /** Two leads at the ends of a body that lies between them. */
        AXIAL,
        /** Two leads under a body. */
        RADIAL,
        /** Leads that stay where they are. */
        FIXED
    }

    /** A box in mm; x along a strip, y downwards across the strips. */
    public record Box(double minX, double minY, double maxX, double maxY) {
        static Box about(double length, double width) {
            return new Box(-length / 2, -width / 2, length / 2, width / 2);
        }
    }

    public LeadForm {
        feet = List.copyOf(feet);
    }

    /** Two leads at the ends of a body. */
    static LeadForm axial(String name, double length, double diameter, int leastSpan) {
        int most = leastSpan + MOST_STRETCH;
        return new LeadForm(
                name,
                Kind.AXIAL,
                List.of(new GridHole(0, 0), new GridHole(0, leastSpan)),
                leastSpan,
                most,
                Box.about(length, diameter),
                diameter,
                true);
    }

    /** How much further than needed the leads of an axial part are bent apart, pitches. */
    private static final int MOST_STRETCH = 8;

    /** Two leads under a body, which may be splayed by one pitch. */
    static LeadForm radial(String name, double length, double width, double height, int span) {
        return new LeadForm(
                name,
                Kind.RADIAL,
                List.of(new GridHole(0, 0), new GridHole(0, span)),
                span,
                span + 1,
                Box.about(length, width),
                height,
                false);
    }

    static LeadForm fixed(String name, List<GridHole> feet, Box body, double height) {
        return new LeadForm(name, Kind.FIXED, feet, 0, 0, body, height, false);
    }

    public boolean isBendable() {
        return kind != Kind.FIXED;
    }

    public int leads() {
        return feet.size();
    }
}
