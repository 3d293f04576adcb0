package dev.lastcut.core.check.paste;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Openings;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.stencil.Foil;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A ratio of each stencil opening against the foil's thickness. The limits are those of IPC-7525
 * (0.66 and 1.5, quoted from memory) where the sheet states no others. Openings of the same shape
 * are one finding.
 */
abstract class StencilRule implements Rule {
    private final LimitKey key;
    private final double standard;

    StencilRule(LimitKey key, double standard) {
        this.key = key;
        this.standard = standard;
    }

    /** The ratio of an opening in a foil of the given thickness, nm. */
    public abstract double ratio(Openings.Figures figures, double foilNm);

    /** What is wrong with an opening below the limit. */
    abstract String sentence(double ratio, double limit, String foil);

    @Override
    public Outcome run(CheckContext c) {
        CheckContext.Bounds bounds = c.boundsOr(key, standard);
        double foil = foilMm(c) * Length.NM_PER_MM;
        List<Finding> findings = new ArrayList<>();
        int count = 0;
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            Openings openings = PlannedPaste.on(c, side);
            Map<Object, List<Openings.Opening>> low = new LinkedHashMap<>();
            for (Openings.Opening o : openings.all()) {
                count++;
                double ratio = ratio(openings.figures(o), foil);
                if (bounds.isBeyond(ratio)) {
                    low.computeIfAbsent(Math.round(ratio * 1000), k -> new ArrayList<>()).add(o);
                }
            }
            low.values().forEach(o -> findings.add(finding(bounds, paste, openings, o, foil)));
        }
        return count == 0
                ? Outcome.notRun("the pack has no paste openings")
                : Outcome.of(findings, count + " openings, foil " + Length.text(foil));
    }

    /** The foil that is chosen, in mm: for the stencil, else with the order. */
    static double foilMm(CheckContext c) {
        return c.stencilPlan()
                .foilMm()
                .orElseGet(() -> c.number(OrderOption.FOIL).orElse(Foil.USUAL_MM));
    }

    private Finding finding(
            CheckContext.Bounds bounds,
            Role paste,
            Openings openings,
            List<Openings.Opening> same,
            double foil) {
        Openings.Figures figures = openings.figures(same.get(0));
        double ratio = ratio(figures, foil);
        Pt at = same.get(0).middle();
        // Figures are shared by openings of one shape; the way across is moved to this one.
        Pt shift = at.minus(figures.width().middle());
        return new FindingBuilder(id())
                .layers(paste.id())
                .at(at)
                .between(figures.width().from().plus(shift), figures.width().to().plus(shift))
                .alsoAt(same.stream().map(Openings.Opening::middle).toList())
                .ratio(ratio, bounds.withHeadroom())
                .severity(bounds.severity(ratio, Severity.LOOK))
                .say(
                        (same.size() == 1 ? "An opening" : same.size() + " openings")
                                + sentence(ratio, bounds.withHeadroom(), Length.text(foil)));
    }
}
