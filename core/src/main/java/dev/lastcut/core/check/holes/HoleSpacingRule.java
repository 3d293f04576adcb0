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
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.operation.distance.DistanceOp;

/** The web between two holes, edge to edge. Pieces of one routed slot do not count. */
public final class HoleSpacingRule implements Rule {
    @Override
    public String id() {
        return "hole-spacing";
    }

    @Override
    public String title() {
        return "Hole spacing";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.HOLE_SPACING, Role.Kind.PLATED_HOLES);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.HOLE_SPACING);
        }
        List<Hole> holes = c.board().holes();
        if (holes.isEmpty()) {
            return Outcome.notRun("the pack has no holes");
        }
        double limit = bounds.get().withHeadroomNm();
        List<Finding> findings = new ArrayList<>();
        for (int i = 0; i < holes.size(); i++) {
            for (int j :
                    c.geometry().holes().near(Geo.expanded(HoleIndex.box(holes.get(i)), limit))) {
                if (j > i) {
                    compare(bounds.get(), holes.get(i), holes.get(j)).ifPresent(findings::add);
                }
            }
        }
        return Outcome.of(findings);
    }

    private Optional<Finding> compare(CheckContext.Bounds bounds, Hole a, Hole b) {
        WorkLimit.step();
        Coordinate[] near = new DistanceOp(a.core(), b.core()).nearestPoints();
        double centres = near[0].distance(near[1]);
        double web = centres - (a.diameter() + b.diameter()) / 2.0;
        // Holes that overlap, pieces of one slot among them, are another check's.
        if (web <= 0 || !bounds.isBeyond(web)) {
            return Optional.empty();
        }
        Measure m =
                new Measure(
                        towards(near[0], near[1], a.diameter() / 2.0),
                        towards(near[1], near[0], b.diameter() / 2.0),
                        web);
        return Optional.of(
                new FindingBuilder(id())
                        .layers(a.plated() ? "plated-holes" : "unplated-holes")
                        .measure(m)
                        .limitNm(bounds.withHeadroomNm())
                        .severity(bounds.severity(web, Severity.STOP))
                        .say(
                                "Only "
                                        + Length.text(web)
                                        + " of board stands between two holes; the limit is "
                                        + Length.text(bounds.withHeadroomNm())
                                        + ". The web breaks and the drill wanders. Move them"
                                        + " apart."));
    }

    private static Pt towards(Coordinate from, Coordinate to, double by) {
        double d = from.distance(to);
        double t = d == 0 ? 0 : by / d;
        return new Pt(
                Math.round(from.x + t * (to.x - from.x)), Math.round(from.y + t * (to.y - from.y)));
    }
}
