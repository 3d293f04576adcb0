package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.GapIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Polygon;

/** The smallest gap between copper that is not connected, layer by layer. */
public final class ClearanceRule implements Rule {
    /** So many pairs of nets are measured place by place; a board with more needs none of it. */
    private static final int MOST = 400;

    private record Pair(int layer, int netA, int netB) {}

    private static final class Near {
        final Set<Polygon> a = new LinkedHashSet<>();
        final Set<Polygon> b = new LinkedHashSet<>();
    }

    @Override
    public String id() {
        return "clearance";
    }

    @Override
    public String title() {
        return "Copper clearance";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.CLEARANCE, Role.Kind.COPPER);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.CLEARANCE);
        }
        if (c.board().copper().isEmpty()) {
            return Outcome.notRun("the pack has no copper layer");
        }
        double limit = bounds.get().reachNm();
        Map<Pair, Near> near = near(c.geometry(), limit);
        List<Finding> findings = new ArrayList<>();
        near.entrySet().stream()
                .limit(MOST)
                .forEach(
                        e -> {
                            for (var run :
                                    Distances.closerThan(e.getValue().a, e.getValue().b, limit)) {
                                findings.add(finding(c, bounds.get(), e.getKey(), run));
                            }
                        });
        return Outcome.of(findings, Outcome.more(near.size(), MOST, "pairs of nets"));
    }

    /** The pieces of each two nets that are too close, the narrowest pair first. */
    private static Map<Pair, Near> near(BoardGeometry geometry, double limit) {
        Map<Pair, Near> found = new LinkedHashMap<>();
        for (GapIndex.Gap gap : GapIndex.of(geometry).within(limit)) {
            CopperNode a = geometry.nets().nodes().get(gap.a());
            CopperNode b = geometry.nets().nodes().get(gap.b());
            Near near =
                    found.computeIfAbsent(new Pair(a.layer(), a.net(), b.net()), k -> new Near());
            near.a.add(a.polygon());
            near.b.add(b.polygon());
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
