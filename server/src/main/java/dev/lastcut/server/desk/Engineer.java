package dev.lastcut.server.desk;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
     * @param fitted whether parts are fitted too
     */
    static List<DeskQuestion> questions(List<Finding> findings, boolean fitted) {
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
        return all;
    }
}
