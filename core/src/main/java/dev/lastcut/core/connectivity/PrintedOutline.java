package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The board's outline drawn on a copper layer as well: thin lines that run along the edge and are
 * no track.
 *
 * @param layer index into the board's copper layers
 * @param nodes the lines
 * @param lengthNm of all of them
 * @param share of the edge that they run along, from 0 to 1
 */
public record PrintedOutline(int layer, List<CopperNode> nodes, double lengthNm, double share) {
    /** Outlines are drawn with lines up to 0.5 mm (common practice, no source). */
    private static final double THIN_NM = 500_000;

    /** The middle of a line lies this near to the edge. */
    private static final double ON_EDGE_NM = 100_000;

    /** Less of the edge is a track that runs along it. */
    private static final double LEAST_SHARE = 0.6;

    public PrintedOutline {
        nodes = List.copyOf(nodes);
    }

    /** By layer, from the top; none for a board without a closed outline. */
    public static List<PrintedOutline> of(BoardGeometry geometry) {
        return geometry.once(PrintedOutline.class, () -> find(geometry));
    }

    private static List<PrintedOutline> find(BoardGeometry geometry) {
        if (geometry.boardArea().isEmpty()) {
            return List.of();
        }
        BoardEdge edge = BoardEdge.of(geometry);
        double around =
                Geo.polygons(geometry.boardArea()).stream()
                        .mapToDouble(p -> p.getExteriorRing().getLength())
                        .sum();
        Map<Integer, List<CopperNode>> byLayer = new TreeMap<>();
        for (CopperNode n : geometry.nets().nodes()) {
            if (n.feature() instanceof Feature.Stroke s
                    && s.roundWidth() > 0
                    && s.roundWidth() <= THIN_NM
                    && edge.mayCross(Geo.expanded(n.envelope(), ON_EDGE_NM))
                    && runsAlong(s.path(), edge)) {
                byLayer.computeIfAbsent(n.layer(), k -> new ArrayList<>()).add(n);
            }
        }
        List<PrintedOutline> all = new ArrayList<>();
        byLayer.forEach(
                (layer, nodes) -> {
                    double length =
                            nodes.stream()
                                    .map(n -> ((Feature.Stroke) n.feature()).path())
                                    .distinct()
                                    .mapToDouble(Segment::length)
                                    .sum();
                    double share = Math.min(1, length / around);
                    if (share >= LEAST_SHARE) {
                        all.add(new PrintedOutline(layer, nodes, length, share));
                    }
                });
        return List.copyOf(all);
    }

    private static boolean runsAlong(Segment path, BoardEdge edge) {
        for (Pt p : List.of(path.from(), path.middle(), path.to())) {
            if (!edge.isWithin(Geo.point(p), ON_EDGE_NM)) {
                return false;
            }
        }
        return true;
    }
}
