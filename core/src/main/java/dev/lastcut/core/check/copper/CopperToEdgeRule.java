package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.BoardEdge;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.PrintedOutline;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.algorithm.locate.PointOnGeometryLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;

/** Copper too near to the outline or to a cut-out. */
public final class CopperToEdgeRule implements Rule {
    private static final int MANY = 5_000;

    private record Place(int layer, int net) {}

    @Override
    public String id() {
        return "copper-to-edge";
    }

    @Override
    public String title() {
        return "Copper-to-edge clearance";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.COPPER_TO_EDGE, Role.Kind.COPPER, Role.Kind.OUTLINE);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.COPPER_TO_EDGE);
        }
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline to measure from");
        }
        double limit = bounds.get().reachNm();
        BoardEdge edge = BoardEdge.of(c.geometry());
        var inside = new IndexedPointInAreaLocator(c.geometry().boardArea());
        Map<Place, Set<Polygon>> near = new LinkedHashMap<>();
        Map<Integer, List<CopperNode>> outside = new TreeMap<>();
        Set<Integer> printed = new HashSet<>();
        PrintedOutline.of(c.geometry()).forEach(p -> p.nodes().forEach(n -> printed.add(n.id())));
        for (CopperNode n : c.geometry().nets().nodes()) {
            if (printed.contains(n.id())) {
                // The outline on copper is a finding of its own.
                continue;
            }
            Envelope reach = Geo.expanded(n.envelope(), limit);
            boolean mayBeNear = edge.mayCross(reach);
            if (mayBeNear && edge.isWithin(n.polygon(), limit)) {
                near.computeIfAbsent(new Place(n.layer(), n.net()), k -> new LinkedHashSet<>())
                        .add(n.polygon());
            } else if (isOutside(n, mayBeNear, inside)) {
                outside.computeIfAbsent(n.layer(), k -> new ArrayList<>()).add(n);
            }
        }
        List<Finding> findings = new ArrayList<>();
        near.forEach(
                (place, parts) -> {
                    for (var run :
                            Distances.closerThan(
                                    near(parts, edge.boundary(), limit), edge.boundary(), limit)) {
                        findings.add(finding(c, bounds.get(), place, run));
                    }
                });
        outside.forEach((layer, nodes) -> findings.add(outside(c, layer, nodes)));
        return Outcome.of(findings);
    }

    /** Where nothing of the edge passes its box, the box's middle tells for all of a piece. */
    private static boolean isOutside(
            CopperNode n, boolean edgeInBox, PointOnGeometryLocator board) {
        Coordinate any = edgeInBox ? n.polygon().getCoordinate() : n.envelope().centre();
        return board.locate(any) == Location.EXTERIOR;
    }

    /** Of a pour that touches the edge all round, only what lies near it matters. */
    private static Geometry near(Set<Polygon> parts, Geometry edge, double limit) {
        boolean small = parts.stream().mapToInt(Polygon::getNumPoints).sum() < MANY;
        if (small) {
            return Geo.union(parts);
        }
        Geometry band = Geo.offset(edge, 3 * limit, limit / 10);
        return Geo.union(parts.stream().map(p -> Geo.intersection(p, band)).toList());
    }

    /** Copper that lies wholly outside is lost, or the outline is wrong: one finding a layer. */
    private Finding outside(CheckContext c, int layer, List<CopperNode> nodes) {
        return new FindingBuilder(id())
                .layers(c.copperId(layer), "outline")
                .at(Pt.of(nodes.get(0).polygon().getCoordinate()))
                .count(nodes.size(), 0, "pieces outside")
                .severity(Severity.STOP)
                .say(
                        nodes.size()
                                + " pieces of copper lie outside the board's outline. They will be"
                                + " cut off. Look at the outline and its place.");
    }

    private Finding finding(
            CheckContext c, CheckContext.Bounds bounds, Place place, Distances.Run run) {
        double gap = run.narrowest().nm();
        String net = c.netName(place.net());
        return new FindingBuilder(id())
                .layers(c.copperId(place.layer()), "outline")
                .measure(run.narrowest())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(gap, Severity.STOP))
                .nets(List.of(net))
                .say(
                        "Copper of "
                                + net
                                + " comes within "
                                + Length.text(gap)
                                + " of the board's edge; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". The cutter may tear it or lay it bare. Pull it back.");
    }
}
