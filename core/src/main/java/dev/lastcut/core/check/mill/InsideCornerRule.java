package dev.lastcut.core.check.mill;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.milling.ContourOperations;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Inside corners of the outline and its cut-outs that the contour cutter leaves rounded. */
public final class InsideCornerRule implements Rule {
    @Override
    public String id() {
        return "inside-corner";
    }

    @Override
    public String title() {
        return "Inside corners of the outline";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.isMill();
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Cutter> cutter = c.mill().orElseThrow().contourCutter();
        if (cutter.isEmpty()) {
            return Outcome.notRun("the rack has no flat end mill that goes through the stock");
        }
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("the pack has no closed outline");
        }
        List<Finding> findings = new ArrayList<>();
        for (Measure m : ContourOperations.roundedCorners(c.geometry(), cutter.get().diameter())) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.LOOK)
                            .layers("outline")
                            .measure(m)
                            .say(
                                    "A cutter of "
                                            + Length.text(cutter.get().diameter())
                                            + " leaves this inside corner rounded: "
                                            + Length.text(m.nm())
                                            + " of stock stay in it. Round it in the drawing, or"
                                            + " file it by hand."));
        }
        return Outcome.of(findings);
    }
}
