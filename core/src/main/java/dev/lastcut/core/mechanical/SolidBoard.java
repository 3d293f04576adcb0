package dev.lastcut.core.mechanical;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.solid.Mesh;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.precision.GeometryPrecisionReducer;

/**
 * The board as a solid in its true size: its underside at z = 0, in the pack's x and y. Its holes
 * and cut-outs go through.
 */
public final class SolidBoard {
    /**
     * The most that a curve's chords are off it: finer than any enclosure, coarser than a check.
     */
    private static final Flattener CHORDS = new Flattener(4_000);

    /**
     * Corners lie on a grid of this step, so that they stay apart in the 24 bits of a number of the
     * file.
     */
    private static final double GRID_NM = 1_000;

    private SolidBoard() {}

    /** What of the board is solid, seen from above; empty without a closed outline. */
    public static Geometry area(BoardGeometry geometry) {
        List<Geometry> holes = new ArrayList<>();
        for (Hole h : geometry.board().holes()) {
            if (h.span().isThrough()) {
                holes.add(h.shape(CHORDS));
            }
        }
        Geometry outline = geometry.board().outline().map(o -> o.area(CHORDS)).orElse(Geo.empty());
        Geometry solid = Geo.difference(outline, Geo.union(holes));
        return GeometryPrecisionReducer.reduce(solid, new PrecisionModel(1 / GRID_NM));
    }

    /** The bare board. */
    public static Mesh board(BoardGeometry geometry, double thicknessNm) {
        Mesh mesh = new Mesh();
        Geo.eachPolygon(area(geometry), p -> mesh.prism(p, 0, thicknessNm));
        return mesh;
    }

    /** The board with the boxes of its fitted parts; each is a closed body of its own. */
    public static Mesh withParts(Mesh board, double thicknessNm, List<PartBodies.Body> bodies) {
        Mesh mesh = board.copy();
        for (PartBodies.Body b : bodies) {
            if (b.fitted() && b.length() > 0 && b.width() > 0 && b.heightNm() > 0) {
                boolean top = b.side() == Side.TOP;
                mesh.prism(
                        b.outline(),
                        top ? thicknessNm : -b.heightNm(),
                        top ? thicknessNm + b.heightNm() : 0);
            }
        }
        return mesh;
    }
}
