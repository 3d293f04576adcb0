package dev.lastcut.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;

/** Runs every rule that applies to a shop. */
public final class CheckRunner {
    private static final List<Rule> RULES =
            List.of(
                    new OutlineMissingRule(),
                    new OutlineOpenRule(),
                    new MisregisteredRule(),
                    new BoardSizeRule(),
                    new LayerCountRule(),
                    new TrackWidthRule(),
                    new ClearanceRule(),
                    new CopperToEdgeRule(),
                    new ShortRule(),
                    new OpenRule(),
                    new HoleSizeRule(),
                    new AnnularRingRule(),
                    new HoleSpacingRule(),
                    new MaskMissingRule(),
                    new SilkOnPadRule(),
                    new PartNotListedRule(),
                    new PartNotPlacedRule(),
                    new GapNotMillableRule());

    /** Told before each rule: how many are done, of how many, and the next one's title. */
    public interface Progress {
        void step(int done, int of, String title);
    }

    private CheckRunner() {}

    /**
     * @param cancelled asked between rules; when true, the rest is reported as not run
     */
    public static CheckRun run(CheckContext context, Progress progress, BooleanSupplier cancelled) {
        List<Rule> rules = RULES.stream().filter(r -> r.appliesTo(context.sheet())).toList();
        List<CheckRun.Result> results = new ArrayList<>();
        Map<String, Integer> seen = new HashMap<>();
        for (int i = 0; i < rules.size(); i++) {
            Rule rule = rules.get(i);
            progress.step(i, rules.size(), rule.title());
            Outcome outcome =
                    cancelled.getAsBoolean() ? Outcome.notRun("cancelled") : run(rule, context);
            results.add(new CheckRun.Result(rule.id(), rule.title(), distinct(outcome, seen)));
        }
        return new CheckRun(results);
    }

    public static CheckRun run(CheckContext context) {
        return run(context, (done, of, title) -> {}, () -> false);
    }

    /** A rule that breaks down says so; it has not passed, and the others still run. */
    private static Outcome run(Rule rule, CheckContext context) {
        try {
            return rule.run(context);
        } catch (RuntimeException e) {
            return Outcome.notRun("the check itself failed (" + e + "); please report this board");
        }
    }

    /** Findings of one rule in the same half millimetre get distinct ids, in a fixed order. */
    private static Outcome distinct(Outcome outcome, Map<String, Integer> seen) {
        List<Finding> findings = new ArrayList<>();
        for (Finding f : outcome.findings()) {
            int n = seen.merge(f.id(), 1, Integer::sum);
            findings.add(n == 1 ? f : f.withId(f.id() + "-" + n));
        }
        return new Outcome(outcome.status(), outcome.reason(), findings);
    }
}
