package dev.lastcut.core.check.parts;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.placement.OffPads;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Parts placed far from their pads, or otherwise to them than the others of their footprint. */
public final class PlacementOffPadsRule implements Rule {
    @Override
    public String id() {
        return "placement-off-pads";
    }

    @Override
    public String title() {
        return "Placement off the pads";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Outcome> missing = Placed.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        OffPads.Result r = OffPads.of(c.geometry(), Placed.fitted(c), c.partsPlan().turns());
        if (r.judged() == 0) {
            return Outcome.notRun("the netlist names no pins of the parts that are placed");
        }
        if (r.off().size() > 3 && r.off().size() * 2 > r.judged()) {
            return Outcome.of(List.of(all(r)));
        }
        List<Finding> findings = new ArrayList<>();
        r.off().forEach(o -> findings.add(finding(o)));
        return Outcome.of(findings);
    }

    private Finding all(OffPads.Result r) {
        return new FindingBuilder(id())
                .severity(Severity.STOP)
                .layers("placement")
                .say(
                        String.format(
                                Locale.ROOT,
                                "%d of %d parts are placed off their pads: the table has another"
                                        + " origin, unit or side than the pictures, or is of"
                                        + " another revision. Put the placement right at Bring in.",
                                r.off().size(),
                                r.judged()));
    }

    private Finding finding(OffPads.Off o) {
        String name = o.part().designator();
        return new FindingBuilder(id())
                .severity(Severity.LOOK)
                .at(o.part().placed().orElseThrow().at())
                .between(o.part().placed().orElseThrow().at(), o.should())
                .lengths(o.farNm(), 0)
                .layers("placement")
                .parts(List.of(name))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s is placed %s from where its pads are, held against %s: it"
                                        + " would be fitted beside them. Place it at %.4f, %.4f mm.",
                                name,
                                Length.text(o.farNm()),
                                o.heldAgainst(),
                                Length.toMm(o.should().x()),
                                Length.toMm(o.should().y())));
    }
}
