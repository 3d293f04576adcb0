package dev.lastcut.core.check.mill;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.milling.CutterChoice;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Copper that pads lose to the cutter, where the set-up allows a nick. */
public final class PadNickedRule implements Rule {
    @Override
    public String id() {
        return "pad-nicked";
    }

    @Override
    public String title() {
        return "Pads cut by the mill";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.isMill();
    }

    @Override
    public Outcome run(CheckContext c) {
        Mill mill = c.mill().orElseThrow();
        if (mill.isolationTools().isEmpty()) {
            return Outcome.notRun("the rack has no tool to isolate with");
        }
        if (c.setup().nick() == 0) {
            return Outcome.of(List.of(), "no nick is allowed, so no pad loses copper");
        }
        List<Finding> findings = new ArrayList<>();
        for (CutterChoice.NickedPad p : CutterChoice.of(c.geometry(), mill, c.setup()).nicked()) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.LOOK)
                            .layers("copper-" + p.side().word())
                            .at(p.at())
                            .nets(List.of(c.netName(p.net())))
                            .count((int) Math.ceil(100 * p.share()), 0, "% of the pad")
                            .say(
                                    String.format(
                                            Locale.ROOT,
                                            "The pad of %s loses %.4f mm² to the cutter, %.1f %% of"
                                                    + " it. Use a finer cutter or allow no nick.",
                                            c.netName(p.net()),
                                            p.lostMm2(),
                                            100 * p.share())));
        }
        return Outcome.of(findings);
    }
}
