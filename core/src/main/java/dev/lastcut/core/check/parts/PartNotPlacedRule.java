package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.List;
import java.util.Optional;

/** Parts on the list to be fitted that are not placed. */
public final class PartNotPlacedRule implements Rule {
    @Override
    public String id() {
        return "part-not-placed";
    }

    @Override
    public String title() {
        return "On BOM but not placed";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Outcome> missing = Tables.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        List<Finding> findings =
                c.parts().stream()
                        .filter(p -> p.listed() && p.fitted() && p.placed().isEmpty())
                        .map(p -> finding(c, p))
                        .toList();
        return Outcome.of(findings);
    }

    /** The netlist often knows where the part's pads are though the placement does not. */
    private Finding finding(CheckContext c, Part p) {
        FindingBuilder b = new FindingBuilder(id());
        Tables.place(c, p.designator()).ifPresent(b::at);
        return b.severity(Severity.LOOK)
                .count(0, 1, "places")
                .layers("placement")
                .parts(List.of(p.designator()))
                .say(
                        p.designator()
                                + " is on the parts list but not in the placement, so no machine"
                                + " will fit it. Add it, or mark it as not fitted.");
    }
}
