package dev.lastcut.core.check.order;

import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Filled areas of copper on a board that is ordered to be seen through. */
public final class PourOnTransparentRule implements Rule {
    /** Smaller areas are pads and lettering, nm². */
    private static final double LEAST_NM2 = 25e12;

    @Override
    public String id() {
        return "pour-on-transparent";
    }

    @Override
    public String title() {
        return "Pours on a transparent board";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<String> material = c.word(OrderOption.MATERIAL);
        if (material.filter(m -> m.toLowerCase(Locale.ROOT).contains("transparent")).isEmpty()) {
            return Outcome.notRun("the board is not ordered on a transparent material");
        }
        List<Pt> pours = new ArrayList<>();
        double covered = 0;
        for (CopperNode n : c.geometry().nets().nodes()) {
            if (n.isArea() && n.polygon().getArea() > LEAST_NM2) {
                pours.add(Pt.of(n.polygon().getInteriorPoint().getCoordinate()));
                covered += n.polygon().getArea();
            }
        }
        if (pours.isEmpty()) {
            return Outcome.of(List.of());
        }
        return Outcome.of(
                List.of(
                        new FindingBuilder(id())
                                .severity(Severity.NOTE)
                                .at(pours.get(0))
                                .alsoAt(pours)
                                .say(
                                        String.format(
                                                Locale.ROOT,
                                                "%d filled areas of copper, %.1f cm² in all, on %s:"
                                                        + " where they are the board cannot be seen"
                                                        + " through. Hatch them or leave them out"
                                                        + " if that matters.",
                                                pours.size(),
                                                covered / 1e14,
                                                material.get()))));
    }
}
