package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PartPins;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Parts said to stand on one side, whose pads are on the other. */
public final class SideConflictRule implements Rule {
    @Override
    public String id() {
        return "side-conflict";
    }

    @Override
    public String title() {
        return "Placement side";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Outcome> missing = Placed.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        PartPins pins = PartPins.of(c.geometry());
        List<Finding> findings = new ArrayList<>();
        int judged = 0;
        for (Part p : Placed.fitted(c)) {
            PlacedPart at = p.placed().orElseThrow();
            Optional<Side> pads = pins.side(p.designator());
            judged += pads.isPresent() ? 1 : 0;
            if (pads.isPresent() && pads.get() != at.side()) {
                findings.add(
                        new FindingBuilder(id())
                                .severity(Severity.STOP)
                                .at(at.at())
                                .layers("placement")
                                .parts(List.of(p.designator()))
                                .say(
                                        p.designator()
                                                + " is placed on the "
                                                + at.side().word()
                                                + ", but its pads are on the "
                                                + pads.get().word()
                                                + ": it would be fitted where nothing holds it."
                                                + " Say "
                                                + pads.get().word()
                                                + " in the placement."));
            }
        }
        return judged == 0
                ? Outcome.notRun("no part has its pads on one side only")
                : Outcome.of(findings);
    }
}
