package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.PlaceIndex;
import java.util.ArrayList;
import java.util.List;

/**
 * Through-hole pads without a hole. A pad is one when the netlist or the file says so; where
 * neither speaks of it, when a pad stands on both sides at the same place.
 */
public final class PadWithoutHoleRule implements Rule {
    @Override
    public String id() {
        return "pad-without-hole";
    }

    @Override
    public String title() {
        return "Through-hole pads without hole";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().holes().isEmpty() && c.board().copper().size() < 2) {
            return Outcome.notRun("the pack has no holes and copper on one side only");
        }
        PlaceIndex<Pads.Pad> top = new PlaceIndex<>(Pads.toleranceNm(c));
        Pads.on(c, Side.TOP).forEach(p -> top.put(p.at(), p));
        PlaceIndex<Finding> found = new PlaceIndex<>(Pads.toleranceNm(c));
        List<Finding> findings = new ArrayList<>();
        int asked = 0;
        for (Side side : Side.values()) {
            for (Pads.Pad pad : Pads.on(c, side)) {
                boolean both =
                        side == Side.BOTTOM
                                && top.hasAt(pad.at())
                                && pad.node().feature().attributes().function().isEmpty();
                if (!pad.throughHole() && !both) {
                    continue;
                }
                asked++;
                boolean hole = !c.geometry().holes().at(pad.at()).isEmpty();
                if (!hole && !found.hasAt(pad.at())) {
                    Finding f = finding(c, side, pad);
                    found.put(pad.at(), f);
                    findings.add(f);
                }
            }
        }
        return Outcome.of(findings, asked + " pads");
    }

    private Finding finding(CheckContext c, Side side, Pads.Pad pad) {
        return new FindingBuilder(id())
                .layers("copper-" + side.word(), "plated-holes")
                .at(pad.at())
                .count(0, 1, "holes")
                .severity(pad.throughHole() ? Severity.STOP : Severity.LOOK)
                .nets(List.of(c.netName(pad.node().net())))
                .parts(pad.parts())
                .say(
                        pad.words()
                                + (pad.throughHole()
                                        ? " is for a lead, but no hole goes through it."
                                        : " stands on both sides, but no hole goes through it.")
                                + " The drill file may be of another revision, or one is missing.");
    }
}
