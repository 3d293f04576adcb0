package dev.lastcut.core.check.design;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.design.DesignClass.Smallest;
import dev.lastcut.core.connectivity.BoardEdge;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * The board's own extreme for each number of a sheet that it can be held against, with its place:
 * what decides which shops can make it.
 */
public final class DesignNumbers {
    /** Distances to the edge and between holes above this decide nothing: 2 mm. */
    private static final double FARTHEST_NM = 2_000_000;

    private final BoardGeometry geometry;
    private final Map<LimitKey, Smallest> numbers = new EnumMap<>(LimitKey.class);

    private DesignNumbers(BoardGeometry geometry) {
        this.geometry = geometry;
    }

    /** By number; a number the board has nothing of is left out. Lengths in nm. */
    public static Map<LimitKey, Smallest> of(BoardGeometry geometry) {
        return geometry.once(DesignNumbers.class, () -> new DesignNumbers(geometry).find());
    }

    private Map<LimitKey, Smallest> find() {
        DesignClass own = DesignClass.of(geometry);
        own.track().ifPresent(s -> numbers.put(LimitKey.TRACK_WIDTH, s));
        own.gap().ifPresent(s -> numbers.put(LimitKey.CLEARANCE, s));
        own.ring().ifPresent(s -> numbers.put(LimitKey.ANNULAR_RING, s));
        own.hole().ifPresent(s -> numbers.put(LimitKey.HOLE_MIN, s));
        size();
        edge();
        holes();
        silk();
        return Map.copyOf(numbers);
    }

    private void least(LimitKey key, Measure m, String layer) {
        Smallest known = numbers.get(key);
        if (known == null || m.nm() < known.measure().nm()) {
            numbers.put(key, new Smallest(m, layer));
        }
    }

    private void size() {
        Envelope e = geometry.boardArea().getEnvelopeInternal();
        if (!e.isNull()) {
            Pt low = new Pt(Math.round(e.getMinX()), Math.round(e.getMinY()));
            Pt right = new Pt(Math.round(e.getMaxX()), low.y());
            Pt above = new Pt(low.x(), Math.round(e.getMaxY()));
            Smallest width = new Smallest(new Measure(low, right, e.getWidth()), "outline");
            Smallest height = new Smallest(new Measure(low, above, e.getHeight()), "outline");
            numbers.put(LimitKey.BOARD_WIDTH_MAX, width);
            numbers.put(LimitKey.BOARD_HEIGHT_MAX, height);
        }
    }

    private void edge() {
        if (geometry.boardArea().isEmpty()) {
            return;
        }
        BoardEdge edge = BoardEdge.of(geometry);
        Geometry boundary = edge.boundary();
        double limit = FARTHEST_NM;
        for (CopperNode n : geometry.nets().nodes()) {
            Envelope reach = Geo.expanded(n.envelope(), limit);
            if (edge.mayCross(reach) && edge.isWithin(n.polygon(), limit)) {
                Measure m = Distances.between(n.polygon(), boundary);
                limit = Math.min(limit, m.nm());
                least(
                        LimitKey.COPPER_TO_EDGE,
                        m,
                        geometry.board().copper().get(n.layer()).role().id());
            }
        }
        for (Hole h : geometry.board().holes()) {
            Geometry core = h.core();
            double wall = h.diameter() / 2.0;
            boolean cut = h.plated() && edge.isWithin(core, wall);
            if (!cut && edge.isWithin(core, wall + FARTHEST_NM)) {
                Measure m = Distances.between(core, boundary);
                double web = Math.max(0, m.nm() - wall);
                least(LimitKey.HOLE_TO_EDGE, new Measure(m.from(), m.to(), web), id(h));
            }
        }
    }

    private static String id(Hole h) {
        return h.plated() ? "plated-holes" : "unplated-holes";
    }

    private void holes() {
        List<Hole> all = geometry.board().holes();
        double reach = FARTHEST_NM;
        for (int i = 0; i < all.size(); i++) {
            Hole a = all.get(i);
            if (a.isSlot()) {
                least(LimitKey.SLOT_WIDTH, a.across(), id(a));
            }
            for (int k : geometry.holes().near(Geo.expanded(HoleIndex.box(a), reach))) {
                if (k > i) {
                    Hole b = all.get(k);
                    double walls = (a.diameter() + b.diameter()) / 2.0;
                    Measure m = Distances.between(a.core(), b.core());
                    double web = m.nm() - walls;
                    // Holes that overlap are one slot, or another check's.
                    if (web > 0 && web < reach) {
                        reach = web;
                        least(LimitKey.HOLE_SPACING, new Measure(m.from(), m.to(), web), id(a));
                    }
                }
            }
        }
        all.stream()
                .max((a, b) -> Long.compare(a.diameter(), b.diameter()))
                .ifPresent(h -> numbers.put(LimitKey.HOLE_MAX, new Smallest(h.across(), id(h))));
    }

    private void silk() {
        for (Layer layer : geometry.board().layers()) {
            if (layer.role().kind() == Role.Kind.SILK) {
                Optional<Feature.Stroke> thin =
                        layer.features().stream()
                                .filter(f -> f instanceof Feature.Stroke)
                                .map(f -> (Feature.Stroke) f)
                                .filter(s -> s.dark() && s.roundWidth() > 0)
                                .min((a, b) -> Double.compare(a.roundWidth(), b.roundWidth()));
                thin.ifPresent(
                        s -> least(LimitKey.SILK_WIDTH, DesignClass.across(s), layer.role().id()));
            }
        }
    }
}
