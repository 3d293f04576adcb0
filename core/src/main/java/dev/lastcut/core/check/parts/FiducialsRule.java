package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.placement.Fiducials;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Marks that the shop's machines find each side with parts by. */
public final class FiducialsRule implements Rule {
    @Override
    public String id() {
        return "fiducials";
    }

    @Override
    public String title() {
        return "Fiducials";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Assembly> assembly = c.assembly();
        int wanted = assembly.map(a -> a.line().fiducials()).orElse(0);
        if (wanted == 0) {
            return Outcome.notRun("the sheet of " + c.shopName() + " asks for no fiducials");
        }
        Assignments who = c.assignments();
        if (!who.isOrdered()) {
            return Outcome.notRun(Assignments.NOT_ORDERED);
        }
        List<Part> parts = PlacementTable.fitted(who.house());
        List<Finding> findings = new ArrayList<>();
        int sides = 0;
        for (Side side : Side.values()) {
            if (parts.stream().noneMatch(p -> p.placed().orElseThrow().side() == side)) {
                continue;
            }
            sides++;
            int has = Fiducials.on(c.geometry(), side).size();
            if (has < wanted) {
                findings.add(finding(side, has, wanted, c.shopName()));
            }
        }
        return sides == 0
                ? Outcome.notRun("no part is placed by the shop")
                : Outcome.of(findings, wanted + " asked for on each side with parts");
    }

    private Finding finding(Side side, int has, int wanted, String shop) {
        return new FindingBuilder(id())
                .severity(Severity.NOTE)
                .about(side.word())
                .count(has, wanted, "marks")
                .layers("copper-" + side.word())
                .say(
                        String.format(
                                Locale.ROOT,
                                "The %s has %d of the %d fiducials that %s asks for: round pads of"
                                        + " 1 mm in a wider mask opening. Add them, or rails that"
                                        + " carry them.",
                                side.word(),
                                has,
                                wanted,
                                shop));
    }
}
