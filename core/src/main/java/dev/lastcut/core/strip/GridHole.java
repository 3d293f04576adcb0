package dev.lastcut.core.strip;

import java.util.Comparator;

/**
 * A hole of a strip board.
 *
 * @param strip counted from 0 at the top, seen from the part side
 * @param hole counted from 0 at the left
 */
public record GridHole(int strip, int hole) implements Comparable<GridHole> {
    private static final Comparator<GridHole> ORDER =
            Comparator.comparingInt(GridHole::strip).thenComparingInt(GridHole::hole);

    public GridHole plus(int strips, int holes) {
        return new GridHole(strip + strips, hole + holes);
    }

    /** The straight distance to another hole, in pitches. */
    public double distance(GridHole other) {
        return Math.hypot(strip - other.strip, hole - other.hole);
    }

    /** For people; counted from 0, as in the files. */
    public String describe() {
        return "strip " + strip + ", hole " + hole;
    }

    @Override
    public int compareTo(GridHole other) {
        return ORDER.compare(this, other);
    }
}
