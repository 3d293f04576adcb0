package dev.lastcut.core.touch;

import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;

/**
 * A board with its touches done.
 *
 * @param read the board as its pack has it
 * @param geometry the board as it is made
 * @param outcomes of each touch, in the order of the list
 */
public record Touched(BoardGeometry read, BoardGeometry geometry, List<Outcome> outcomes) {
    /**
     * What came of one touch.
     *
     * @param done false when it is switched off, or could not be done
     * @param why what it did, or why it did not, in a sentence
     */
    public record Outcome(Step step, boolean done, String why, List<Pt> places) {
        public Outcome {
            places = List.copyOf(places);
        }
    }

    public Touched {
        outcomes = List.copyOf(outcomes);
    }

    /** A board that nothing is done to. */
    public static Touched none(BoardGeometry read) {
        return new Touched(read, read, List.of());
    }
}
