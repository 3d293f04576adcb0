package dev.lastcut.core.check.parts;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.List;
import java.util.Optional;

/** Parts that are placed but not on the parts list. */
public final class PartNotListedRule implements Rule {
    @Override
    public String id() {
        return "part-not-listed";
    }

    @Override
    public String title() {
        return "Placed but not on BOM";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Outcome> missing = Tables.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        List<Finding> findings =
                c.parts().stream()
                        .filter(p -> !p.listed() && p.fitted())
                        .flatMap(p -> p.placed().stream())
                        .map(this::finding)
                        .toList();
        return Outcome.of(findings);
    }

    private Finding finding(PlacedPart p) {
        return new FindingBuilder(id())
                .severity(Severity.LOOK)
                .at(p.at())
                .count(0, 1, "lines")
                .layers("placement")
                .parts(List.of(p.designator()))
                .say(
                        p.designator()
                                + " is placed here but not on the parts list, so nobody will buy"
                                + " it. Add it to the list, or take it out of the placement.");
    }
}
