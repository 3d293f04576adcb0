package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;

/** What lies about a part, by which two parts of one footprint can be held against each other. */
@FunctionalInterface
public interface Look {
    /**
     * How alike two parts are when each is turned back by an angle, 0 to 1; NaN where that cannot
     * be judged. Angles count counter-clockwise from the top, degrees.
     */
    double likeness(PlacedPart a, double angleA, PlacedPart b, double angleB);

    /** Where a place of an unturned top part comes to lie at a part that is turned by an angle. */
    static Pt placed(Pt local, PlacedPart part, double angle) {
        Pt v = part.side() == Side.BOTTOM ? new Pt(-local.x(), local.y()) : local;
        return part.at().plus(new Orientation(false, angle, 1).apply(v));
    }

    /** The same backwards: a vector from the part's middle to that of an unturned top part. */
    static Pt back(Pt vector, PlacedPart part, double angle) {
        Pt v = new Orientation(false, -angle, 1).apply(vector);
        return part.side() == Side.BOTTOM ? new Pt(-v.x(), v.y()) : v;
    }
}
