package dev.lastcut.core.cut;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.formats.drawing.DxfWriter;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.StencilSvg;
import dev.lastcut.core.stencil.openings.AlignHoles;
import dev.lastcut.core.stencil.openings.Stencil;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;

/** The stencil of each side as Gerber for a house, as SVG and DXF for a laser. */
final class StencilFiles {
    private StencilFiles() {}

    static void write(
            BoardGeometry geometry,
            StencilPlan plan,
            Map<Side, Stencil> stencils,
            List<OutputFile> files,
            List<String> remarks) {
        Geometry holes = AlignHoles.about(geometry.boardArea(), plan.mounting().alignMm());
        stencils.forEach(
                (side, s) -> {
                    String base = "stencil/stencil-" + side.word();
                    String what = purpose(s, plan);
                    files.add(
                            new OutputFile(
                                    base + ".gbr",
                                    FabricationPack.gerber(
                                            geometry.board(), layer(geometry, s, holes)),
                                    what));
                    Geometry cut = Geo.union(s.area(), holes);
                    files.add(
                            new OutputFile(
                                    base + ".svg",
                                    StencilSvg.write(cut, geometry.boardArea()),
                                    what + ", for a laser"));
                    files.add(
                            new OutputFile(
                                    base + ".dxf",
                                    new DxfWriter()
                                            .layer("OPENINGS", s.area())
                                            .layer("ALIGN", holes)
                                            .layer("EDGE", geometry.boardArea())
                                            .write(),
                                    what + ", for a laser"));
                    remarks.addAll(s.remarks());
                });
        if (stencils.isEmpty()) {
            remarks.add("No paste openings in the pack, so there is no stencil.");
        }
    }

    private static Layer layer(BoardGeometry geometry, Stencil s, Geometry holes) {
        Layer openings = s.layer(geometry.board().layer(s.role()));
        List<Feature> all = new ArrayList<>(openings.features());
        all.addAll(Stencil.drawn(holes));
        return holes.isEmpty() ? openings : new Layer(s.role(), openings.file(), all);
    }

    private static String purpose(Stencil s, StencilPlan plan) {
        long shaped = s.cut().stream().filter(o -> o.isChanged()).count();
        return "stencil openings, "
                + s.side().word()
                + (s.without().isEmpty() ? "" : ", without " + Designators.fold(s.without()))
                + (shaped == 0 ? "" : ", " + shaped + " of " + s.cut().size() + " shaped")
                + (plan.mounting().framed() ? ", to be framed" : "");
    }
}
