package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
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
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * The narrowest drawn conductor. Strokes that only paint an area, or lie within other copper of
 * their net, are no conductors of their own: each is measured across where it is drawn.
 */
public final class TrackWidthRule implements Rule {
    /** So many separate lines of one net and width are no tracks but a hatched area. */
    private static final int FEWEST_OF_A_HATCH = 8;

    /** Drawn widths are exact, but flattened caps are not: this much is not "narrower". */
    private static final double SLACK_NM = 1_000;

    private record Narrow(CopperNode node, Measure across) {}

    @Override
    public String id() {
        return "track-width";
    }

    @Override
    public String title() {
        return "Track width";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.TRACK_WIDTH, Role.Kind.COPPER);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.TRACK_WIDTH);
        }
        if (c.board().copper().isEmpty()) {
            return Outcome.notRun("the pack has no copper layer");
        }
        double limit = bounds.get().reachNm();
        Map<Integer, Narrow> narrow = new HashMap<>();
        for (CopperNode n : c.geometry().nets().nodes()) {
            if (n.feature() instanceof Feature.Stroke s
                    && s.roundWidth() > 0
                    && s.roundWidth() < limit) {
                measure(c.geometry().nets(), n, s, limit)
                        .ifPresent(m -> narrow.put(n.id(), new Narrow(n, m)));
            }
        }
        record Alike(int layer, int net, long width) {}
        Map<Alike, List<List<Narrow>>> alike = new LinkedHashMap<>();
        while (!narrow.isEmpty()) {
            List<Narrow> run = takeRun(c.geometry().nets(), narrow);
            Narrow worst = worst(run);
            CopperNode n = worst.node();
            long width = Math.round(worst.across().nm() / 1_000);
            alike.computeIfAbsent(new Alike(n.layer(), n.net(), width), k -> new ArrayList<>())
                    .add(run);
        }
        List<Finding> findings = new ArrayList<>();
        alike.values()
                .forEach(
                        runs -> {
                            if (runs.size() < FEWEST_OF_A_HATCH) {
                                runs.forEach(
                                        r -> findings.add(finding(c, bounds.get(), List.of(r))));
                            } else {
                                findings.add(finding(c, bounds.get(), runs));
                            }
                        });
        return Outcome.of(findings);
    }

    /** The copper across a stroke at three places along it, where it is under the limit. */
    private static Optional<Measure> measure(
            CopperNets nets, CopperNode n, Feature.Stroke s, double limit) {
        List<Geometry> around = new ArrayList<>();
        around.add(n.polygon());
        for (int id : nets.neighboursOf(n.id())) {
            if (nets.nodes().get(id).layer() == n.layer()) {
                around.add(nets.nodes().get(id).polygon());
            }
        }
        for (double t : new double[] {0.5, 0.25, 0.75}) {
            Pt middle = along(s.path(), t);
            double[] normal = normal(s.path(), t);
            double half = s.roundWidth() / 2;
            // A little over the limit: reaching further could cross a neighbouring track.
            LineString cross = across(middle, normal, limit);
            double copper = connectedLength(cross, around, middle);
            if (copper < limit - SLACK_NM && copper <= s.roundWidth() + 2 * SLACK_NM) {
                return Optional.of(
                        new Measure(
                                shifted(middle, normal, -half),
                                shifted(middle, normal, half),
                                s.roundWidth()));
            }
        }
        return Optional.empty();
    }

    /** Length of the one stretch of copper across the middle. */
    private static double connectedLength(LineString cross, List<Geometry> around, Pt middle) {
        var window = Geo.expanded(cross.getEnvelopeInternal(), cross.getLength());
        List<Geometry> near = new ArrayList<>();
        around.forEach(g -> near.add(Geo.clip(g, window)));
        Geometry lines = Geo.union(near).intersection(cross);
        for (int i = 0; i < lines.getNumGeometries(); i++) {
            Geometry part = lines.getGeometryN(i);
            if (part.distance(Geo.point(middle)) < SLACK_NM) {
                return part.getLength();
            }
        }
        return 0;
    }

    private static LineString across(Pt middle, double[] normal, double half) {
        return Geo.line(shifted(middle, normal, -half), shifted(middle, normal, half));
    }

    private static Pt shifted(Pt p, double[] normal, double by) {
        return new Pt(Math.round(p.x() + normal[0] * by), Math.round(p.y() + normal[1] * by));
    }

    private static Pt along(Segment s, double t) {
        if (s instanceof Segment.Arc arc) {
            return arc.at(t);
        }
        return new Pt(
                Math.round(s.from().x() + t * (s.to().x() - s.from().x())),
                Math.round(s.from().y() + t * (s.to().y() - s.from().y())));
    }

    private static double[] normal(Segment s, double t) {
        double dx;
        double dy;
        if (s instanceof Segment.Arc arc) {
            Pt p = arc.at(t);
            dx = p.x() - arc.centerX();
            dy = p.y() - arc.centerY();
        } else {
            dx = -(s.to().y() - s.from().y());
            dy = s.to().x() - s.from().x();
        }
        double length = Math.hypot(dx, dy);
        return length == 0 ? new double[] {1, 0} : new double[] {dx / length, dy / length};
    }

    /** Removes and returns one connected run of narrow strokes. */
    private static List<Narrow> takeRun(CopperNets nets, Map<Integer, Narrow> narrow) {
        List<Narrow> run = new ArrayList<>();
        ArrayDeque<Integer> queue = new ArrayDeque<>();
        int first = narrow.keySet().stream().min(Integer::compare).orElseThrow();
        run.add(narrow.remove(first));
        queue.add(first);
        while (!queue.isEmpty()) {
            for (int next : nets.neighboursOf(queue.poll())) {
                Narrow n = narrow.get(next);
                if (n != null && n.node().layer() == run.get(0).node().layer()) {
                    run.add(narrow.remove(next));
                    queue.add(next);
                }
            }
        }
        return run;
    }

    private static Narrow worst(List<Narrow> run) {
        Narrow worst = run.get(0);
        for (Narrow n : run) {
            boolean narrower = n.across().nm() < worst.across().nm();
            boolean longer =
                    n.across().nm() == worst.across().nm() && pathLength(n) > pathLength(worst);
            worst = narrower || longer ? n : worst;
        }
        return worst;
    }

    /**
     * @param runs one, or many of one net and width: the lines of a hatch, which are one thing
     */
    private Finding finding(CheckContext c, CheckContext.Bounds bounds, List<List<Narrow>> runs) {
        Narrow worst = worst(runs.stream().flatMap(List::stream).toList());
        double length =
                runs.stream().flatMap(List::stream).mapToDouble(TrackWidthRule::pathLength).sum();
        double width = worst.across().nm();
        String net = c.netName(worst.node().net());
        FindingBuilder finding =
                new FindingBuilder(id())
                        .layers(c.copperId(worst.node().layer()))
                        .measure(worst.across())
                        .limitNm(bounds.withHeadroomNm())
                        .severity(bounds.severity(width, Severity.STOP))
                        .nets(List.of(net));
        if (runs.size() > 1) {
            finding.also(runs.stream().map(r -> worst(r).across()).toList());
        }
        String what =
                runs.size() > 1
                        ? runs.size() + " lines of " + net + " (a hatch, it seems) are "
                        : "A track of " + net + " is ";
        return finding.say(
                what
                        + Length.text(width)
                        + " wide along "
                        + Length.text(length)
                        + "; the limit is "
                        + Length.text(bounds.withHeadroomNm())
                        + ". "
                        + (runs.size() > 1
                                ? "They may be etched or cut through. Widen them."
                                : "It may be etched or cut through. Widen it."));
    }

    private static double pathLength(Narrow n) {
        return ((Feature.Stroke) n.node().feature()).path().length();
    }
}
