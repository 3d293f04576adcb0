package dev.lastcut.core.placement;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;

/**
 * The marks a placement machine finds a board by: round pads of 0.5 to 2 mm without hole, paste or
 * name of a test point, in a mask opening that is clearly wider (common practice, no source).
 */
public final class Fiducials {
    private static final double LEAST_NM = 500_000;
    private static final double MOST_NM = 2_000_000;

    /** The opening about a mark is so much wider at least. */
    private static final double WIDER = 1.4;

    private Fiducials() {}

    public static List<Pt> on(BoardGeometry geometry, Side side) {
        Role mask = Role.of(Role.Kind.MASK, side);
        if (geometry.board().layer(mask).isEmpty()) {
            return List.of();
        }
        PieceIndex paste = geometry.index(Role.of(Role.Kind.PASTE, side));
        List<Pt> marks = new ArrayList<>();
        for (Pads.Pad p : Pads.surface(geometry, side)) {
            boolean named = !p.part().isEmpty() && !p.part().matches("(?i)F(ID|D|M)?\\d+");
            if (named || !paste.at(p.at()).isEmpty()) {
                continue;
            }
            double d = diameter(p);
            double open = 0;
            for (Piece o : geometry.index(mask).at(p.at())) {
                open = Math.max(open, o.envelope().getWidth());
            }
            if (d >= LEAST_NM && d <= MOST_NM && open >= WIDER * d) {
                marks.add(p.at());
            }
        }
        return marks;
    }

    private static double diameter(Pads.Pad p) {
        return p.node().feature() instanceof Feature.Flash f
                        && f.aperture() instanceof Aperture.Circle c
                ? c.diameter() * f.orientation().scale()
                : 0;
    }
}
