package dev.lastcut.core.check.outline;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.operation.valid.IsSimpleOp;

/** Contours that cross themselves or each other: what is board and what is not is undefined. */
public final class OutlineCrossingRule implements Rule {
    @Override
    public String id() {
        return "outline-crossing";
    }

    @Override
    public String title() {
        return "Self-crossing outline";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline");
        }
        Outline outline = c.board().outline().orElseThrow();
        List<LineString> contours = new ArrayList<>();
        contours.add(ring(c, outline.outer()));
        outline.cutouts().forEach(s -> contours.add(ring(c, s)));
        Geometry all = Geo.FACTORY.createMultiLineString(contours.toArray(LineString[]::new));
        IsSimpleOp crossings = new IsSimpleOp(all);
        crossings.setFindAllLocations(true);
        List<Finding> findings = new ArrayList<>();
        for (Coordinate at : crossings.getNonSimpleLocations()) {
            Pt place = Pt.of(at);
            // Flattened arcs cross a neighbour more than once at the same place.
            boolean told =
                    findings.stream().anyMatch(f -> f.at().distance(place) < Finding.SAME_PLACE_NM);
            if (!told) {
                findings.add(finding(place));
            }
        }
        return Outcome.of(findings, contours.size() + " contours");
    }

    private static LineString ring(CheckContext c, List<Segment> contour) {
        Coordinate[] line = c.geometry().flattener().polyline(contour);
        // A straight line drawn back upon itself by less than the grid is no crossing.
        boolean closed = line[0].equals2D(line[line.length - 1]);
        Coordinate[] ring = closed ? line : java.util.Arrays.copyOf(line, line.length + 1);
        ring[ring.length - 1] = line[0];
        return Geo.FACTORY.createLineString(ring);
    }

    private Finding finding(Pt at) {
        return new FindingBuilder(id())
                .layers("outline")
                .at(at)
                .count(1, 0, "crossing")
                .say(
                        "The outline crosses itself here. It is not defined which side is board, and"
                                + " the cutter would cut into it. Redraw this corner.");
    }
}
