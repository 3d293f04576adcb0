package dev.lastcut.core.cut;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.OwnNetlist;
import dev.lastcut.core.formats.drawing.DxfWriter;
import dev.lastcut.core.formats.gerber.GerberWriter;
import dev.lastcut.core.formats.netlist.NetlistWriter;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramWriter;
import dev.lastcut.core.panel.Break;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.panel.PanelSource;
import dev.lastcut.core.panel.PlacedBoard;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.openings.Stencil;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;

/** The outputs of a whole panel, in the same folders under {@code panel/}. */
final class PanelFiles {
    private static final double PEN_NM = 100_000;

    private PanelFiles() {}

    static void write(
            PanelAsk.Laid laid,
            CapabilitySheet sheet,
            MillSetup setup,
            StencilPlan stencilPlan,
            Order order,
            List<OutputFile> out,
            List<String> remarks) {
        if (laid.panel().isEmpty()) {
            remarks.add("The panel cannot be made: " + laid.problem() + ".");
            return;
        }
        Panel panel = laid.panel().get();
        BoardGeometry whole = panel.whole();
        PartsPlan parts = panel.parts();
        List<OutputFile> files = new ArrayList<>();
        List<String> said = new ArrayList<>();
        // The place of a mark is one on a board; on the panel it would be somewhere else.
        Order unmarked = order.marked(Optional.empty());
        Map<Side, StencilSheet> sheets =
                StencilSheet.ofPanel(panel, b -> stencils(b.source(), stencilPlan));
        FabricationFiles.write(
                whole,
                places(panel),
                sheet,
                unmarked,
                StencilFiles.paste(stencilPlan, sheets),
                files);
        scores(panel, files);
        StencilFiles.write(whole.board(), panel.material(), stencilPlan, sheets, files, said);
        Assignments who = assignments(panel, sheet, order);
        AssemblyFiles.write(whole.board(), sheet, parts, who, files, said);
        AssemblyFiles.drawing(whole, parts, who, files);
        FabricationFiles.mechanical(whole, sheet, order, panel.bodies(), files, said);
        sheet.mill()
                .ifPresent(
                        mill -> {
                            MillingPlan plan = MillingPlan.of(whole, mill, setup);
                            for (Program p : plan.programs()) {
                                files.add(
                                        new OutputFile(
                                                "milling/" + p.file(),
                                                ProgramWriter.write(p, mill),
                                                String.format(
                                                        Locale.ROOT,
                                                        "%s, from the %s, about %.0f min",
                                                        p.operations().get(0).kind().words(),
                                                        p.side().word(),
                                                        Math.ceil(p.minutes()))));
                            }
                            said.addAll(plan.problems());
                        });
        for (OutputFile f : files) {
            out.add(new OutputFile("panel/" + f.path(), f.content(), "panel: " + f.purpose()));
        }
        said.stream()
                .map(s -> "Panel: " + s)
                .filter(s -> !remarks.contains(s.substring("Panel: ".length())))
                .forEach(remarks::add);
    }

    private static Assignments assignments(Panel panel, CapabilitySheet sheet, Order order) {
        Map<PanelSource, Assignments> ofSource = new HashMap<>();
        Map<String, Assignment> verdicts = new HashMap<>();
        for (PlacedBoard b : panel.boards()) {
            ofSource.computeIfAbsent(
                            b.source(), s -> Assignments.of(s.geometry(), sheet, order, s.parts()))
                    .all()
                    .forEach(a -> verdicts.put(b.named(a.part().designator()), a));
        }
        return Assignments.onPanel(
                !sheet.fittedSides(order).isEmpty(),
                Population.of(panel.whole().board(), panel.parts().variants()),
                verdicts);
    }

    private static Map<Side, StencilSheet> stencils(PanelSource source, StencilPlan plan) {
        BoardGeometry g = source.geometry();
        Map<Side, StencilSheet> all = new EnumMap<>(Side.class);
        Stencil.of(g, plan, Population.of(g.board(), source.parts().variants()))
                .forEach((side, s) -> all.put(side, StencilSheet.of(g, s, plan)));
        return all;
    }

    /** The places of every board's nets, by their names on the panel. */
    private static List<NetlistWriter.Place> places(Panel panel) {
        Map<PanelSource, List<NetlistWriter.Place>> known = new HashMap<>();
        List<NetlistWriter.Place> all = new ArrayList<>();
        for (PlacedBoard b : panel.boards()) {
            boolean upright = Math.floorMod(Math.round(b.rotationDeg() / 90), 2) == 1;
            for (NetlistWriter.Place p :
                    known.computeIfAbsent(b.source(), s -> OwnNetlist.places(s.geometry()))) {
                all.add(
                        new NetlistWriter.Place(
                                b.named(p.net()),
                                b.named(p.component()),
                                p.pin(),
                                b.onPanel(p.at()),
                                p.access(),
                                p.hole(),
                                p.plated(),
                                upright ? p.height() : p.width(),
                                upright ? p.width() : p.height()));
            }
        }
        return all;
    }

    /** The grooves as a picture of their own and as a drawing. */
    private static void scores(Panel panel, List<OutputFile> files) {
        if (panel.scores().isEmpty()) {
            return;
        }
        List<Feature> lines = new ArrayList<>();
        DxfWriter dxf = new DxfWriter();
        for (Break.Score s : panel.scores()) {
            Coordinate[] c = s.line().getCoordinates();
            Segment line = new Segment.Line(Pt.of(c[0]), Pt.of(c[c.length - 1]));
            lines.add(
                    new Feature.Stroke(
                            new Aperture.Circle(PEN_NM, 0),
                            line,
                            Orientation.NONE,
                            true,
                            0,
                            ObjectAttributes.NONE));
            dxf.line("SCORE", line.from(), line.to());
        }
        files.add(
                new OutputFile(
                        "fabrication/v-score.gbr",
                        GerberWriter.write(GerberWriter.fileAttributes("Vcut", true), lines),
                        "V-scores, from edge to edge"));
        files.add(new OutputFile("fabrication/v-score.dxf", dxf.write(), "the same as a drawing"));
    }
}
