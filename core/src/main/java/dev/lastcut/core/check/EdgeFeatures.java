package dev.lastcut.core.check;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** What a board has at its edge that is ordered by name. */
public final class EdgeFeatures {
    /** Fewer pads at an edge are no connector; farther from it neither (common practice). */
    private static final int LEAST_FINGERS = 6;

    private static final double AT_EDGE_NM = 1_500_000;
    private static final double LEAST_LENGTH_NM = 3_000_000;

    private EdgeFeatures() {}

    /** A plated hole that the outline runs through is meant to be cut. */
    public static boolean isCastellation(Hole h, Geometry edge) {
        return !edge.isEmpty() && edge.distance(h.core()) < h.diameter() / 2.0;
    }

    /** Plated holes cut by the outline. */
    public static List<Pt> castellations(BoardGeometry g) {
        Geometry edge = g.boardArea().getBoundary();
        List<Pt> all = new ArrayList<>();
        for (Hole h : g.board().holes()) {
            if (h.plated() && isCastellation(h, edge)) {
                all.add(h.middle());
            }
        }
        return all;
    }

    /**
     * Long surface pads without paste that stand upright to one straight side of the board, near
     * it: the contacts of an edge connector.
     */
    public static List<Pt> fingers(BoardGeometry g) {
        List<Pt> best = List.of();
        Envelope board = g.boardArea().getEnvelopeInternal();
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            List<List<Pt>> bySide =
                    List.of(
                            new ArrayList<>(),
                            new ArrayList<>(),
                            new ArrayList<>(),
                            new ArrayList<>());
            for (Pads.Pad p : Pads.surface(g, side)) {
                Envelope e = p.node().piece().envelope();
                boolean pasted =
                        g.board().layer(paste).isPresent() && !g.index(paste).at(p.at()).isEmpty();
                if (!pasted) {
                    place(e, board, p.at(), bySide);
                }
            }
            for (List<Pt> row : bySide) {
                if (row.size() >= LEAST_FINGERS && row.size() > best.size()) {
                    best = row;
                }
            }
        }
        return best;
    }

    private static void place(Envelope e, Envelope board, Pt at, List<List<Pt>> bySide) {
        double[] gaps = {
            e.getMinX() - board.getMinX(),
            board.getMaxX() - e.getMaxX(),
            e.getMinY() - board.getMinY(),
            board.getMaxY() - e.getMaxY()
        };
        for (int i = 0; i < gaps.length; i++) {
            double along = i < 2 ? e.getWidth() : e.getHeight();
            double across = i < 2 ? e.getHeight() : e.getWidth();
            if (gaps[i] < AT_EDGE_NM && along >= LEAST_LENGTH_NM && along > 2 * across) {
                bySide.get(i).add(at);
            }
        }
    }
}
