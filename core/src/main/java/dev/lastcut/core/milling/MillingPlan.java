package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;

/**
 * The operations that make a board on a mill, in order of use. What the rack cannot do is left out
 * and said in {@link #problems()}.
 *
 * <p>A board with two sides begins at its bottom: index pins, isolation; it is turned over once,
 * and from the top come isolation, holes, cut-outs and last the contour.
 */
public final class MillingPlan {
    private final BoardGeometry geometry;
    private final Mill mill;
    private final MillSetup setup;
    private final Envelope extent;
    private final List<Operation> operations = new ArrayList<>();
    private final List<String> problems = new ArrayList<>();
    private final Map<Side, Isolation> isolations = new TreeMap<>();

    private MillingPlan(BoardGeometry geometry, Mill mill, MillSetup setup) {
        this.geometry = geometry;
        this.mill = mill;
        this.setup = setup;
        this.extent = extent(geometry);
    }

    /** The plan for a board; made once for each mill and set-up. */
    public static MillingPlan of(BoardGeometry geometry, Mill mill, MillSetup setup) {
        record Key(Mill mill, MillSetup setup) {}
        return Recent.of(geometry, new Key(mill, setup), () -> make(geometry, mill, setup));
    }

    private static MillingPlan make(BoardGeometry geometry, Mill mill, MillSetup setup) {
        MillingPlan plan = new MillingPlan(geometry, mill, setup);
        List<Side> sides = sides(geometry, setup);
        Side first = sides.get(0);
        Side last = sides.get(sides.size() - 1);
        plan.checkStock();
        if (sides.size() > 1 && setup.pins() > 0) {
            plan.pins(first);
        }
        Parallel.map(sides, plan::isolated).forEach(plan::add);
        HoleCuts holes = new HoleCuts(geometry.board().holes(), mill, geometry.flattener());
        holes.add(last, plan::add, plan.problems);
        new ContourOperations(geometry, mill).add(last, plan::add, plan.problems);
        return plan;
    }

    /** The sides to mill in their order: those asked for, or those with copper; never none. */
    public static List<Side> sides(BoardGeometry geometry, MillSetup setup) {
        List<Side> sides = new ArrayList<>();
        for (Side side : List.of(Side.BOTTOM, Side.TOP)) {
            boolean asked = setup.sides().isEmpty() || setup.sides().contains(side);
            if (asked && geometry.copperIndex(side) >= 0) {
                sides.add(side);
            }
        }
        return sides.isEmpty() ? List.of(Side.TOP) : sides;
    }

    private static Envelope extent(BoardGeometry geometry) {
        if (!geometry.boardArea().isEmpty()) {
            return geometry.boardArea().getEnvelopeInternal();
        }
        Envelope all = new Envelope();
        geometry.nets().nodes().forEach(n -> all.expandToInclude(n.envelope()));
        return all;
    }

    /** The board's extent in the pack's coordinates, nm. */
    public Envelope extent() {
        return extent;
    }

    public Mill mill() {
        return mill;
    }

    public MillSetup setup() {
        return setup;
    }

    public List<Operation> operations() {
        return operations;
    }

    /** The files for the mill: one for each operation, or one for each side. */
    public List<Program> programs() {
        List<Program> programs = new ArrayList<>();
        if (mill.controller().toolChange() == Mill.Controller.ToolChange.PROGRAM_PER_TOOL) {
            operations.forEach(o -> programs.add(new Program(o.file(), o.side(), List.of(o))));
            return programs;
        }
        for (Side side : List.of(Side.BOTTOM, Side.TOP)) {
            List<Operation> here = operations.stream().filter(o -> o.side() == side).toList();
            if (!here.isEmpty()) {
                String file = (programs.size() + 1) + "-" + side.word() + "-side.nc";
                programs.add(new Program(file, side, here));
            }
        }
        return programs;
    }

    /** Sentences about what could not be planned. */
    public List<String> problems() {
        return problems;
    }

    public Map<Side, Isolation> isolations() {
        return isolations;
    }

    /**
     * The isolation of one side, or empty when the rack has no tool for it or the side no copper.
     */
    public static Optional<Isolation> isolation(
            BoardGeometry geometry, Mill mill, MillSetup setup, Side side) {
        Optional<SideCopper> copper = SideCopper.of(geometry, side, setup.leaveFreeCopper());
        List<Cutter> tools = CutterChoice.tools(geometry, mill, setup);
        if (copper.isEmpty() || tools.isEmpty()) {
            return Optional.empty();
        }
        // A set that was found is the same as one that was chosen.
        MillSetup exact = setup.withTools(tools.stream().map(Cutter::id).toList());
        // The check and the programs want the same isolation, and it takes its time.
        record Key(Mill mill, MillSetup setup, Side side) {}
        return Optional.of(
                Recent.of(
                        geometry,
                        new Key(mill, exact, side),
                        () ->
                                Isolation.plan(
                                        copper.get(),
                                        mill,
                                        setup,
                                        tools,
                                        groundNet(geometry, setup))));
    }

    /** The net that leftover copper is tied to, or -1 when it is tied to none. */
    public static int groundNet(BoardGeometry geometry, MillSetup setup) {
        if (setup.clearing() != MillSetup.Clearing.TIE) {
            return -1;
        }
        for (int net = 0; net < geometry.nets().netCount(); net++) {
            if (geometry.netName(net).equals(setup.ground())) {
                return net;
            }
        }
        return -1;
    }

    /** The isolation of a side with the paths of each of its tools; none without a tool. */
    private record Isolated(Side side, Optional<Isolation> isolation, List<List<ToolPath>> paths) {}

    private Isolated isolated(Side side) {
        Optional<Isolation> isolation = isolation(geometry, mill, setup, side);
        List<Isolation.Work> works = isolation.map(Isolation::works).orElse(List.of());
        return new Isolated(
                side, isolation, Parallel.map(works, w -> paths(side, isolation.get(), w)));
    }

    private List<ToolPath> paths(Side side, Isolation isolation, Isolation.Work work) {
        return Routing.route(
                work,
                isolation.barred(work),
                ContourCut.passes(depth(), work.cutter().depthPerPass()),
                setup.climb() != toPack(side).swapsHands());
    }

    private void add(Isolated isolated) {
        Side side = isolated.side();
        if (geometry.copperIndex(side) < 0) {
            return;
        }
        if (isolated.isolation().isEmpty()) {
            problems.add("The rack has no tool to isolate the " + side.word() + " with.");
            return;
        }
        if (setup.clearing() == MillSetup.Clearing.TIE && groundNet(geometry, setup) < 0) {
            problems.add("The board has no net " + setup.ground() + " to tie copper to.");
        }
        isolations.put(side, isolated.isolation().get());
        List<Isolation.Work> works = isolated.isolation().get().works();
        for (int i = 0; i < works.size(); i++) {
            Cutter c = works.get(i).cutter();
            String name = "isolation-" + side.word();
            String file = works.size() > 1 ? name + "-" + c.id() : name;
            add(file, Operation.Kind.ISOLATION, side, c, depth(), isolated.paths().get(i));
        }
    }

    private double depth() {
        return mill.cutting().isolationDepth();
    }

    private ProgramToBoardTransform toPack(Side side) {
        return ProgramToBoardTransform.seenFrom(side, setup.turnedOver(), extent);
    }

    private void checkStock() {
        if (extent.isNull()) {
            return;
        }
        double room = setup.pins() > 0 && sides(geometry, setup).size() > 1 ? pinDistance() : 0;
        fits(extent.getWidth() + setup.inStockX(), mill.stock().width(), "wide");
        fits(extent.getHeight() + setup.inStockY(), mill.stock().height(), "high");
        boolean upright = setup.turnedOver() == MillSetup.FlipAxis.UPRIGHT;
        double before = upright ? setup.inStockY() : setup.inStockX();
        if (room + mill.pins().diameter() / 2.0 > before) {
            problems.add(
                    String.format(
                            Locale.ROOT,
                            "The index pins stand %.1f mm outside the board, but it lies %.1f mm"
                                    + " from the edge of the stock. Move it further in.",
                            room / 1e6,
                            before / 1e6));
        }
    }

    private void fits(double needed, long stock, String way) {
        if (needed > stock) {
            problems.add(
                    String.format(
                            Locale.ROOT,
                            "With its place in the stock the board needs %.1f mm, but the stock is"
                                    + " %.1f mm %s.",
                            needed / 1e6,
                            stock / 1e6,
                            way));
        }
    }

    /** Clear of the contour's cut. */
    private double pinDistance() {
        double contour = mill.contourCutter().map(Cutter::diameter).orElse(0L);
        return contour + mill.pins().diameter() + 1_000_000.0;
    }

    private void pins(Side side) {
        Optional<Cutter> drill = mill.drillFor(mill.pins().diameter());
        if (drill.isEmpty()) {
            problems.add(
                    String.format(
                            Locale.ROOT,
                            "No drill in the rack for index pins of %.2f mm: none are drilled.",
                            mill.pins().diameter() / 1e6));
            return;
        }
        double depth = mill.stock().thickness() + (double) mill.pins().depth();
        List<ToolPath> paths = new ArrayList<>();
        for (double[] at : pinPlaces()) {
            paths.add(HoleCuts.pecked(at[0], at[1], depth, drill.get()));
        }
        add("index-pins", Operation.Kind.PINS, side, drill.get(), depth, paths);
    }

    /** On the axis the board is turned about, outside it: there a pin meets its hole again. */
    public List<double[]> pinPlaces() {
        List<double[]> places = new ArrayList<>();
        double cx = extent.getMinX() + extent.getWidth() / 2;
        double cy = extent.getMinY() + extent.getHeight() / 2;
        for (int i = 0; i < setup.pins(); i++) {
            double sign = i % 2 == 0 ? -1 : 1;
            double out = pinDistance() * (1 + i / 2);
            places.add(
                    setup.turnedOver() == MillSetup.FlipAxis.UPRIGHT
                            ? new double[] {cx, cy + sign * (extent.getHeight() / 2 + out)}
                            : new double[] {cx + sign * (extent.getWidth() / 2 + out), cy});
        }
        return places;
    }

    /** Takes an operation in; one without paths is nothing to do. */
    private void add(
            String name,
            Operation.Kind kind,
            Side side,
            Cutter cutter,
            double depth,
            List<ToolPath> paths) {
        if (paths.isEmpty()) {
            return;
        }
        if (!cutter.reaches(depth)) {
            problems.add(
                    String.format(
                            Locale.ROOT,
                            "%s cuts %.2f mm deep at most, but %s goes %.2f mm deep.",
                            cutter.name(),
                            cutter.flute() / 1e6,
                            kind.words(),
                            depth / 1e6));
        }
        boolean surface = kind == Operation.Kind.ISOLATION;
        boolean fromBed = !surface && setup.throughZero() == MillSetup.Zero.BED;
        operations.add(
                new Operation(
                        (operations.size() + 1) + "-" + name + ".nc",
                        kind,
                        side,
                        cutter,
                        mill.rack().indexOf(cutter) + 1,
                        depth,
                        fromBed ? mill.stock().thickness() : 0,
                        toPack(side),
                        paths,
                        Duration.minutes(paths, cutter, mill)));
    }

    /** Takes what a part of the plan cuts. */
    interface Sink {
        void add(
                String name,
                Operation.Kind kind,
                Side side,
                Cutter cutter,
                double depth,
                List<ToolPath> paths);
    }
}
