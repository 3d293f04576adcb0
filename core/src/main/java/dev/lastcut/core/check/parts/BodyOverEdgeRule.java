package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;

/**
 * Bodies over the board's edge. Connectors and switches are often meant to stand over: they are
 * told as a note, once for each, to be signed off.
 */
public final class BodyOverEdgeRule implements Rule {
    private static final double LEAST_NM = 50_000;

    @Override
    public String id() {
        return "body-over-edge";
    }

    @Override
    public String title() {
        return "Bodies over the edge";
    }

    @Override
    public Outcome run(CheckContext c) {
        Bodies bodies = Bodies.of(c);
        Optional<Outcome> missing = bodies.missing();
        if (missing.isPresent()) {
            return missing.get();
        }
        Geometry board = c.geometry().boardArea();
        if (board.isEmpty()) {
            return Outcome.notRun("the board has no closed outline");
        }
        long beside = bodies.known().stream().filter(b -> !board.intersects(b.outline())).count();
        if (beside * 2 > bodies.known().size()) {
            return Outcome.notRun("the outline does not lie about the parts");
        }
        List<Finding> findings = new ArrayList<>();
        for (Body b : bodies.known()) {
            Geometry over = b.outline().difference(board);
            double out = reach(over, board);
            if (out >= LEAST_NM) {
                findings.add(finding(b, out));
            }
        }
        return Outcome.of(findings);
    }

    /** How far the farthest corner stands out, nm. */
    private static double reach(Geometry over, Geometry board) {
        double most = 0;
        for (var corner : over.getCoordinates()) {
            most = Math.max(most, board.distance(over.getFactory().createPoint(corner)));
        }
        return most;
    }

    private Finding finding(Body b, double out) {
        boolean plug = b.designator().matches("(?i)(J|P|X|CN|CON|SW|K|USB|BT|ANT)\\d.*");
        return new FindingBuilder(id())
                .severity(plug ? Severity.NOTE : Severity.LOOK)
                .at(PartBodies.middle(b))
                .lengths(out, 0)
                .parts(List.of(b.designator()))
                .say(
                        b.designator()
                                + " stands "
                                + Length.text(out)
                                + " over the board's edge"
                                + (plug
                                        ? ", as what is plugged in or pressed from outside often"
                                                + " is meant to. Sign it off if so."
                                        : ": it cannot be cut out of a panel and breaks off in the"
                                                + " hand. Move it in."));
    }
}
