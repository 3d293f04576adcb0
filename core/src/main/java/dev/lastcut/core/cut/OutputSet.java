package dev.lastcut.core.cut;

import dev.lastcut.core.assembly.BillOfMaterials;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.ProgramWriter;
import dev.lastcut.core.stencil.StencilSvg;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Every output of a board for a shop.
 *
 * @param milling the operations behind the programs; empty for a board house
 * @param remarks sentences about what could not be made, and why
 */
public record OutputSet(
        List<OutputFile> files, Optional<MillingPlan> milling, List<String> remarks) {
    public OutputSet {
        files = List.copyOf(files);
        remarks = List.copyOf(remarks);
    }

    public static OutputSet make(BoardGeometry geometry, CapabilitySheet sheet) {
        Board board = geometry.board();
        List<OutputFile> files = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        FabricationPack.write(board)
                .forEach((name, content) -> files.add(fabrication(name, content)));
        stencil(geometry, files, remarks);
        assembly(board, files, remarks);
        Optional<MillingPlan> plan = sheet.mill().map(m -> MillingPlan.of(geometry, m));
        plan.ifPresent(
                p -> {
                    for (Operation o : p.operations()) {
                        files.add(
                                new OutputFile(
                                        "milling/" + o.file(),
                                        ProgramWriter.write(o, sheet.mill().orElseThrow()),
                                        purpose(o)));
                    }
                    remarks.addAll(p.problems());
                });
        return new OutputSet(files, plan, remarks);
    }

    private static OutputFile fabrication(String name, byte[] content) {
        String what = name.substring(0, name.lastIndexOf('.')).replace('-', ' ');
        return new OutputFile("fabrication/" + name, content, what);
    }

    private static String purpose(Operation o) {
        return String.format(
                Locale.ROOT,
                "%s from the %s with %s, about %.0f min",
                o.kind().id(),
                o.side().word(),
                o.cutter().name(),
                Math.ceil(o.minutes()));
    }

    private static void stencil(
            BoardGeometry geometry, List<OutputFile> files, List<String> remarks) {
        boolean any = false;
        for (Layer layer : geometry.board().layers()) {
            if (layer.role().kind() != Role.Kind.PASTE || layer.features().isEmpty()) {
                continue;
            }
            any = true;
            String base = "stencil/stencil-" + layer.role().side().orElseThrow().word();
            String what = "stencil openings, " + layer.role().side().orElseThrow().word();
            files.add(
                    new OutputFile(
                            base + ".gbr", FabricationPack.gerber(geometry.board(), layer), what));
            files.add(
                    new OutputFile(
                            base + ".svg",
                            StencilSvg.write(geometry.area(layer.role()), geometry.boardArea()),
                            what + ", for a laser"));
        }
        if (!any) {
            remarks.add("No paste openings in the pack, so there is no stencil.");
        }
    }

    private static void assembly(Board board, List<OutputFile> files, List<String> remarks) {
        if (board.parts().isPresent()) {
            files.add(
                    new OutputFile(
                            "assembly/parts.csv",
                            BillOfMaterials.csv(board.parts().get()),
                            "bill of materials, identical parts folded"));
        } else {
            remarks.add("No parts list in the pack, so there is no bill of materials.");
        }
        if (board.placements().isPresent()) {
            files.add(
                    new OutputFile(
                            "assembly/placement.csv",
                            PlacementTable.csv(board),
                            "placement of the fitted parts"));
        } else {
            remarks.add("No placement file in the pack, so there is no placement table.");
        }
    }
}
