package dev.lastcut.core.check;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The latest outcomes of each rule on one board, with what the rule had asked of sheet, headroom,
 * order and currents. An outcome serves again wherever all these questions have the same answers.
 */
public final class CheckMemory {
    /** As many as there are sheets to hold side by side, and then some. */
    private static final int KEPT = 12;

    private record Kept(List<CheckContext.Dependency> asked, Outcome outcome) {}

    private final Map<String, Deque<Kept>> kept = new HashMap<>();

    public synchronized Optional<Outcome> find(String rule, CheckContext context) {
        return kept.getOrDefault(rule, new ArrayDeque<>()).stream()
                .filter(k -> k.asked.stream().allMatch(a -> a.sameIn(context)))
                .map(Kept::outcome)
                .findFirst();
    }

    public synchronized void keep(String rule, CheckContext context, Outcome outcome) {
        Deque<Kept> all = kept.computeIfAbsent(rule, k -> new ArrayDeque<>());
        all.addFirst(new Kept(context.asked(), outcome));
        if (all.size() > KEPT) {
            all.removeLast();
        }
    }
}
