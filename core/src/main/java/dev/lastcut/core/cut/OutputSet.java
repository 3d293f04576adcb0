package dev.lastcut.core.cut;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.OwnNetlist;
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
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.openings.AlignHoles;
import dev.lastcut.core.stencil.openings.Stencil;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.paper.StripPaper;
import dev.lastcut.core.strip.paper.StripPlanJson;
import dev.lastcut.core.strip.paper.StripTables;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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
     * The files of {@code assembly/} alone: lists, placement, drawing, and the bench's table and
     * guide.
     *
     * @param remarks where sentences about what is missing are put
     */
    public static List<OutputFile> assembly(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            PartsPlan plan,
            Order order,
            List<String> remarks) {
        List<OutputFile> files = new ArrayList<>();
        Assignments who = Assignments.of(geometry, sheet, order, plan);
        AssemblyFiles.write(geometry.board(), sheet, plan, who, files, remarks);
        AssemblyFiles.drawing(geometry, plan, who, files);
        AssemblyFiles.bench(geometry, sheet, plan, who, order.quantity(), files);
        return files;
    }

    /** The files of a strip board: the plan, its tables and pages, the bill and the bench guide. */
    public static OutputSet strip(
            BoardGeometry geometry,
            StripLayout layout,
            CapabilitySheet sheet,
            PartsPlan plan,
            Order order) {
        List<OutputFile> files = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        files.add(
                new OutputFile(
                        "strip/plan.json",
                        StripPlanJson.write(layout).getBytes(StandardCharsets.UTF_8),
                        "where parts, cuts and links are"));
        files.add(
                new OutputFile(
                        "strip/plan.pdf",
                        StripPaper.pdf(layout, "Strip board"),
                        "both faces at 1:1, and what to do in which order"));
        files.add(
                new OutputFile(
                        "strip/cuts.csv", StripTables.cutsCsv(layout), "cuts in cutting order"));
        files.add(
                new OutputFile(
                        "strip/links.csv",
                        StripTables.linksCsv(layout),
                        "wire links, with lengths"));
        Assignments who = Assignments.of(geometry, sheet, order, plan);
        AssemblyFiles.list(sheet, who.listed(), "", files);
        AssemblyFiles.bench(geometry, sheet, plan, who, order.quantity(), files);
        return new OutputSet(files, Optional.empty(), remarks);
    }

    /**
     * @param setup how the board is set up, for a mill
     * @param heights probed surfaces that isolation follows, by the side they are of
     * @param plan how the board is populated
     * @param stencilPlan what is chosen about the stencil
     * @param order what is ordered, and how many
     * @param panel the panel that is made beside the single board
     */
    public static OutputSet make(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            MillSetup setup,
            Map<Side, HeightMap> heights,
            PartsPlan plan,
            StencilPlan stencilPlan,
            Order order,
            Optional<PanelAsk> panel) {
        Board board = geometry.board();
        List<OutputFile> files = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        List<Part> parts = Population.of(board, plan.variants());
        Map<Side, Stencil> stencils = Stencil.of(geometry, stencilPlan, parts);
        Map<Side, StencilSheet> sheets = new EnumMap<>(Side.class);
        stencils.forEach((side, s) -> sheets.put(side, StencilSheet.of(geometry, s, stencilPlan)));
        FabricationFiles.write(
                geometry,
                OwnNetlist.places(geometry),
                sheet,
                order,
                StencilFiles.paste(stencilPlan, sheets),
                files);
        StencilFiles.write(board, geometry.boardArea(), stencilPlan, sheets, files, remarks);
        files.addAll(assembly(geometry, sheet, plan, order, remarks));
        FabricationFiles.mechanical(
                geometry, sheet, order, PartBodies.of(geometry, plan), files, remarks);
        Optional<MillingPlan> milling = sheet.mill().map(m -> MillingPlan.of(geometry, m, setup));
        milling.ifPresent(
                p -> {
                    for (Program program : Levelling.programs(p, heights)) {
                        files.add(
                                new OutputFile(
                                        "milling/" + program.file(),
                                        ProgramWriter.write(program, p.mill()),
                                        purpose(program)));
                    }
                    bench(geometry, sheet, p, stencils, stencilPlan, files);
                    remarks.addAll(p.problems());
                });
        panel.ifPresent(
                p ->
                        PanelFiles.write(
                                p.on(geometry), sheet, setup, stencilPlan, order, files, remarks));
        return new OutputSet(files, milling, remarks);
    }

    /** What goes to the bench beside the programs of the plan. */
    private static void bench(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            MillingPlan plan,
            Map<Side, Stencil> stencils,
            StencilPlan stencilPlan,
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
            if (!stencils.containsKey(side)) {
                continue;
            }
            Geometry openings =
                    Geo.union(
                            stencils.get(side).area(),
                            AlignHoles.about(
                                    geometry.boardArea(), stencilPlan.mounting().alignMm()));
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
}
