package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Flattener;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;

/** A surface pad that is soldered: what a stencil is made of where no paste picture is. */
record BarePad(Geometry area, String part) {
    private static final Shaper FINEST = new Shaper(Flattener.FINEST);

    /** Test points, fiducials and pads under the mask get no paste. */
    static List<BarePad> of(BoardGeometry geometry, Side side) {
        List<Pads.Pad> surface = Pads.surface(geometry, side);
        Map<String, Integer> pads = new HashMap<>();
        surface.forEach(p -> pads.merge(p.part(), 1, Integer::sum));
        Role mask = Role.of(Role.Kind.MASK, side);
        boolean masked = geometry.board().layer(mask).isPresent();
        PieceIndex open = geometry.index(mask);
        List<BarePad> all = new ArrayList<>();
        for (Pads.Pad p : surface) {
            boolean point = p.part().isEmpty() ? p.isRound() : pads.get(p.part()) == 1;
            boolean covered = masked && open.at(p.at()).isEmpty();
            if (!point && !covered) {
                all.add(new BarePad(p.node().piece().shape(FINEST), p.part()));
            }
        }
        return all;
    }
}
