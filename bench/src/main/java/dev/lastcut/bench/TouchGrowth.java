package dev.lastcut.bench;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.touch.Drawings;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.Touches;
import dev.lastcut.core.touch.copper.Pour;
import dev.lastcut.core.touch.copper.Relief;
import dev.lastcut.core.touch.mend.Mending;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Times a pour's refill on boards of 100 mm width and more and more parts, beside the nets of the
 * board in the same run, and all touches that mend the demo board. Start it in the project's
 * folder.
 */
public final class TouchGrowth {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role BOTTOM = Role.of(Role.Kind.COPPER, Side.BOTTOM);
    private static final double PITCH_MM = 5;

    private TouchGrowth() {}

    public static void main(String[] args) throws Exception {
        PrintStream out = System.out;
        out.printf(
                "%8s %12s %10s %10s %12s %7s%n",
                "parts", "board mm", "nets ms", "top ms", "bottom ms", "x");
        for (int warm = 0; warm < 4; warm++) {
            row(300, warm == 3 ? out : null);
        }
        row(600, out);
        row(1200, out);
        for (int warm = 0; warm < 3; warm++) {
            mend(warm == 2 ? out : null);
        }
    }

    private static void row(int parts, PrintStream out) {
        int columns = 20;
        int rows = parts / columns;
        Board board = board(columns, rows);
        double nets = ms(() -> new BoardGeometry(board));
        BoardGeometry g = new BoardGeometry(board);
        double top = ms(() -> fill(g, TOP));
        double bottom = ms(() -> fill(g, BOTTOM));
        if (out != null) {
            out.printf(
                    "%8d %12s %10.0f %10.0f %12.0f %7.1f%n",
                    parts,
                    Math.round(columns * PITCH_MM) + " × " + Math.round(rows * PITCH_MM + 5),
                    nets,
                    top,
                    bottom,
                    (top + bottom) / nets);
        }
    }

    private static Touched fill(BoardGeometry g, Role layer) {
        Pour pour =
                new Pour(
                        layer,
                        Net.named("GND"),
                        Optional.empty(),
                        200_000,
                        300_000,
                        200_000,
                        Optional.of(new Relief(4, 300_000, 250_000)),
                        false,
                        false,
                        Optional.empty(),
                        Optional.empty());
        Touched t =
                Touches.on(g, List.of(new Step(pour, true)), TouchClearances.USUAL, Drawings.NONE);
        if (!t.outcomes().get(0).done()) {
            throw new IllegalStateException(t.outcomes().get(0).why());
        }
        return t;
    }

    /**
     * Parts of two pads each, one of them ground, the other led to a via and on to the next part.
     */
    private static Board board(int columns, int rows) {
        List<Feature> top = new ArrayList<>();
        List<Feature> bottom = new ArrayList<>();
        List<Hole> holes = new ArrayList<>();
        List<Netlist.Point> points = new ArrayList<>();
        for (int i = 0; i < columns * rows; i++) {
            double x = 2.5 + i % columns * PITCH_MM;
            double y = 4 + i / columns * PITCH_MM;
            String net = "N" + i / 2;
            pad(top, x - 1, y);
            pad(top, x + 1, y);
            top.add(line(x + 1, y, x + 1, y + 2));
            bottom.add(line(x + 1, y + 2, i % 2 == 0 ? x + 3.4 : x - 1.6, y + 2));
            round(top, x + 1, y + 2);
            round(bottom, x + 1, y + 2);
            holes.add(new Hole(Pt.mm(x + 1, y + 2), Pt.mm(x + 1, y + 2), 300_000, true, "h", 1));
            points.add(point("GND", "R" + i, "1", x - 1, y, Side.TOP));
            points.add(point(net, "R" + i, "2", x + 1, y, Side.TOP));
            if (i % 5 == 0) {
                round(top, x - 1, y - 1.6);
                round(bottom, x - 1, y - 1.6);
                top.add(line(x - 1, y, x - 1, y - 1.6));
                Pt via = Pt.mm(x - 1, y - 1.6);
                holes.add(new Hole(via, via, 300_000, true, "h", 1));
            }
        }
        double w = columns * PITCH_MM;
        double h = rows * PITCH_MM + 5;
        List<Feature> edge =
                List.of(line(0, 0, w, 0), line(w, 0, w, h), line(w, h, 0, h), line(0, h, 0, 0));
        return new Board(
                List.of(),
                List.of(
                        new Layer(TOP, "top", top),
                        new Layer(BOTTOM, "bottom", bottom),
                        new Layer(Role.OUTLINE, "edge", edge)),
                Optional.of(OutlineBuilder.build(edge)),
                holes,
                Optional.of(new Netlist("bench", points)),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    private static Netlist.Point point(
            String net, String part, String pin, double x, double y, Side side) {
        return new Netlist.Point(net, part, pin, Pt.mm(x, y), Optional.of(side), false);
    }

    private static void pad(List<Feature> to, double x, double y) {
        flash(to, new Aperture.Rectangle(Length.mm(1), Length.mm(1.3), 0), x, y);
    }

    private static void round(List<Feature> to, double x, double y) {
        flash(to, new Aperture.Circle(Length.mm(0.6), 0), x, y);
    }

    private static void flash(List<Feature> to, Aperture a, double x, double y) {
        to.add(new Feature.Flash(a, Pt.mm(x, y), Orientation.NONE, true, 0, ObjectAttributes.NONE));
    }

    private static Feature line(double x0, double y0, double x1, double y1) {
        return new Feature.Stroke(
                new Aperture.Circle(Length.mm(0.2), 0),
                new Segment.Line(Pt.mm(x0, y0), Pt.mm(x1, y1)),
                Orientation.NONE,
                true,
                0,
                ObjectAttributes.NONE);
    }

    /** All touches that mend the hive scale node. */
    private static void mend(PrintStream out) throws Exception {
        byte[] zip = Files.readAllBytes(Path.of("demo/packs/hive-scale-node.zip"));
        BoardGeometry g =
                new BoardGeometry(Intake.open(PackReader.fromZip("hive-scale-node", zip)));
        CapabilitySheet house = house();
        var findings = CheckRunner.run(new CheckContext(g, house, Headroom.NONE)).findings();
        List<Step> steps =
                new Mending(g, TouchClearances.USUAL)
                        .plan(findings).offers().stream()
                                .map(o -> new Step(o.touch(), true))
                                .toList();
        double all = ms(() -> Touches.on(g, steps, TouchClearances.USUAL, Drawings.NONE));
        if (out != null) {
            out.printf("%d touches that mend the hive scale node: %.0f ms%n", steps.size(), all);
        }
    }

    private static CapabilitySheet house() {
        Map<LimitKey, Limit> limits =
                Map.of(
                        LimitKey.CLEARANCE, mm(0.15),
                        LimitKey.COPPER_SLIVER, mm(0.12),
                        LimitKey.ANNULAR_RING, mm(0.15),
                        LimitKey.MASK_DAM, mm(0.1),
                        LimitKey.SILK_TO_MASK, mm(0.1));
        return new CapabilitySheet(
                "bench",
                "Bench",
                CapabilitySheet.Kind.HOUSE,
                "",
                limits,
                4,
                true,
                Map.of(),
                List.of(),
                new Price("EUR", 0, 0, 0),
                Optional.empty());
    }

    private static Limit mm(double value) {
        return new Limit(value, "mm", "bench", "2026-01-01");
    }

    private static double ms(Runnable what) {
        long start = System.nanoTime();
        what.run();
        return (System.nanoTime() - start) / 1e6;
    }
}
