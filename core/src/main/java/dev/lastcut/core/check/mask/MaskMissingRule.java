package dev.lastcut.core.check.mask;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.connectivity.PieceIndex;
import java.util.ArrayList;
import java.util.List;

/** Pads that the solder mask covers. */
public final class MaskMissingRule implements Rule {
    @Override
    public String id() {
        return "mask-missing";
    }

    @Override
    public String title() {
        return "Missing mask opening";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Finding> findings = new ArrayList<>();
        List<String> without = new ArrayList<>();
        int sides = 0;
        for (Side side : Side.values()) {
            if (c.geometry().copperIndex(side) < 0) {
                continue;
            }
            sides++;
            if (c.board().layer(Role.Kind.MASK, side).isEmpty()) {
                without.add(side.word());
            } else {
                check(c, side, findings);
            }
        }
        if (sides == without.size()) {
            return Outcome.notRun("the pack has no mask file");
        }
        String remark = without.isEmpty() ? "" : "not checked: " + without + ", no mask file";
        return Outcome.of(findings, remark);
    }

    private void check(CheckContext c, Side side, List<Finding> findings) {
        Role mask = Role.of(Role.Kind.MASK, side);
        PieceIndex openings = c.geometry().index(mask);
        for (Pads.Pad pad : Pads.on(c, side)) {
            if (openings.at(pad.at()).isEmpty()) {
                findings.add(finding(c, side, mask, pad));
            }
        }
    }

    private Finding finding(CheckContext c, Side side, Role mask, Pads.Pad pad) {
        return new FindingBuilder(id())
                .layers(mask.id(), Role.of(Role.Kind.COPPER, side).id())
                .at(pad.at())
                .count(0, 1, "openings")
                .nets(List.of(c.netName(pad.node().net())))
                .parts(pad.parts())
                .say(
                        pad.words()
                                + " has no opening in the "
                                + side.word()
                                + " mask. It will be covered with lacquer and cannot be soldered."
                                + " Add the opening in the layout.");
    }
}
