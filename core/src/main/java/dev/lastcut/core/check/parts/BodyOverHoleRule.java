package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;

/**
 * Bodies over holes that something goes through: a screw, or another part's lead. Vias, and holes
 * of the part itself, may lie under a body.
 */
public final class BodyOverHoleRule implements Rule {
    /** Unplated holes narrower than this hold no screw (common practice, no source). */
    private static final long SCREW_NM = 1_500_000;

    private static final double LEAST_AREA_NM2 = 1e10;

    @Override
    public String id() {
        return "body-over-hole";
    }

    @Override
    public String title() {
        return "Bodies over holes";
    }

    @Override
    public Outcome run(CheckContext c) {
        Bodies bodies = Bodies.of(c);
        Optional<Outcome> missing = bodies.missing();
        if (missing.isPresent()) {
            return missing.get();
        }
        Map<String, String> leads = leads(c);
        Map<String, Side> sides = new HashMap<>();
        c.parts().forEach(p -> p.placed().ifPresent(at -> sides.put(p.designator(), at.side())));
        List<Finding> findings = new ArrayList<>();
        for (Hole h : c.board().holes()) {
            String lead = leads.getOrDefault(key(h.middle().x(), h.middle().y()), "");
            boolean screw = !h.plated() && h.diameter() >= SCREW_NM;
            if (!screw && lead.isEmpty()) {
                continue;
            }
            Geometry shape = h.shape(Flattener.SCREEN);
            for (int k : bodies.near(shape.getEnvelopeInternal())) {
                Body b = bodies.known().get(k);
                // A part with leads of its own often has pegs in holes of its own.
                // A lead from the other side is told by bodies-collide.
                boolean own =
                        b.designator().equals(lead)
                                || (screw && b.throughHole())
                                || (!screw && sides.get(lead) != b.side());
                if (!own && b.outline().intersection(shape).getArea() > LEAST_AREA_NM2) {
                    findings.add(finding(b, h, lead));
                }
            }
        }
        return Outcome.of(findings);
    }

    /** Whose lead goes through a hole, by the hole's place. */
    private static Map<String, String> leads(CheckContext c) {
        Map<String, String> all = new HashMap<>();
        for (Netlist.Point p : c.board().netlist().map(Netlist::points).orElse(List.of())) {
            if (p.isPin() && p.hole()) {
                all.put(key(p.at().x(), p.at().y()), p.component());
            }
        }
        return all;
    }

    private static String key(long x, long y) {
        return Math.round(x / 50_000.0) + " " + Math.round(y / 50_000.0);
    }

    private Finding finding(Body b, Hole h, String lead) {
        String what = lead.isEmpty() ? "a hole of " : "a hole for " + lead + " of ";
        return new FindingBuilder(id())
                .severity(Severity.LOOK)
                .at(PartBodies.middle(b))
                .between(h.middle(), PartBodies.middle(b))
                .count(1, 0, "holes")
                .parts(lead.isEmpty() ? List.of(b.designator()) : List.of(b.designator(), lead))
                .say(
                        b.designator()
                                + " stands over "
                                + what
                                + Length.text(h.diameter())
                                + ": what goes through it hits the part. Move one of them.");
    }
}
