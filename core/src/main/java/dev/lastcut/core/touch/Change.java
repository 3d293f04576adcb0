package dev.lastcut.core.touch;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Locale;

/**
 * What a touch made of a board.
 *
 * @param says what it did, and what it could not, in a sentence without its full stop
 * @param places where
 */
public record Change(Board board, String says, List<Pt> places) {
    /** So many places of one touch are told; a finding keeps as many. */
    private static final int MOST_PLACES = 500;

    public Change {
        places = places.stream().limit(MOST_PLACES).toList();
    }

    /** "1 ring", "3 rings". */
    public static String count(int n, String one) {
        return n + " " + one + (n == 1 ? "" : one.endsWith("s") ? "es" : "s");
    }

    /** Clauses as one sentence, which begins with a capital. */
    public static String sentence(List<String> clauses) {
        String s = String.join("; ", clauses);
        return Character.toUpperCase(s.charAt(0)) + s.substring(1);
    }

    /** "12.345 mm²". */
    public static String area(double nm2) {
        return String.format(Locale.ROOT, "%.3f mm²", nm2 / 1e12);
    }
}
