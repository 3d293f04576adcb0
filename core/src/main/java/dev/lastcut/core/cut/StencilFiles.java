package dev.lastcut.core.cut;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.formats.drawing.DxfWriter;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.StencilSvg;
import dev.lastcut.core.stencil.openings.AlignHoles;
import dev.lastcut.core.stencil.openings.Stencil;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;

/** The stencil of each side as Gerber for a house, as SVG and DXF for a laser. */
final class StencilFiles {
    private StencilFiles() {}

    /**
     * The paste pictures of the board's files where openings are shaped: one picture goes out, not
     * one as drawn and another as it will be cut.
     */
    static Map<Role, Layer> paste(StencilPlan plan, Map<Side, StencilSheet> sheets) {
        Map<Role, Layer> all = new HashMap<>();
        if (!plan.equals(StencilPlan.AS_DRAWN)) {
            sheets.forEach(
                    (side, s) -> {
                        Role role = Role.of(Role.Kind.PASTE, side);
                        all.put(role, new Layer(role, "stencil", s.features()));
                    });
        }
        return all;
    }

    /**
     * @param edge of the board or panel, to align by
     */
    static void write(
            Board board,
            Geometry edge,
            StencilPlan plan,
            Map<Side, StencilSheet> sheets,
            List<OutputFile> files,
            List<String> remarks) {
        Geometry holes = AlignHoles.about(edge, plan.mounting().alignMm());
        sheets.forEach(
                (side, s) -> {
                    String base = "stencil/stencil-" + side.word();
                    List<Feature> drawn = new ArrayList<>(s.features());
                    drawn.addAll(Stencil.drawn(holes));
                    Layer layer = new Layer(Role.of(Role.Kind.PASTE, side), "stencil", drawn);
                    files.add(
                            new OutputFile(
                                    base + ".gbr", FabricationPack.gerber(board, layer), s.what()));
                    Geometry cut = holes.isEmpty() ? s.area() : Geo.union(s.area(), holes);
                    files.add(
                            new OutputFile(
                                    base + ".svg",
                                    StencilSvg.write(cut, edge),
                                    s.what() + ", for a laser"));
                    files.add(
                            new OutputFile(
                                    base + ".dxf",
                                    new DxfWriter()
                                            .layer("OPENINGS", s.area())
                                            .layer("ALIGN", holes)
                                            .layer("EDGE", edge)
                                            .write(),
                                    s.what() + ", for a laser"));
                    remarks.addAll(s.remarks());
                });
        if (sheets.isEmpty()) {
            remarks.add("No paste openings in the pack, so there is no stencil.");
        }
    }
}
