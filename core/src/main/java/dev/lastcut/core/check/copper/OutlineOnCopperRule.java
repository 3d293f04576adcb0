package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PrintedOutline;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The board's outline on a copper layer: one finding for the whole line, in place of every stroke
 * of it too near to the edge.
 */
public final class OutlineOnCopperRule implements Rule {
    @Override
    public String id() {
        return "outline-on-copper";
    }

    @Override
    public String title() {
        return "Outline on copper";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline to compare with");
        }
        if (c.board().copper().isEmpty()) {
            return Outcome.notRun("the pack has no copper");
        }
        List<Finding> findings = new ArrayList<>();
        for (PrintedOutline p : PrintedOutline.of(c.geometry())) {
            Feature.Stroke first = (Feature.Stroke) p.nodes().get(0).feature();
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.LOOK)
                            .layers(c.copperId(p.layer()), "outline")
                            .at(first.path().middle())
                            .count(p.nodes().size(), 0, "lines")
                            .say(
                                    String.format(
                                            Locale.ROOT,
                                            "The board outline is drawn on this copper layer: %.1f mm"
                                                    + " of lines %.2f mm wide along %.0f %% of the edge. It"
                                                    + " becomes a sliver of copper that the router tears, and"
                                                    + " a mill cuts it free. Remove it at Touch up, or export"
                                                    + " the copper without it.",
                                            Length.toMm(p.lengthNm()),
                                            Length.toMm(first.roundWidth()),
                                            100 * p.share())));
        }
        return Outcome.of(findings);
    }
}
