package dev.lastcut.core.check;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.milling.Isolation;
import dev.lastcut.core.milling.MillingPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Gaps between nets that the isolation cutter cannot enter, so that the nets stay joined. */
final class GapNotMillableRule implements Rule {
    @Override
    public String id() {
        return "gap-not-millable";
    }

    @Override
    public String title() {
        return "Gaps the cutter can enter";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.isMill();
    }

    @Override
    public Outcome run(CheckContext c) {
        Mill mill = c.mill().orElseThrow();
        if (mill.isolationCutter().isEmpty()) {
            return Outcome.notRun("the rack has no V tool to isolate with");
        }
        List<Finding> findings = new ArrayList<>();
        boolean any = false;
        for (Side side : Side.values()) {
            Optional<Isolation> isolation = MillingPlan.isolation(c.geometry(), mill, side);
            any |= isolation.isPresent();
            isolation.ifPresent(i -> report(c, side, i, findings));
        }
        return any ? Outcome.of(findings) : Outcome.notRun("the pack has no outer copper layer");
    }

    private void report(CheckContext c, Side side, Isolation isolation, List<Finding> findings) {
        for (Isolation.Bridge bridge : isolation.bridges()) {
            String a = c.netName(bridge.netA());
            String b = c.netName(bridge.netB());
            double gap = bridge.place().narrowest().nm();
            findings.add(
                    new FindingBuilder(id())
                            .layers("copper-" + side.word())
                            .measure(bridge.place().narrowest())
                            .limitNm(isolation.width())
                            .nets(List.of(a, b))
                            .say(
                                    "The gap between "
                                            + a
                                            + " and "
                                            + b
                                            + " is "
                                            + Length.text(gap)
                                            + ", but "
                                            + isolation.cutter().name()
                                            + " cuts "
                                            + Length.text(isolation.width())
                                            + " wide: the two stay joined here. Use a finer cutter,"
                                            + " cut less deep, or widen the gap."));
        }
    }
}
