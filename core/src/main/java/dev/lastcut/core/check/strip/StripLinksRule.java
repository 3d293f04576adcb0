package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.Wires;
import java.util.List;
import java.util.Map;

/**
 * {@code strip-links}: wires that touch other wires or leads of other nets on the part side. Bare
 * ones short them; slanted ones are insulated.
 */
public final class StripLinksRule extends StripRule {
    @Override
    public String id() {
        return "strip-links";
    }

    @Override
    public String title() {
        return "Link spacing";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        StripCopper copper = layout.copper();
        List<StripPlan.Link> links = layout.plan().links();
        Map<GridHole, List<StripCircuit.Pin>> leads = layout.plan().leads();
        for (int i = 0; i < links.size(); i++) {
            StripPlan.Link l = links.get(i);
            for (StripPlan.Link o : links.subList(i + 1, links.size())) {
                if (Wires.meet(l, o) && !sameGroup(copper, l.from(), o.from())) {
                    into.add(
                            found(layout, l, l.isStraight() && o.isStraight(), "link " + o.from())
                                    .say(
                                            "The links at %s and at %s touch. Insulate one of them, or move it."
                                                    .formatted(
                                                            l.from().describe(),
                                                            o.from().describe())));
                }
            }
            leads.forEach(
                    (hole, pins) -> {
                        boolean near =
                                !Wires.isEnd(l, hole.strip(), hole.hole())
                                        && Wires.distance(l, hole.strip(), hole.hole())
                                                < Wires.ROOM;
                        if (near && !sameGroup(copper, l.from(), hole)) {
                            into.add(
                                    found(layout, l, l.isStraight(), pins.get(0).describe())
                                            .say(
                                                    "The link from %s to %s touches %s. Insulate it, or move it."
                                                            .formatted(
                                                                    l.from().describe(),
                                                                    l.to().describe(),
                                                                    pins.get(0).describe())));
                        }
                    });
        }
    }

    private FindingBuilder found(StripLayout layout, StripPlan.Link l, boolean bare, String about) {
        return finding(bare ? Severity.STOP : Severity.LOOK, layout, l.from())
                .between(layout.at(l.from()), layout.at(l.to()))
                .about(about);
    }

    private static boolean sameGroup(StripCopper copper, GridHole a, GridHole b) {
        return copper.at(a)
                .flatMap(x -> copper.at(b).map(y -> x.group() == y.group()))
                .orElse(false);
    }
}
