package dev.lastcut.core.check.outline;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.List;

/** Gaps in the outline. */
public final class OutlineOpenRule implements Rule {
    @Override
    public String id() {
        return "outline-open";
    }

    @Override
    public String title() {
        return "Board outline closes";
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
                            .say(
                                    "The outline has a gap of "
                                            + Length.text(gap.nm())
                                            + ". Shops refuse an open outline or close it by"
                                            + " guesswork. Join the two ends in the layout."));
        }
        return Outcome.of(findings);
    }
}
