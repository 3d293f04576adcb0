package dev.lastcut.core.check.outline;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.List;

/** Gaps in the outline. */
public final class OutlineOpenRule implements Rule {
    /** So small a gap is closed without asking. */
    private static final double CLOSED_NM = 50_000;

    @Override
    public String id() {
        return "outline-open";
    }

    @Override
    public String title() {
        return "Open board outline";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().outline().isEmpty()) {
            return Outcome.notRun("the pack has no outline file");
        }
        List<Finding> findings = new ArrayList<>();
        for (Outline.Gap gap : c.board().outline().get().gaps()) {
            findings.add(
                    new FindingBuilder(id())
                            .layers("outline")
                            .measure(new Measure(gap.from(), gap.to(), gap.nm()))
                            .severity(gap.nm() <= CLOSED_NM ? Severity.NOTE : Severity.STOP)
                            .say(
                                    gap.nm() <= CLOSED_NM
                                            ? "The outline has a gap of "
                                                    + Length.text(gap.nm())
                                                    + ". It was closed by a straight line."
                                            : "The outline has a gap of "
                                                    + Length.text(gap.nm())
                                                    + ". Shops refuse an open outline or close it by"
                                                    + " guesswork. Join the two ends in the layout."));
        }
        return Outcome.of(findings);
    }
}
