package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;

/**
 * Plated holes at a shop that cannot plate: the places where copper of several layers must be
 * joined by hand. One finding that lists them all.
 */
public final class PlatingUnsupportedRule implements Rule {
    @Override
    public String id() {
        return "plating-unsupported";
    }

    @Override
    public String title() {
        return "Holes that require plating";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.joinsByHand();
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Hole> holes = c.board().holes();
        if (holes.isEmpty()) {
            return Outcome.notRun("the pack has no holes");
        }
        List<Pt> byHand = new ArrayList<>();
        for (Hole h : holes) {
            if (h.plated()) {
                long layers =
                        c.geometry().nets().nodesAt(h).stream()
                                .map(id -> c.geometry().nets().nodes().get(id).layer())
                                .distinct()
                                .count();
                if (layers > 1) {
                    byHand.add(h.middle());
                }
            }
        }
        return byHand.isEmpty()
                ? Outcome.of(List.of(), "no hole joins two layers")
                : Outcome.of(List.of(finding(c, byHand)));
    }

    private Finding finding(CheckContext c, List<Pt> byHand) {
        return new FindingBuilder(id())
                .layers("plated-holes")
                .at(byHand.get(0))
                .alsoAt(byHand)
                .count(byHand.size(), 0, "joints by hand")
                .severity(Severity.LOOK)
                .say(
                        c.shopName()
                                + " cannot plate holes. At "
                                + byHand.size()
                                + " places both sides must be joined by hand: solder a wire or the"
                                + " part's lead on both sides.");
    }
}
