package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/** What the witnesses said of each file: words, and a weight in bits for every role. */
final class Testimony {
    /** Weights below this are not worth a word to the user. */
    private static final double WORTH_SAYING = 0.4;

    /**
     * @param weight bits for (or, negative, against) a role
     */
    record Statement(String words, ToDoubleFunction<Role> weight) {}

    private final Map<String, List<Statement>> statements = new HashMap<>();

    void say(String path, String words, ToDoubleFunction<Role> weight) {
        statements.computeIfAbsent(path, k -> new ArrayList<>()).add(new Statement(words, weight));
    }

    /** All that speaks for a role, less what speaks against it. */
    double weight(String path, Role role) {
        double sum = 0;
        for (Statement s : statements.getOrDefault(path, List.of())) {
            sum += s.weight.applyAsDouble(role);
        }
        return sum;
    }

    List<String> speaksFor(String path, Role role) {
        return words(path, role, 1);
    }

    List<String> speaksAgainst(String path, Role role) {
        return words(path, role, -1);
    }

    private List<String> words(String path, Role role, int sign) {
        return statements.getOrDefault(path, List.of()).stream()
                .filter(s -> sign * s.weight.applyAsDouble(role) > WORTH_SAYING)
                .sorted(Comparator.comparingDouble(s -> -sign * s.weight.applyAsDouble(role)))
                .map(Statement::words)
                .distinct()
                .toList();
    }

    /** A weight for the roles of a side, its opposite for those of the other. */
    static ToDoubleFunction<Role> side(Side side, double weight) {
        return r -> r.side().map(s -> s == side ? weight : -weight).orElse(0.0);
    }
}
