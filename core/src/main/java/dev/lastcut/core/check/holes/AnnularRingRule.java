package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.EdgeFeatures;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * The smallest copper ring round a plated hole on every layer where the hole has copper, measured
 * from the wall of the hole to where the copper ends; off-centre holes come out as they are.
 */
public final class AnnularRingRule implements Rule {
    private record Ring(Measure measure, int layer) {}

    @Override
    public String id() {
        return "annular-ring";
    }

    @Override
    public String title() {
        return "Annular ring";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.ANNULAR_RING, Role.Kind.COPPER, Role.Kind.PLATED_HOLES);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.ANNULAR_RING);
        }
        List<Hole> holes = c.board().holes();
        if (holes.stream().noneMatch(Hole::plated)) {
            return Outcome.notRun("the pack has no plated holes");
        }
        double limit = bounds.get().reachNm();
        Geometry edge = c.geometry().boardArea().getBoundary();
        List<Finding> findings = new ArrayList<>();
        for (int i = 0; i < holes.size(); i++) {
            Hole h = holes.get(i);
            if (!h.plated() || EdgeFeatures.isCastellation(h, edge)) {
                continue;
            }
            Ring worst = null;
            for (int layer = 0; layer < c.board().copper().size(); layer++) {
                if (ringAtLeast(c.geometry(), h, layer, limit) >= limit) {
                    continue;
                }
                Optional<Measure> ring = ring(c.geometry(), h, layer, limit);
                if (ring.isPresent() && (worst == null || ring.get().nm() < worst.measure().nm())) {
                    worst = new Ring(ring.get(), layer);
                }
            }
            if (worst != null && worst.measure().nm() < limit) {
                findings.add(finding(c, bounds.get(), i, worst));
            }
        }
        return Outcome.of(findings);
    }

    /** The widest ring that one piece of copper alone gives a hole: there is no less. */
    public static double ringAtLeast(BoardGeometry geometry, Hole h, int layer, double limit) {
        double best = 0;
        for (CopperNode n : geometry.nets().near(layer, HoleIndex.box(h))) {
            best = Math.max(best, geometry.nets().contact().ring(n.piece(), h, limit));
        }
        return best;
    }

    /**
     * The ring of a hole on a copper layer where it is narrower than {@code limit}, else some
     * greater measure; empty where the hole has no copper on that layer.
     */
    public static Optional<Measure> ring(BoardGeometry geometry, Hole h, int layer, double limit) {
        if (!h.span().passes(layer)) {
            return Optional.empty();
        }
        Geometry wall = h.shape(geometry.flattener());
        Envelope window = Geo.expanded(wall.getEnvelopeInternal(), 2 * limit + h.diameter());
        List<Geometry> copper = new ArrayList<>();
        boolean touches = false;
        for (CopperNode n : geometry.nets().near(layer, window)) {
            boolean here = geometry.nets().contact().touch(n.piece(), h);
            touches |= here;
            if (here) {
                copper.add(Geo.clip(n.polygon(), window));
            }
        }
        if (!touches) {
            return Optional.empty();
        }
        copper.add(wall);
        Geometry filled = Geo.union(copper);
        // Clipping makes edges of its own; they lie further out than the limit and never decide.
        Geometry core = h.core();
        Measure m = Distances.between(core, filled.getBoundary());
        double ring = Math.max(0, m.nm() - h.diameter() / 2.0);
        double share = m.nm() == 0 ? 0 : h.diameter() / 2.0 / m.nm();
        Pt onWall =
                new Pt(
                        Math.round(m.from().x() + share * (m.to().x() - m.from().x())),
                        Math.round(m.from().y() + share * (m.to().y() - m.from().y())));
        return Optional.of(new Measure(onWall, m.to(), ring));
    }

    private Finding finding(CheckContext c, CheckContext.Bounds bounds, int index, Ring ring) {
        double width = ring.measure().nm();
        Hole h = c.board().holes().get(index);
        int net = c.geometry().nets().netOfHole(index);
        return new FindingBuilder(id())
                .layers(c.copperId(ring.layer()), "plated-holes")
                .measure(ring.measure())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(width, Severity.STOP))
                .nets(net < 0 ? List.of() : List.of(c.netName(net)))
                .say(
                        "The copper ring round this "
                                + Length.text(h.diameter())
                                + " hole is "
                                + Length.text(width)
                                + " at its narrowest; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". The drill may break out of the pad. Enlarge the pad, shrink the"
                                + " hole or centre it.");
    }
}
