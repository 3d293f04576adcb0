package dev.lastcut.server.desk;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskParts;
import dev.lastcut.server.orders.DeskParts.DeskLine;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What an engineer asks before a board is made: one question for each kind of thing found. */
final class Engineer {
    static final String AS_IT_IS = "Make it as it is";
    static final String WAIT = "Wait: I withdraw this order and send a new cut";
    private static final String LEAVE_OUT = "Leave it out";

    /** Whoever fits the parts cannot go on without an answer to these. */
    private static final Set<String> OF_PARTS = Set.of("part-not-listed", "part-not-placed");

    private Engineer() {}

    /**
     * @param parts what was made of the tables; null where no parts are fitted
     */
    static List<DeskQuestion> questions(List<Finding> findings, DeskParts parts) {
        boolean fitted = parts != null;
        Map<String, List<Finding>> byRule = new LinkedHashMap<>();
        for (Finding f : findings) {
            if (f.severity() == Severity.STOP || fitted && OF_PARTS.contains(f.rule())) {
                byRule.computeIfAbsent(f.rule(), k -> new ArrayList<>()).add(f);
            }
        }
        List<DeskQuestion> all = new ArrayList<>();
        byRule.forEach(
                (rule, found) -> {
                    String more =
                            found.size() == 1
                                    ? ""
                                    : " There are " + found.size() + " places like this.";
                    all.add(
                            new DeskQuestion(
                                    rule,
                                    found.get(0).message() + more,
                                    List.of(OF_PARTS.contains(rule) ? LEAVE_OUT : AS_IT_IS, WAIT),
                                    ""));
                });
        if (fitted) {
            list(parts).ifPresent(all::add);
        }
        return all;
    }

    /** About the kinds of the list that the house cannot simply fit. */
    private static Optional<DeskQuestion> list(DeskParts parts) {
        List<DeskLine> open =
                parts.lines().stream()
                        .filter(
                                l ->
                                        !l.state().equals(DeskLine.FOUND)
                                                && !l.state().equals(DeskLine.OTHER_PACKAGING))
                        .toList();
        if (open.isEmpty()) {
            return Optional.empty();
        }
        DeskLine first = open.get(0);
        String more =
                open.size() == 1 ? "" : " There are " + open.size() + " lines that it holds up.";
        return Optional.of(
                new DeskQuestion(
                        "parts-list",
                        Designators.fold(first.designators())
                                + ", "
                                + (first.value().isBlank() ? first.number() : first.value())
                                + ": "
                                + first.says()
                                + more,
                        List.of(LEAVE_OUT, WAIT),
                        ""));
    }
}
