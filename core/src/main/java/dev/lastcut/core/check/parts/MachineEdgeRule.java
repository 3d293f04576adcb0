package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * Parts nearer to the edges that run in the machine's belts than it takes: the two longer sides of
 * the board's box. Rails mend that, so it is noted once.
 */
public final class MachineEdgeRule implements Rule {
    @Override
    public String id() {
        return "machine-edge";
    }

    @Override
    public String title() {
        return "Parts near the edge rails";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Limit> least = c.assembly().map(Assembly::line).flatMap(l -> l.leastToEdge());
        if (least.isEmpty()) {
            return Outcome.notRun(
                    "the sheet of " + c.shopName() + " says nothing of parts at the edge");
        }
        Assignments who = c.assignments();
        if (!who.isOrdered()) {
            return Outcome.notRun(Assignments.NOT_ORDERED);
        }
        Geometry board = c.geometry().boardArea();
        if (board.isEmpty()) {
            return Outcome.notRun("the board has no closed outline");
        }
        Set<String> placed =
                PlacementTable.fitted(who.house()).stream()
                        .map(Part::designator)
                        .collect(Collectors.toSet());
        double limit = least.get().amount();
        Envelope e = board.getEnvelopeInternal();
        boolean wide = e.getWidth() >= e.getHeight();
        List<Body> near = new ArrayList<>();
        double nearest = Double.MAX_VALUE;
        for (Body b : PartBodies.of(c.geometry(), c.partsPlan())) {
            Envelope o = b.outline().getEnvelopeInternal();
            double low = wide ? o.getMinY() - e.getMinY() : o.getMinX() - e.getMinX();
            double high = wide ? e.getMaxY() - o.getMaxY() : e.getMaxX() - o.getMaxX();
            double gap = Math.min(low, high);
            if (placed.contains(b.designator()) && gap < limit) {
                near.add(b);
                nearest = Math.min(nearest, gap);
            }
        }
        return Outcome.of(
                near.isEmpty() ? List.of() : List.of(finding(near, nearest, limit, c.shopName())));
    }

    private Finding finding(List<Body> near, double nearest, double limit, String shop) {
        List<Measure> places =
                near.stream().map(PartBodies::middle).map(p -> new Measure(p, p, 0)).toList();
        return new FindingBuilder(id())
                .severity(Severity.NOTE)
                .at(places.get(0).from())
                .also(places)
                .lengths(Math.max(0, nearest), limit)
                .parts(near.stream().map(Body::designator).toList())
                .say(
                        near.size()
                                + (near.size() == 1 ? " part stands" : " parts stand")
                                + " nearer than "
                                + Length.text(limit)
                                + " to the edges that run in the belts of "
                                + shop
                                + ". Have rails put on, or move them in.");
    }
}
