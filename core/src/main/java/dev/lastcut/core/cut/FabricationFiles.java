package dev.lastcut.core.cut;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.fabrication.JobFileWriter;
import dev.lastcut.core.fabrication.StackUp;
import dev.lastcut.core.fabrication.paper.FabricationDrawing;
import dev.lastcut.core.formats.netlist.NetlistWriter;
import dev.lastcut.core.formats.solid.Mesh;
import dev.lastcut.core.formats.solid.StlWriter;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.mechanical.OutlineDrawing;
import dev.lastcut.core.mechanical.SolidBoard;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The pack for a board house, and the board as a body for whoever draws its enclosure. */
final class FabricationFiles {
    /** What a board is taken to be thick where nobody says (common practice, no source). */
    private static final double USUAL_MM = 1.6;

    private static final Set<OrderOption> NOT_OF_THE_BOARD =
            EnumSet.of(OrderOption.FOIL, OrderOption.STENCIL, OrderOption.ASSEMBLY);

    private FabricationFiles() {}

    static void write(
            BoardGeometry geometry,
            List<NetlistWriter.Place> nets,
            CapabilitySheet sheet,
            Order order,
            Map<Role, Layer> instead,
            List<OutputFile> out) {
        Board board = geometry.board();
        StackUp stack = StackUp.of(board, sheet, order);
        List<FabricationPack.Written> files = FabricationPack.files(board, instead);
        for (FabricationPack.Written f : files) {
            String what = f.name().substring(0, f.name().lastIndexOf('.')).replace('-', ' ');
            boolean shaped =
                    instead.keySet().stream().anyMatch(r -> f.name().equals(r.id() + ".gbr"));
            out.add(
                    new OutputFile(
                            "fabrication/" + f.name(),
                            f.content(),
                            shaped ? what + ", shaped as the stencil is" : what));
        }
        out.add(
                new OutputFile(
                        "fabrication/job.gbrjob",
                        JobFileWriter.write(
                                board, files, stack, geometry.boardArea().getEnvelopeInternal()),
                        "job file: what each file is, size and stack"));
        if (!board.copper().isEmpty()) {
            out.add(
                    new OutputFile(
                            "fabrication/netlist.ipc",
                            NetlistWriter.write(nets),
                            "nets as the copper joins them, to test bare boards by"));
        }
        out.add(
                new OutputFile(
                        "fabrication/drawing.pdf",
                        FabricationDrawing.pdf(
                                "Fabrication drawing",
                                geometry,
                                stack,
                                notes(sheet, order, board),
                                sheet.orderMark(order)),
                        "drawing: outline, drill table, stack, notes"));
    }

    static void mechanical(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            Order order,
            List<PartBodies.Body> bodies,
            List<OutputFile> out,
            List<String> remarks) {
        out.add(
                new OutputFile(
                        "mechanical/outline.dxf",
                        OutlineDrawing.dxf(geometry, bodies),
                        "outline, holes and parts for the enclosure"));
        if (geometry.boardArea().isEmpty()) {
            remarks.add("The outline is not closed, so there is no solid of the board.");
            return;
        }
        StackUp stack = StackUp.of(geometry.board(), sheet, order);
        double mm = stack.thicknessMm().orElse(USUAL_MM);
        if (stack.thicknessMm().isEmpty()) {
            remarks.add(
                    "The shop states no thickness: the solid of the board is made "
                            + Length.shortMm(USUAL_MM)
                            + " mm thick.");
        }
        double nm = Length.mm(mm);
        Mesh bare = SolidBoard.board(geometry, nm);
        out.add(
                new OutputFile(
                        "mechanical/board.stl",
                        StlWriter.write("bare board, mm", bare),
                        "the bare board as a solid, " + Length.shortMm(mm) + " mm thick"));
        if (bodies.stream().anyMatch(PartBodies.Body::fitted)) {
            Mesh mesh = SolidBoard.withParts(bare, nm, bodies);
            out.add(
                    new OutputFile(
                            "mechanical/board-with-parts.stl",
                            StlWriter.write("board with its parts, mm", mesh),
                            "the board with the boxes of its fitted parts"));
        }
    }

    private static List<String> notes(CapabilitySheet sheet, Order order, Board board) {
        List<String> notes = new ArrayList<>();
        notes.add(
                board.copper().size()
                        + (board.copper().size() == 1 ? " copper layer" : " copper layers")
                        + ", "
                        + order.quantity()
                        + (order.quantity() == 1 ? " board" : " boards")
                        + ", for "
                        + sheet.name()
                        + ".");
        for (OrderOption o : OrderOption.values()) {
            if (!NOT_OF_THE_BOARD.contains(o)) {
                sheet.value(o, order)
                        .ifPresent(v -> notes.add(o.title() + ": " + o.words(v) + "."));
            }
        }
        sheet.orderMark(order)
                .ifPresent(m -> notes.add("The order mark goes " + m.words() + ", as drawn."));
        notes.add("Hole sizes are finished sizes. The files, not this drawing, are what is made.");
        return notes;
    }
}
