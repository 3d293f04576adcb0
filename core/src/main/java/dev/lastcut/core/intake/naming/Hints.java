package dev.lastcut.core.intake.naming;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.List;
import java.util.Optional;

/**
 * What words say together; empty where they say nothing or contradict each other.
 *
 * @param inner counted among the inner layers, as in "inner 2"; 0 for "inner" without a number
 * @param layer counted from the top, as in "layer 3"
 * @param drawing the word that says it is no picture of the board
 * @param holes true when a word says it is about holes
 * @param told the words that were understood, as they stand
 */
public record Hints(
        Optional<Role.Kind> kind,
        Optional<Side> side,
        Optional<Integer> inner,
        Optional<Integer> layer,
        Optional<String> drawing,
        boolean holes,
        Optional<Boolean> plated,
        Optional<Role.Kind> table,
        List<String> told) {
    public static final Hints NONE =
            new Hints(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    false,
                    Optional.empty(),
                    Optional.empty(),
                    List.of());

    public Hints {
        told = List.copyOf(told);
    }

    public boolean isNone() {
        return told.isEmpty();
    }

    /** The understood words, for people. */
    public String words() {
        return String.join(" ", told);
    }
}
