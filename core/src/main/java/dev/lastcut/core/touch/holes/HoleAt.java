package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.List;

/** Finds the hole that is meant by a place. */
final class HoleAt {
    /** A place may be this far off the middle of a small hole. */
    private static final double NEAR_NM = 250_000;

    private HoleAt() {}

    /**
     * @return its index among the board's holes
     * @throws NotDone when there is none there
     */
    static int of(Work work, Pt at) throws NotDone {
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        List<Hole> holes = work.board().holes();
        for (int i = 0; i < holes.size(); i++) {
            Hole h = holes.get(i);
            double d = h.middle().distance(at);
            if (d <= Math.max(NEAR_NM, h.diameter() / 2.0) && d < least) {
                best = i;
                least = d;
            }
        }
        if (best < 0) {
            throw new NotDone("There is no hole at " + Work.place(at), at);
        }
        return best;
    }

    /** The board's holes with one of them changed. */
    static List<Hole> changed(Work work, int index, Hole now) {
        List<Hole> all = new ArrayList<>(work.board().holes());
        all.set(index, now);
        return all;
    }

    static String mm(double nm) {
        return Length.shortMm(Length.toMm(nm)) + " mm";
    }
}
