package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.BoardEdge;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;

/**
 * The wall of a hole to the outline and to cut-outs. Plated holes that the outline cuts through are
 * castellations: they are counted, not told. Holes outside the board are one finding.
 */
public final class HoleToEdgeRule implements Rule {
    @Override
    public String id() {
        return "hole-to-edge";
    }

    @Override
    public String title() {
        return "Hole-to-edge clearance";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.HOLE_TO_EDGE, Role.Kind.PLATED_HOLES, Role.Kind.OUTLINE);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.HOLE_TO_EDGE);
        }
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline to measure from");
        }
        if (c.board().holes().isEmpty()) {
            return Outcome.notRun("the pack has no holes");
        }
        BoardEdge edge = BoardEdge.of(c.geometry());
        var inside = new IndexedPointInAreaLocator(c.geometry().boardArea());
        double limit = bounds.get().reachNm();
        List<Finding> findings = new ArrayList<>();
        List<Pt> outside = new ArrayList<>();
        int castellations = 0;
        for (Hole h : c.board().holes()) {
            Geometry core = h.core();
            double reach = h.diameter() / 2.0;
            boolean near = edge.isWithin(core, reach + limit);
            if (near && h.plated() && edge.isWithin(core, reach - 1)) {
                castellations++;
            } else if (near) {
                var window = Geo.expanded(HoleIndex.box(h), 2 * limit);
                Measure m = Distances.between(core, Geo.clip(edge.boundary(), window));
                findings.add(finding(bounds.get(), h, m));
            } else if (inside.locate(h.middle().coordinate()) == Location.EXTERIOR) {
                outside.add(h.middle());
            }
        }
        if (!outside.isEmpty()) {
            findings.add(outside(outside));
        }
        return Outcome.of(findings, castellations == 0 ? "" : castellations + " castellations");
    }

    private Finding outside(List<Pt> places) {
        return new FindingBuilder(id())
                .layers("outline")
                .at(places.get(0))
                .alsoAt(places)
                .count(places.size(), 0, "holes outside")
                .say(
                        places.size()
                                + " holes lie outside the board's outline. The shop drills the panel"
                                + " there, or the drill file is out of place. Look at both.");
    }

    private Finding finding(CheckContext.Bounds bounds, Hole h, Measure fromMiddle) {
        double web = Math.max(0, fromMiddle.nm() - h.diameter() / 2.0);
        double share = fromMiddle.nm() == 0 ? 0 : h.diameter() / 2.0 / fromMiddle.nm();
        Pt way = fromMiddle.to().minus(fromMiddle.from());
        Pt wall =
                fromMiddle
                        .from()
                        .plus(new Pt(Math.round(share * way.x()), Math.round(share * way.y())));
        return new FindingBuilder(id())
                .layers(h.plated() ? "plated-holes" : "unplated-holes", "outline")
                .measure(new Measure(wall, fromMiddle.to(), web))
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(web, Severity.STOP))
                .say(
                        (web == 0
                                        ? "This hole runs into the board's edge"
                                        : "Only "
                                                + Length.text(web)
                                                + " of board stands between"
                                                + " this hole and the edge")
                                + "; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". The web breaks out. Move the hole in.");
    }
}
