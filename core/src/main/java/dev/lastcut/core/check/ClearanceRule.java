package dev.lastcut.core.check;

import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The smallest gap between copper that is not connected, layer by layer. */
final class ClearanceRule implements Rule {
    private record Pair(int layer, int netA, int netB) {}

    private static final class Near {
        final Set<CopperNode> a = new LinkedHashSet<>();
        final Set<CopperNode> b = new LinkedHashSet<>();
    }

    @Override
    public String id() {
        return "clearance";
    }

    @Override
    public String title() {
        return "Gap between copper";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.CLEARANCE);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.CLEARANCE);
        }
        if (c.board().copper().isEmpty()) {
            return Outcome.notRun("the pack has no copper layer");
        }
        double limit = bounds.get().reachNm();
        List<Finding> findings = new ArrayList<>();
        near(c.geometry().nets(), limit)
                .forEach(
                        (pair, near) -> {
                            var a = Geo.union(near.a.stream().map(CopperNode::polygon).toList());
                            var b = Geo.union(near.b.stream().map(CopperNode::polygon).toList());
                            for (Distances.Run run : Distances.closerThan(a, b, limit)) {
                                findings.add(finding(c, bounds.get(), pair, run));
                            }
                        });
        return Outcome.of(findings);
    }

    private static Map<Pair, Near> near(CopperNets nets, double limit) {
        Map<Pair, Near> found = new LinkedHashMap<>();
        CloseCopper close = new CloseCopper();
        for (CopperNode n : nets.nodes()) {
            var reach = Geo.expanded(n.envelope(), limit);
            for (CopperNode other : nets.near(n.layer(), reach)) {
                if (other.net() > n.net() && close.within(n, other, limit)) {
                    Pair pair = new Pair(n.layer(), n.net(), other.net());
                    Near near = found.computeIfAbsent(pair, k -> new Near());
                    near.a.add(n);
                    near.b.add(other);
                }
            }
        }
        return found;
    }

    private Finding finding(
            CheckContext c, CheckContext.Bounds bounds, Pair pair, Distances.Run run) {
        double gap = run.narrowest().nm();
        String a = c.netName(pair.netA());
        String b = c.netName(pair.netB());
        String along = run.lengthNm() > 200_000 ? " along " + Length.text(run.lengthNm()) : "";
        return new FindingBuilder(id())
                .layers(c.copperId(pair.layer()))
                .measure(run.narrowest())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(gap, Severity.STOP))
                .nets(List.of(a, b))
                .say(
                        "Copper of "
                                + a
                                + " and "
                                + b
                                + " is only "
                                + Length.text(gap)
                                + " apart"
                                + along
                                + "; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". The gap may not come out clear and join them. Move them apart.");
    }
}
