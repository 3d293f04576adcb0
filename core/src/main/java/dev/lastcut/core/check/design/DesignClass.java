package dev.lastcut.core.check.design;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.check.EdgeFeatures;
import dev.lastcut.core.check.holes.AnnularRingRule;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.GapIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;

/**
 * The design's own class: its narrowest track, smallest gap, ring and hole, with the place of each.
 * These decide which shop can make it, whatever the rest of the board looks like.
 */
public record DesignClass(
        Optional<Smallest> track,
        Optional<Smallest> gap,
        Optional<Smallest> ring,
        Optional<Smallest> hole) {

    /** A measure and the layer it was taken on. */
    public record Smallest(Measure measure, String layer) {}

    /** Gaps and rings above this decide nothing anywhere: 1 mm. */
    private static final double FARTHEST_NM = 1_000_000;

    public static DesignClass of(BoardGeometry geometry) {
        return geometry.once(
                DesignClass.class,
                () ->
                        new DesignClass(
                                track(geometry), gap(geometry), ring(geometry), hole(geometry)));
    }

    private static Optional<Smallest> track(BoardGeometry geometry) {
        Smallest best = null;
        for (Layer layer : geometry.board().copper()) {
            for (Feature f : layer.features()) {
                if (f instanceof Feature.Stroke s
                        && s.dark()
                        && s.roundWidth() > 0
                        && (best == null || s.roundWidth() < best.measure.nm())) {
                    best = new Smallest(across(s), layer.role().id());
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** The width of a stroke at its middle. */
    public static Measure across(Feature.Stroke s) {
        Pt middle = s.path().middle();
        Pt d = s.path().to().minus(s.path().from());
        double length = Math.max(1, Math.hypot(d.x(), d.y()));
        double half = s.roundWidth() / 2;
        Pt side = new Pt(Math.round(-d.y() / length * half), Math.round(d.x() / length * half));
        return new Measure(middle.plus(side), middle.minus(side), s.roundWidth());
    }

    private static Optional<Smallest> gap(BoardGeometry geometry) {
        GapIndex.Gap narrowest = GapIndex.of(geometry).narrowest(FARTHEST_NM);
        if (narrowest == null) {
            return Optional.empty();
        }
        CopperNode a = geometry.nets().nodes().get(narrowest.a());
        CopperNode b = geometry.nets().nodes().get(narrowest.b());
        var window = Geo.expanded(a.envelope(), 2 * FARTHEST_NM);
        Measure m = Distances.between(a.polygon(), Geo.clip(b.polygon(), window));
        String layer = geometry.board().copper().get(a.layer()).role().id();
        return Optional.of(new Smallest(m, layer));
    }

    private record Candidate(Hole hole, int layer, double atLeast) {}

    /**
     * The pad under a hole gives a ring that other copper can only widen, so the exact measure is
     * taken only while a pad promises less than the least found.
     */
    private static Optional<Smallest> ring(BoardGeometry geometry) {
        List<Candidate> candidates = new ArrayList<>();
        Geometry edge = geometry.boardArea().getBoundary();
        for (Hole h : geometry.board().holes()) {
            for (int layer = 0; h.plated() && layer < geometry.board().copper().size(); layer++) {
                candidates.add(
                        new Candidate(
                                h,
                                layer,
                                AnnularRingRule.ringAtLeast(geometry, h, layer, FARTHEST_NM)));
            }
        }
        candidates.sort(Comparator.comparingDouble(Candidate::atLeast));
        Smallest best = null;
        for (Candidate c : candidates) {
            double limit = best == null ? FARTHEST_NM : best.measure.nm();
            if (c.atLeast >= limit) {
                break;
            }
            Optional<Measure> m = AnnularRingRule.ring(geometry, c.hole, c.layer, limit);
            if (m.isPresent()
                    && m.get().nm() < limit
                    && !EdgeFeatures.isCastellation(c.hole, edge)) {
                String layer = geometry.board().copper().get(c.layer).role().id();
                best = new Smallest(m.get(), layer);
            }
        }
        return Optional.ofNullable(best);
    }

    private static Optional<Smallest> hole(BoardGeometry geometry) {
        return geometry.board().holes().stream()
                .min(Comparator.comparingLong(Hole::diameter))
                .map(h -> new Smallest(h.across(), h.plated() ? "plated-holes" : "unplated-holes"));
    }
}
