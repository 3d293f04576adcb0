package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.EdgeFeatures;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;

/**
 * Plated holes that meet no copper: on neither end of their span, or on one of them only. Copper on
 * the layers between does not hold a barrel.
 */
public final class HoleWithoutPadRule implements Rule {
    @Override
    public String id() {
        return "hole-without-pad";
    }

    @Override
    public String title() {
        return "Plated holes without pad";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Hole> holes = c.board().holes();
        if (holes.stream().noneMatch(Hole::plated)) {
            return Outcome.notRun("the pack has no plated holes");
        }
        int layers = c.board().copper().size();
        if (layers == 0) {
            return Outcome.notRun("the pack has no copper");
        }
        Geometry edge = c.geometry().boardArea().getBoundary();
        List<Finding> findings = new ArrayList<>();
        for (Hole h : holes) {
            int first = h.span().isThrough() ? 0 : h.span().first() - 1;
            int last = h.span().isThrough() ? layers - 1 : Math.min(layers, h.span().last()) - 1;
            if (h.plated() && first <= last && !EdgeFeatures.isCastellation(h, edge)) {
                boolean above = meets(c.geometry().nets(), first, h);
                boolean below = meets(c.geometry().nets(), last, h);
                if (!above || !below) {
                    findings.add(finding(c, h, above ? last : first, above || below));
                }
            }
        }
        return Outcome.of(findings);
    }

    private static boolean meets(CopperNets nets, int layer, Hole h) {
        for (CopperNode n : nets.near(layer, HoleIndex.box(h))) {
            if (nets.contact().touch(n.piece(), h)) {
                return true;
            }
        }
        return false;
    }

    private Finding finding(CheckContext c, Hole h, int layer, boolean oneSide) {
        return new FindingBuilder(id())
                .layers(c.copperId(layer), "plated-holes")
                .at(h.middle())
                .count(oneSide ? 1 : 0, 2, "pads")
                .severity(oneSide ? Severity.LOOK : Severity.STOP)
                .say(
                        "A plated hole of "
                                + Length.text(h.diameter())
                                + (oneSide
                                        ? " has no copper on the "
                                                + c.board().copper().get(layer).role().words()
                                                + "."
                                        : " has no copper on either side.")
                                + " Its plating may tear out, or the hole is meant to be unplated."
                                + " Add the pad or change the hole.");
    }
}
