package dev.lastcut.core.check;

import java.util.Comparator;
import java.util.List;

/** The outcome of every rule, in the order of the rules. */
public record CheckRun(List<Result> results) {
    /**
     * One rule's outcome.
     *
     * @param computed false when an earlier outcome still held, as nothing it depends on changed
     */
    public record Result(String rule, String title, Outcome outcome, boolean computed) {}

    public CheckRun {
        results = List.copyOf(results);
    }

    /** All findings, the most severe first, then by rule order. */
    public List<Finding> findings() {
        return results.stream()
                .flatMap(r -> r.outcome().findings().stream())
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
    }

    public long count(Severity severity) {
        return findings().stream().filter(f -> f.severity() == severity).count();
    }
}
