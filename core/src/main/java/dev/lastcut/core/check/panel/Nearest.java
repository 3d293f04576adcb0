package dev.lastcut.core.check.panel;

import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.panel.PlacedBoard;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What comes nearest to a break on each of several like boards, and on which of them most. */
final class Nearest {
    private final Map<Integer, Measure> boards = new TreeMap<>();
    private Measure least;
    private PlacedBoard board;
    private boolean score;

    void add(Breaks.Place place, PlacedBoard on, Measure m) {
        boards.merge(on.number(), m, (x, y) -> x.nm() <= y.nm() ? x : y);
        if (least == null || m.nm() < least.nm()) {
            least = m;
            board = on;
            score = place.isScore();
        }
    }

    Measure least() {
        return least;
    }

    /** Where the least is. */
    PlacedBoard board() {
        return board;
    }

    /** Whether the least is to a score, not to a tab. */
    boolean isToScore() {
        return score;
    }

    /** That of every board. */
    List<Measure> all() {
        return new ArrayList<>(boards.values());
    }

    /** " The same on 4 boards.", or nothing for one. */
    String sameOn() {
        return boards.size() > 1 ? " The same on " + boards.size() + " boards." : "";
    }
}
