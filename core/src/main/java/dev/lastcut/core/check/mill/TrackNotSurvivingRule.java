package dev.lastcut.core.check.mill;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Necks;
import dev.lastcut.core.milling.Isolation;
import dev.lastcut.core.milling.MillingPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Copper that is narrower after isolation than the mill's smallest track: it lifts or tears. Tracks
 * drawn too narrow have their own check and are not told again.
 */
public final class TrackNotSurvivingRule implements Rule {
    private static final int MOST = 300;

    @Override
    public String id() {
        return "track-not-surviving";
    }

    @Override
    public String title() {
        return "Copper left after isolation";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.isMill();
    }

    @Override
    public Outcome run(CheckContext c) {
        Mill mill = c.mill().orElseThrow();
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.TRACK_WIDTH, Role.Kind.COPPER);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.TRACK_WIDTH);
        }
        List<Finding> findings = new ArrayList<>();
        boolean any = false;
        for (Side side : MillingPlan.sides(c.geometry(), c.setup())) {
            Optional<Isolation> plan = MillingPlan.isolation(c.geometry(), mill, c.setup(), side);
            any |= plan.isPresent();
            plan.ifPresent(i -> look(c, side, i, bounds.get(), findings));
        }
        return any
                ? Outcome.of(findings)
                : Outcome.notRun("there is no copper, or no tool, to isolate");
    }

    private void look(
            CheckContext c,
            Side side,
            Isolation plan,
            CheckContext.Bounds bounds,
            List<Finding> findings) {
        Geometry nicked = Geo.union(plan.nicks().stream().map(Isolation.Nick::area).toList());
        double limit = bounds.reachNm();
        for (Map.Entry<Integer, Geometry> net : plan.copper().nets().entrySet()) {
            Geometry left =
                    nicked.isEmpty() ? net.getValue() : Geo.difference(net.getValue(), nicked);
            for (Polygon p : Geo.polygons(left)) {
                for (Measure m : Necks.of(p, limit)) {
                    if (findings.size() < MOST && !isDrawnNarrow(c, side, m, limit)) {
                        findings.add(finding(c, side, net.getKey(), m, bounds));
                    }
                }
            }
        }
    }

    private static boolean isDrawnNarrow(CheckContext c, Side side, Measure m, double limit) {
        int layer = c.geometry().copperIndex(side);
        return c.geometry().nets().at(layer, m.middle()).stream()
                .anyMatch(n -> n.feature() instanceof Feature.Stroke s && s.roundWidth() <= limit);
    }

    private Finding finding(
            CheckContext c, Side side, int net, Measure m, CheckContext.Bounds bounds) {
        String name = c.netName(net);
        return new FindingBuilder(id())
                .severity(bounds.severity(m.nm(), Severity.STOP))
                .layers("copper-" + side.word())
                .measure(m)
                .limitNm(bounds.sheet())
                .nets(List.of(name))
                .say(
                        "Copper of "
                                + name
                                + " is "
                                + Length.text(m.nm())
                                + " wide here once it is isolated; the mill's smallest track is "
                                + Length.text(bounds.sheet())
                                + ". Widen it, or use a house.");
    }
}
