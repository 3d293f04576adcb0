package dev.lastcut.demo;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Runs the very programs of the joint box through a simple simulation: what is cut away at which
 * depth, read back from the program text alone.
 */
class MilledJointBoxTest {
    private static final Cutter V = tool("v", Cutter.Kind.V, 100_000, 10, 3_175_000);
    private static final Cutter FLAT = tool("f", Cutter.Kind.FLAT, 0, 0, 2_000_000);
    private static final Mill MILL = mill(0.29, V, FLAT, drill(900_000), drill(1_200_000));

    static Cutter tool(String id, Cutter.Kind kind, long tip, double angle, long diameter) {
        return new Cutter(id, id, kind, tip, angle, diameter, 0, 300, 80, 12_000, 600_000);
    }

    static Mill mill(double channelMm, Cutter... rack) {
        return new Mill(
                List.of(rack),
                new Mill.Stock(200_000_000, 150_000_000, 1_600_000, 35_000),
                new Mill.Bed(220_000_000, 180_000_000, 40_000_000),
                new Mill.Cutting(
                        2_000_000,
                        100_000,
                        Math.round(channelMm * 1e6),
                        0.4,
                        200_000,
                        50_000,
                        1200),
                new Mill.Tabs(4, 2_000_000, 500_000),
                new Mill.Pins(900_000, 4_000_000),
                new Mill.Controller(
                        Mill.Controller.ToolChange.PROGRAM_PER_TOOL, false, false, true, 2));
    }

    private static final MillSetup USUAL = MillSetup.USUAL.withTools(List.of("v"));

    private static BoardGeometry board;
    private static MillingPlan plan;

    static Cutter drill(long d) {
        return new Cutter(
                "d" + d, "drill", Cutter.Kind.DRILL, 0, 0, d, 0, 120, 90, 12_000, 1_000_000);
    }

    @BeforeAll
    static void mill() throws Exception {
        board = DemoPacks.open("joint-box");
        plan = MillingPlan.of(board, MILL, USUAL);
    }

    /** A move at cutting feed, in the pack's nanometres. */
    private record Cut(Coordinate from, Coordinate to) {}

    /** Interprets G0/G1, absolute millimetres; fails on anything else that would move. */
    private static List<Cut> run(Operation o) {
        List<Cut> cuts = new ArrayList<>();
        double[] at = {0, 0, 5};
        int mode = 0;
        boolean spindle = false;
        String program =
                new String(ProgramWriter.write(new Program(o.file(), o.side(), List.of(o)), MILL));
        assertThat(program).contains("G21 G90 G17 G94").endsWith("M2\n");
        for (String line : program.replaceAll("\\(.*?\\)", "").split("\n")) {
            double[] to = at.clone();
            boolean moves = false;
            for (String word : line.strip().split("\\s+")) {
                if (word.isEmpty()) {
                    continue;
                }
                double value = Double.parseDouble(word.substring(1));
                switch (word.charAt(0)) {
                    case 'G' -> mode = value <= 1 ? (int) value : mode;
                    case 'M' -> spindle = value == 3 || (value != 5 && spindle);
                    case 'X' -> to[0] = value;
                    case 'Y' -> to[1] = value;
                    case 'Z' -> to[2] = value;
                    case 'F', 'S', 'P', 'T' -> {}
                    default -> throw new AssertionError("unexpected word " + word);
                }
                moves |= "XYZ".indexOf(word.charAt(0)) >= 0;
            }
            if (moves) {
                boolean below = Math.min(at[2], to[2]) < 0;
                if (mode == 0) {
                    assertThat(to[2]).as("rapid below the surface: %s", line).isPositive();
                } else if (below) {
                    assertThat(spindle).as("cutting with the spindle off").isTrue();
                    cuts.add(new Cut(inPack(o, at), inPack(o, to)));
                }
                at = to;
            }
        }
        return cuts;
    }

    private static Coordinate inPack(Operation o, double[] p) {
        return new Coordinate(
                o.toPack().packX(p[0] * 1e6), o.toPack().packY(p[1] * 1e6), p[2] * 1e6);
    }

    /** What is taken away at a depth below the surface (0: at the copper). */
    private static Geometry removed(Operation o, double depth) {
        List<Geometry> areas = new ArrayList<>();
        List<Coordinate> run = new ArrayList<>();
        double width = 0;
        for (Cut c : run(o)) {
            double above = -Math.min(c.from.getZ(), c.to.getZ()) - depth;
            double now = above < 0 ? 0 : o.cutter().widthAt(above);
            boolean joins =
                    !run.isEmpty() && now == width && run.get(run.size() - 1).equals2D(c.from);
            if (!joins) {
                sweep(run, width, areas);
                run = new ArrayList<>(List.of(c.from));
                width = now;
            }
            run.add(c.to);
        }
        sweep(run, width, areas);
        return Geo.union(areas);
    }

    private static void sweep(List<Coordinate> run, double width, List<Geometry> areas) {
        if (run.size() > 1 && width > 0) {
            Geometry path = Geo.FACTORY.createLineString(run.toArray(Coordinate[]::new));
            areas.add(
                    (path.getLength() < 1 ? Geo.FACTORY.createPoint(run.get(0)) : path)
                            .buffer(width / 2, 24));
        }
    }

    @Test
    void everyNetIsSeparateAndWholeAndNoWantedCopperIsGone() {
        Operation isolation = plan.operations().get(0);
        assertThat(isolation.kind()).isEqualTo(Operation.Kind.ISOLATION);
        assertThat(isolation.toPack().mirrorX()).isTrue();
        Geometry removed = removed(isolation, 0);
        Map<Integer, List<Polygon>> nets = new TreeMap<>();
        for (CopperNode n : board.nets().nodes()) {
            nets.computeIfAbsent(n.net(), k -> new ArrayList<>()).add(n.polygon());
        }
        Geometry copper = Geo.union(nets.values().stream().flatMap(List::stream).toList());
        assertThat(removed.intersection(copper.buffer(-2_000)).getArea()).isZero();
        Geometry left = board.boardArea().difference(removed);
        Map<Integer, Integer> islandOfNet = new TreeMap<>();
        List<Polygon> islands = Geo.polygons(left);
        for (int i = 0; i < islands.size(); i++) {
            for (Map.Entry<Integer, List<Polygon>> net : nets.entrySet()) {
                Geometry inner = Geo.union(net.getValue()).buffer(-3_000);
                if (islands.get(i).intersects(inner)) {
                    // Whole: one island a net. Separate: no island has two.
                    assertThat(islandOfNet.put(net.getKey(), i)).as("net in two islands").isNull();
                }
            }
        }
        assertThat(islandOfNet).hasSize(nets.size());
        assertThat(islandOfNet.values()).doesNotHaveDuplicates();
        assertThat(plan.isolations().get(Side.BOTTOM).joined()).isEmpty();
    }

    /**
     * The planted stub is 0.2 mm from the bus: a cutter of 0.25 mm cannot part them, and says so.
     */
    @Test
    void aGapTooNarrowForTheCutterIsReported() {
        Cutter coarse = tool("w", Cutter.Kind.V, 200_000, 30, 3_175_000);
        MillSetup only = USUAL.withTools(List.of("w"));
        var bridges =
                MillingPlan.isolation(board, mill(0, coarse, FLAT), only, Side.BOTTOM)
                        .orElseThrow()
                        .joined();
        assertThat(bridges).singleElement();
        assertThat(
                        List.of(
                                board.netName(bridges.get(0).netA()),
                                board.netName(bridges.get(0).netB())))
                .containsExactlyInAnyOrder("EXC", "RET");
        assertThat(bridges.get(0).gap().nm()).isBetween(198_000.0, 200_000.0);
    }

    @Test
    void everyHoleIsThereAndInItsSize() {
        double through = MILL.stock().thickness();
        Geometry gone =
                Geo.union(
                        plan.operations().stream()
                                .filter(
                                        o ->
                                                o.kind() == Operation.Kind.DRILLING
                                                        || o.kind() == Operation.Kind.BORING)
                                .map(o -> removed(o, through))
                                .toList());
        List<Hole> holes = board.board().holes();
        assertThat(holes).hasSize(58);
        for (Hole h : holes) {
            Geometry hole = h.shape(Flattener.FINE);
            // A bored hole keeps a core until it falls out; its rim is what counts.
            Geometry rim = hole.difference(hole.buffer(-300_000));
            assertThat(gone.buffer(60_000).covers(rim)).as("%s", h).isTrue();
            assertThat(
                            gone.intersection(hole.buffer(500_000))
                                    .difference(hole.buffer(60_000))
                                    .getArea())
                    .as("%s", h)
                    .isZero();
        }
    }

    @Test
    void theContourLeavesTheBoardOnItsTabs() {
        Operation contour = plan.operations().get(plan.operations().size() - 1);
        assertThat(contour.kind()).isEqualTo(Operation.Kind.CONTOUR);
        Geometry edge = board.boardArea();
        Geometry half = removed(contour, 800_000);
        assertThat(Geo.polygons(edge.buffer(5_000_000).difference(half))).hasSize(2);
        Geometry through = removed(contour, 1_500_000);
        Geometry stock = edge.buffer(5_000_000).difference(through);
        // At full depth the tabs hold board and frame together.
        assertThat(Geo.polygons(stock)).hasSize(1);
        assertThat(through.intersection(edge.buffer(-20_000)).getArea()).isZero();
        Geometry tabs = Geo.difference(Geo.union(Geo.polygons(half)), through);
        assertThat(Geo.polygons(tabs.buffer(-100_000))).hasSize(4);
    }
}
