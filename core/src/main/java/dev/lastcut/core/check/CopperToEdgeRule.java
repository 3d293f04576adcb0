package dev.lastcut.core.check;

import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/** Copper too near to the outline or to a cut-out. */
final class CopperToEdgeRule implements Rule {
    private record Place(int layer, int net) {}

    @Override
    public String id() {
        return "copper-to-edge";
    }

    @Override
    public String title() {
        return "Copper to board edge";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.COPPER_TO_EDGE);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.COPPER_TO_EDGE);
        }
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline to measure from");
        }
        double limit = bounds.get().reachNm();
        Geometry edge = c.geometry().boardArea().getBoundary();
        IndexedFacetDistance index = new IndexedFacetDistance(edge);
        Map<Place, List<Geometry>> near = new LinkedHashMap<>();
        for (CopperNode n : c.geometry().nets().nodes()) {
            if (index.isWithinDistance(n.polygon(), limit)) {
                near.computeIfAbsent(new Place(n.layer(), n.net()), k -> new ArrayList<>())
                        .add(n.polygon());
            }
        }
        List<Finding> findings = new ArrayList<>();
        near.forEach(
                (place, parts) -> {
                    for (var run : Distances.closerThan(Geo.union(parts), edge, limit)) {
                        findings.add(finding(c, bounds.get(), place, run));
                    }
                });
        return Outcome.of(findings);
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
