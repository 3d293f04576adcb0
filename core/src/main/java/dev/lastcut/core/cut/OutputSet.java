package dev.lastcut.core.cut;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramWriter;
import dev.lastcut.core.milling.StencilCut;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.Levelling;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.paper.SetupSheet;
import dev.lastcut.core.stencil.Openings;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.StencilSvg;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Geometry;

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

    /**
     * @param setup how the board is set up, for a mill
     * @param heights probed surfaces that isolation follows, by the side they are of
     * @param variants how the board is populated
     * @param stencilPlan what is chosen about the stencil
     */
    public static OutputSet make(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            MillSetup setup,
            Map<Side, HeightMap> heights,
            Variants variants,
            StencilPlan stencilPlan) {
        Board board = geometry.board();
        List<OutputFile> files = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        FabricationPack.write(board)
                .forEach((name, content) -> files.add(fabrication(name, content)));
        Map<Role, Openings> openings = openings(geometry, variants, stencilPlan, remarks);
        stencil(geometry, openings, files, remarks);
        assembly(board, sheet, variants, files, remarks);
        Optional<MillingPlan> plan = sheet.mill().map(m -> MillingPlan.of(geometry, m, setup));
        plan.ifPresent(
                p -> {
                    for (Program program : Levelling.programs(p, heights)) {
                        files.add(
                                new OutputFile(
                                        "milling/" + program.file(),
                                        ProgramWriter.write(program, p.mill()),
                                        purpose(program)));
                    }
                    bench(geometry, sheet, p, openings, files);
                    remarks.addAll(p.problems());
                });
        return new OutputSet(files, plan, remarks);
    }

    /** What goes to the bench beside the programs of the plan. */
    private static void bench(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            MillingPlan plan,
            Map<Role, Openings> stencils,
            List<OutputFile> out) {
        List<HandJoint> joints = HandJoint.of(geometry);
        out.add(
                new OutputFile(
                        "milling/set-up-sheet.pdf",
                        SetupSheet.pdf(sheet.name(), plan, joints, geometry.boardArea()),
                        "set-up sheet: what to do in which order"));
        if (!joints.isEmpty()) {
            out.add(
                    new OutputFile(
                            "milling/joints-by-hand.csv",
                            HandJoint.csv(joints).getBytes(StandardCharsets.UTF_8),
                            "places where both sides are joined by hand"));
        }
        if (!plan.extent().isNull()) {
            ProbeGrid grid = ProbeGrid.over(plan.extent());
            out.add(
                    new OutputFile(
                            "milling/probe.nc",
                            grid.program().getBytes(StandardCharsets.US_ASCII),
                            "probing program for levelling, " + grid.count() + " points"));
        }
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            Geometry openings =
                    stencils.containsKey(paste) ? stencils.get(paste).area() : Geo.empty();
            if (openings.isEmpty()) {
                continue;
            }
            StencilCut cut = StencilCut.of(openings, side, plan.extent(), plan.mill());
            cut.program()
                    .ifPresent(
                            p ->
                                    out.add(
                                            new OutputFile(
                                                    "stencil/" + p.file(),
                                                    ProgramWriter.write(p, plan.mill()),
                                                    stencilPurpose(p, cut))));
        }
    }

    private static String stencilPurpose(Program p, StencilCut cut) {
        String left =
                cut.tooNarrow().isEmpty()
                        ? ""
                        : "; " + cut.tooNarrow().size() + " openings are too narrow for it";
        return "stencil on the mill, with " + p.operations().get(0).cutter().name() + left;
    }

    private static OutputFile fabrication(String name, byte[] content) {
        String what = name.substring(0, name.lastIndexOf('.')).replace('-', ' ');
        return new OutputFile("fabrication/" + name, content, what);
    }

    private static String purpose(Program p) {
        Operation first = p.operations().get(0);
        String what =
                p.operations().size() == 1
                        ? first.kind().words() + " with " + first.cutter().name()
                        : p.operations().size() + " operations with pauses for the tools";
        return String.format(
                Locale.ROOT,
                "%s, from the %s, about %.0f min",
                what,
                p.side().word(),
                Math.ceil(p.minutes()));
    }

    /** The openings of each side that has any, those of parts left off without, if wished. */
    private static Map<Role, Openings> openings(
            BoardGeometry geometry, Variants variants, StencilPlan plan, List<String> remarks) {
        Set<String> off =
                Population.of(geometry.board(), variants).stream()
                        .filter(p -> !p.fitted())
                        .map(Part::designator)
                        .collect(Collectors.toSet());
        boolean leave = plan.leaveOutUnfitted() && !off.isEmpty();
        Map<Role, Openings> all = new LinkedHashMap<>();
        for (Layer layer : geometry.board().layers()) {
            if (layer.role().kind() == Role.Kind.PASTE && !layer.features().isEmpty()) {
                all.put(
                        layer.role(),
                        leave
                                ? Openings.without(geometry, layer, off)
                                : Openings.asDrawn(geometry, layer));
            }
        }
        if (leave && geometry.reference().isEmpty()) {
            remarks.add(
                    "No netlist tells which pads are whose, so the stencil has openings for parts"
                            + " that are left off too.");
        }
        return all;
    }

    private static void stencil(
            BoardGeometry geometry,
            Map<Role, Openings> openings,
            List<OutputFile> files,
            List<String> remarks) {
        openings.forEach(
                (role, o) -> {
                    String base = "stencil/stencil-" + role.side().orElseThrow().word();
                    String what =
                            "stencil openings, "
                                    + role.side().orElseThrow().word()
                                    + (o.without().isEmpty()
                                            ? ""
                                            : ", without " + Designators.fold(o.without()));
                    files.add(
                            new OutputFile(
                                    base + ".gbr",
                                    FabricationPack.gerber(geometry.board(), o.layer()),
                                    what));
                    files.add(
                            new OutputFile(
                                    base + ".svg",
                                    StencilSvg.write(o.area(), geometry.boardArea()),
                                    what + ", for a laser"));
                });
        if (openings.isEmpty()) {
            remarks.add("No paste openings in the pack, so there is no stencil.");
        }
    }

    private static void assembly(
            Board board,
            CapabilitySheet sheet,
            Variants variants,
            List<OutputFile> files,
            List<String> remarks) {
        List<Part> parts = Population.of(board, variants);
        String of = variants.built().map(v -> ", variant " + v).orElse("");
        if (board.parts().isPresent()) {
            Assembly.ListForm form =
                    sheet.assembly().map(Assembly::list).orElse(Assembly.ListForm.USUAL);
            List<PartsList.Line> lines =
                    PartsList.split(
                            PartsList.kinds(parts),
                            sheet.assembly()
                                    .map(a -> a.counts().designatorsPerLine())
                                    .orElse(OptionalInt.empty()));
            files.add(
                    new OutputFile(
                            "assembly/parts.csv",
                            PartsList.csv(lines, form),
                            "parts list, identical parts folded" + of));
            files.add(
                    new OutputFile(
                            "assembly/parts.xlsx",
                            PartsList.xlsx(lines, form),
                            "the same as a workbook"));
        } else {
            remarks.add("No parts list in the pack, so there is no bill of materials.");
        }
        if (board.placements().isPresent()) {
            files.add(
                    new OutputFile(
                            "assembly/placement.csv",
                            PlacementTable.csv(parts),
                            "placement of the fitted parts" + of));
        } else {
            remarks.add("No placement file in the pack, so there is no placement table.");
        }
    }
}
