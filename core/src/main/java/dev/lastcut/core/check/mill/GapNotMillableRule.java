package dev.lastcut.core.check.mill;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.milling.Isolation;
import dev.lastcut.core.milling.Joined;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Gaps between nets that the isolation cutter cannot enter, so that the nets stay joined. */
public final class GapNotMillableRule implements Rule {
    @Override
    public String id() {
        return "gap-not-millable";
    }

    @Override
    public String title() {
        return "Clearance for the cutter";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.isMill();
    }

    @Override
    public Outcome run(CheckContext c) {
        Mill mill = c.mill().orElseThrow();
        MillSetup setup = c.setup();
        List<Finding> findings = new ArrayList<>();
        boolean any = false;
        for (Side side : MillingPlan.sides(c.geometry(), setup)) {
            Optional<Isolation> plan = MillingPlan.isolation(c.geometry(), mill, setup, side);
            any |= plan.isPresent();
            plan.ifPresent(i -> i.joined().forEach(j -> findings.add(finding(c, side, i, j))));
        }
        if (mill.isolationTools().isEmpty()) {
            return Outcome.notRun("the rack has no tool to isolate with");
        }
        return any ? Outcome.of(findings) : Outcome.notRun("the pack has no outer copper layer");
    }

    private Finding finding(CheckContext c, Side side, Isolation isolation, Joined j) {
        String a = c.netName(j.netA());
        String b = c.netName(j.netB());
        return new FindingBuilder(id())
                .layers("copper-" + side.word())
                .measure(j.gap())
                .limitNm(isolation.finestWidth())
                .nets(List.of(a, b))
                .say(
                        "The gap between "
                                + a
                                + " and "
                                + b
                                + " is "
                                + Length.text(j.gap().nm())
                                + ", but "
                                + isolation.finest().name()
                                + " cuts "
                                + Length.text(isolation.finestWidth())
                                + " wide: the two stay joined here. Use a finer cutter,"
                                + " cut less deep, or widen the gap.");
    }
}
