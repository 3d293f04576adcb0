package dev.lastcut.core.check;

import java.util.List;

/** The outcome of every rule, in the order of the rules. */
public record CheckRun(List<Result> results) {
    /** One rule's outcome. */
    public record Result(String rule, String title, Outcome outcome) {}

    public CheckRun {
        results = List.copyOf(results);
    }

    /** All findings, the most severe first, then by rule order. */
    public List<Finding> findings() {
        return results.stream()
                .flatMap(r -> r.outcome().findings().stream())
                .sorted(java.util.Comparator.comparing(Finding::severity))
                .toList();
    }
}
