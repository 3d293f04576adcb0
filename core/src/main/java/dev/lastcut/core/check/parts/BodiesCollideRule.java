package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * Parts that stand in each other: bodies on one side that overlap in plan, as both stand on the
 * board, and leads that come out of the board under a body on its other side.
 */
public final class BodiesCollideRule implements Rule {
    /** Nominal sizes that overlap by less are not told: bodies have tolerances both ways. */
    private static final double LEAST_NM = 50_000;

    @Override
    public String id() {
        return "bodies-collide";
    }

    @Override
    public String title() {
        return "Colliding bodies";
    }

    @Override
    public Outcome run(CheckContext c) {
        Bodies bodies = Bodies.of(c);
        Optional<Outcome> missing = bodies.missing();
        if (missing.isPresent()) {
            return missing.get();
        }
        List<Body> known = bodies.known();
        List<Finding> findings = new ArrayList<>();
        for (int i = 0; i < known.size(); i++) {
            Body a = known.get(i);
            Geometry outline = a.outline();
            for (int k : bodies.near(outline.getEnvelopeInternal())) {
                Body b = known.get(k);
                if (k > i && a.side() == b.side()) {
                    Geometry both = outline.intersection(b.outline());
                    depth(both).ifPresent(d -> findings.add(collide(a, b, both, d)));
                }
            }
        }
        leads(c, bodies, findings);
        return Outcome.of(findings);
    }

    /** How far two bodies go into each other: the narrow side of what they share. */
    private static Optional<Double> depth(Geometry both) {
        if (both.isEmpty() || both.getArea() == 0) {
            return Optional.empty();
        }
        Envelope e = both.getEnvelopeInternal();
        double d = Math.min(e.getWidth(), e.getHeight());
        return d < LEAST_NM ? Optional.empty() : Optional.of(d);
    }

    private Finding collide(Body a, Body b, Geometry both, double depth) {
        Coordinate m = both.getCentroid().getCoordinate();
        return new FindingBuilder(id())
                .severity(Severity.STOP)
                .at(new Pt(Math.round(m.x), Math.round(m.y)))
                .lengths(-depth, 0)
                .parts(List.of(a.designator(), b.designator()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s and %s stand in each other by %s: their bodies are %s and %s"
                                        + " high and both stand on the %s. Only one of them can"
                                        + " be fitted.",
                                a.designator(),
                                b.designator(),
                                Length.text(depth),
                                Length.text(a.heightNm()),
                                Length.text(b.heightNm()),
                                a.side().word()));
    }

    /** Leads through the board that end under a body on the other side. */
    private void leads(CheckContext c, Bodies bodies, List<Finding> findings) {
        Map<String, Side> sides = new HashMap<>();
        for (Part p : c.parts()) {
            if (p.fitted()) {
                p.placed().ifPresent(at -> sides.put(p.designator(), at.side()));
            }
        }
        for (Netlist.Point p : c.board().netlist().map(Netlist::points).orElse(List.of())) {
            if (!p.isPin() || !p.hole()) {
                continue;
            }
            Optional<Side> own = Optional.ofNullable(sides.get(p.component()));
            Coordinate at = p.at().coordinate();
            for (int k : bodies.near(new Envelope(at))) {
                Body b = bodies.known().get(k);
                boolean under =
                        own.isPresent()
                                && b.side() != own.get()
                                && !b.designator().equals(p.component())
                                && b.outline().contains(b.outline().getFactory().createPoint(at));
                if (under) {
                    findings.add(
                            new FindingBuilder(id())
                                    .severity(Severity.STOP)
                                    .at(p.at())
                                    .count(1, 0, "leads")
                                    .parts(List.of(p.component(), b.designator()))
                                    .say(
                                            "Pin "
                                                    + p.pin()
                                                    + " of "
                                                    + p.component()
                                                    + " comes out of the board under "
                                                    + b.designator()
                                                    + ": its lead lifts that part off its pads."
                                                    + " Move one of them, or leave one off."));
                }
            }
        }
    }
}
