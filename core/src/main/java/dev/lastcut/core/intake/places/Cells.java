package dev.lastcut.core.intake.places;

import dev.lastcut.core.geometry.Pt;
import java.util.function.Predicate;

/** Places on a grid of 50 µm, so that those that nearly meet are found without comparing all. */
public final class Cells {
    private static final double CELL_NM = 50_000;

    private Cells() {}

    static Pt of(Pt p) {
        return new Pt(Math.round(p.x() / CELL_NM), Math.round(p.y() / CELL_NM));
    }

    /** The middle of a cell, nm. */
    static Pt middle(Pt cell) {
        return new Pt(Math.round(cell.x() * CELL_NM), Math.round(cell.y() * CELL_NM));
    }

    /** Whether the cell of a place or one next to it passes. */
    static boolean anyAround(Pt p, Predicate<Pt> test) {
        Pt c = of(p);
        for (long x = c.x() - 1; x <= c.x() + 1; x++) {
            for (long y = c.y() - 1; y <= c.y() + 1; y++) {
                if (test.test(new Pt(x, y))) {
                    return true;
                }
            }
        }
        return false;
    }
}
