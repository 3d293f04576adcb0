package dev.lastcut.core.mechanical;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.drawing.DxfWriter;
import dev.lastcut.core.geometry.Flattener;
import java.util.List;

/**
 * Outline, holes and the boxes of fitted parts as DXF, each on a layer of its own, in the pack's
 * coordinates.
 */
public final class OutlineDrawing {
    public static final String EDGE = "BOARD_EDGE";
    public static final String PLATED = "HOLES_PLATED";
    public static final String UNPLATED = "HOLES_UNPLATED";

    private OutlineDrawing() {}

    public static String parts(Side side) {
        return side == Side.TOP ? "PARTS_TOP" : "PARTS_BOTTOM";
    }

    public static byte[] dxf(BoardGeometry geometry, List<PartBodies.Body> bodies) {
        Board board = geometry.board();
        DxfWriter out = new DxfWriter();
        board.outline()
                .ifPresent(
                        o -> {
                            if (!o.outer().isEmpty()) {
                                out.path(EDGE, o.outer());
                            }
                            o.cutouts().forEach(c -> out.path(EDGE, c));
                            o.others().forEach(c -> out.path(EDGE, c));
                        });
        for (Hole h : board.holes()) {
            if (!h.span().isThrough()) {
                continue;
            }
            String layer = h.plated() ? PLATED : UNPLATED;
            if (h.isSlot()) {
                out.layer(layer, h.shape(Flattener.FINE));
            } else {
                out.circle(layer, h.from().x(), h.from().y(), h.diameter() / 2.0);
            }
        }
        for (PartBodies.Body b : bodies) {
            if (b.fitted()) {
                out.layer(parts(b.side()), b.outline());
            }
        }
        return out.write();
    }
}
