package dev.lastcut.core.touch;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.valid.IsValidOp;
import org.locationtech.jts.operation.valid.TopologyValidationError;

/** Polygons as people draw them. */
public final class Areas {
    private static final int MOST_CORNERS = 100_000;

    private Areas() {}

    /**
     * @param what for the sentence: "The area", "The cut-out"
     * @throws NotDone when it crosses itself or is none
     */
    public static Polygon drawn(List<Pt> corners, String what) throws NotDone {
        if (corners.size() < 3) {
            throw new NotDone(what + " needs three corners, not " + corners.size());
        }
        if (corners.size() > MOST_CORNERS) {
            throw new NotDone(what + " has more than 100,000 corners");
        }
        Polygon p = Geo.FACTORY.createPolygon(Features.ring(corners));
        TopologyValidationError wrong = new IsValidOp(p).getValidationError();
        if (wrong != null) {
            Pt at = Pt.of(wrong.getCoordinate());
            throw new NotDone(what + " crosses or touches itself at " + Work.place(at), at);
        }
        if (p.getArea() == 0) {
            throw new NotDone(what + " is flat", corners.get(0));
        }
        return p;
    }

    /**
     * The same, which must meet the board.
     *
     * @throws NotDone when it lies off the board, or the board has no edge to tell
     */
    public static Polygon onBoard(List<Pt> corners, Work work, String what) throws NotDone {
        Polygon p = drawn(corners, what);
        if (work.geometry().boardArea().isEmpty()) {
            throw new NotDone("The board has no closed outline, so nothing tells what lies on it");
        }
        if (!p.intersects(work.geometry().boardArea())) {
            throw new NotDone(what + " lies off the board", corners.get(0));
        }
        return p;
    }
}
