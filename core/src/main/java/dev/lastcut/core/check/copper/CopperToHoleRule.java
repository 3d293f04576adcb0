package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Copper too near to an unplated hole. A hole in a pad of its own is meant to be there: copper of
 * that pad's net is left out.
 */
public final class CopperToHoleRule implements Rule {
    @Override
    public String id() {
        return "copper-to-hole";
    }

    @Override
    public String title() {
        return "Copper-to-hole clearance";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.COPPER_TO_HOLE, Role.Kind.COPPER, Role.Kind.PLATED_HOLES);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.COPPER_TO_HOLE);
        }
        List<Hole> holes = c.board().holes().stream().filter(h -> !h.plated()).toList();
        if (holes.isEmpty()) {
            return Outcome.notRun("the pack has no unplated holes");
        }
        List<Finding> findings = new ArrayList<>();
        for (Hole h : holes) {
            for (int layer = 0; layer < c.board().copper().size(); layer++) {
                if (h.span().passes(layer)) {
                    nearest(c, h, layer, bounds.get()).ifPresent(findings::add);
                }
            }
        }
        return Outcome.of(findings, holes.size() + " holes");
    }

    /** One finding a hole and layer, at the narrowest place. */
    private Optional<Finding> nearest(
            CheckContext c, Hole h, int layer, CheckContext.Bounds bounds) {
        CopperNets nets = c.geometry().nets();
        double limit = bounds.reachNm();
        Set<Integer> own = new HashSet<>();
        nets.at(layer, h.middle()).forEach(n -> own.add(n.net()));
        CopperNode nearest = null;
        double gap = limit;
        for (CopperNode n : nets.near(layer, Geo.expanded(HoleIndex.box(h), limit))) {
            if (!own.contains(n.net())) {
                double d = nets.contact().gap(n.piece(), h, gap);
                if (d < gap) {
                    gap = d;
                    nearest = n;
                }
            }
        }
        if (nearest == null) {
            return Optional.empty();
        }
        var wall = h.shape(c.geometry().flattener());
        var window = Geo.expanded(wall.getEnvelopeInternal(), 2 * limit);
        var copper = Geo.clip(nearest.polygon(), window);
        Measure m = Distances.between(copper, wall);
        if (m.nm() <= 0) {
            // The hole bites into the copper: by how much, as a gap below nothing.
            Measure bite = Distances.between(copper, h.core());
            gap = bite.nm() - h.diameter() / 2.0;
            m = bite;
        }
        String net = c.netName(nearest.net());
        return Optional.of(
                new FindingBuilder(id())
                        .layers(c.copperId(layer), "unplated-holes")
                        .measure(new Measure(m.from(), m.to(), gap))
                        .limitNm(bounds.withHeadroomNm())
                        .severity(bounds.severity(gap, Severity.STOP))
                        .nets(List.of(net))
                        .say(
                                "Copper of "
                                        + net
                                        + (gap < 0
                                                ? " is cut into by " + Length.text(-gap) + " by an"
                                                : " comes within " + Length.text(gap) + " of an")
                                        + " unplated "
                                        + Length.text(h.diameter())
                                        + " hole; the limit is "
                                        + Length.text(bounds.withHeadroomNm())
                                        + ". The drill may tear it, or a screw may touch it. Pull it"
                                        + " back."));
    }
}
