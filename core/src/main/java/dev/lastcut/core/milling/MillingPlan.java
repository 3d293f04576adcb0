package dev.lastcut.core.milling;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * The operations that make a board on a mill, in order of use. What the rack cannot do is left out
 * and said in {@link #problems()}.
 */
public final class MillingPlan {
    private final BoardGeometry geometry;
    private final Mill mill;
    private final Envelope extent;
    private final List<Operation> operations = new ArrayList<>();
    private final List<String> problems = new ArrayList<>();
    private final Map<Side, Isolation> isolations = new TreeMap<>();

    private MillingPlan(BoardGeometry geometry, Mill mill) {
        this.geometry = geometry;
        this.mill = mill;
        this.extent = extent(geometry);
    }

    public static MillingPlan of(BoardGeometry geometry, Mill mill) {
        MillingPlan plan = new MillingPlan(geometry, mill);
        Side drillSide = Side.TOP;
        for (Side side : Side.values()) {
            if (geometry.copperIndex(side) >= 0) {
                plan.isolate(side);
            }
        }
        if (geometry.copperIndex(Side.TOP) < 0 && geometry.copperIndex(Side.BOTTOM) >= 0) {
            drillSide = Side.BOTTOM;
        }
        plan.drill(drillSide);
        plan.contour(drillSide);
        return plan;
    }

    private static Envelope extent(BoardGeometry geometry) {
        if (!geometry.boardArea().isEmpty()) {
            return geometry.boardArea().getEnvelopeInternal();
        }
        Envelope all = new Envelope();
        geometry.nets().nodes().forEach(n -> all.expandToInclude(n.envelope()));
        return all;
    }

    public List<Operation> operations() {
        return operations;
    }

    /** Sentences about what could not be planned. */
    public List<String> problems() {
        return problems;
    }

    public Map<Side, Isolation> isolations() {
        return isolations;
    }

    /** The isolation of one side, or empty when the rack has no V tool or the side no copper. */
    public static Optional<Isolation> isolation(BoardGeometry geometry, Mill mill, Side side) {
        int layer = geometry.copperIndex(side);
        Optional<Cutter> cutter = mill.isolationCutter();
        if (layer < 0 || cutter.isEmpty()) {
            return Optional.empty();
        }
        // The check and the programs want the same isolation, and it takes its time.
        record Key(Mill mill, Side side) {}
        return Optional.of(
                geometry.once(
                        new Key(mill, side), () -> isolate(geometry, mill, cutter.get(), layer)));
    }

    private static Isolation isolate(BoardGeometry geometry, Mill mill, Cutter cutter, int layer) {
        Map<Integer, List<Geometry>> parts = new TreeMap<>();
        for (CopperNode n : geometry.nets().nodes()) {
            if (n.layer() == layer) {
                parts.computeIfAbsent(n.net(), k -> new ArrayList<>()).add(n.polygon());
            }
        }
        Map<Integer, Geometry> nets = new TreeMap<>();
        parts.forEach((net, polygons) -> nets.put(net, Geo.union(polygons)));
        return Isolation.plan(
                nets,
                geometry.boardArea(),
                cutter,
                mill.isolationDepth(),
                mill.isolationPasses(),
                mill.passOverlap());
    }

    private void isolate(Side side) {
        Optional<Isolation> isolation = isolation(geometry, mill, side);
        if (isolation.isEmpty()) {
            problems.add("The rack has no V tool, so the " + side.word() + " is not isolated.");
            return;
        }
        isolations.put(side, isolation.get());
        add(
                "isolation-" + side.word(),
                Operation.Kind.ISOLATION,
                side,
                isolation.get().cutter(),
                mill.isolationDepth(),
                TravelOrder.strips(isolation.get().toolPaths()));
    }

    private double throughDepth() {
        return (double) mill.stockThickness() + mill.breakthrough();
    }

    private void drill(Side side) {
        Map<Long, List<Hole>> drilled = new TreeMap<>();
        Map<Long, Cutter> drills = new TreeMap<>();
        List<Hole> bored = new ArrayList<>();
        for (Hole h : geometry.board().holes()) {
            Optional<Cutter> drill = h.isSlot() ? Optional.empty() : mill.drillFor(h.diameter());
            if (drill.isPresent()) {
                drills.put(drill.get().diameter(), drill.get());
                drilled.computeIfAbsent(drill.get().diameter(), k -> new ArrayList<>()).add(h);
            } else {
                bored.add(h);
            }
        }
        drilled.forEach((size, holes) -> drill(side, drills.get(size), holes));
        bore(side, bored);
    }

    private void drill(Side side, Cutter drill, List<Hole> holes) {
        List<ToolPath> paths = new ArrayList<>();
        for (Hole h : holes) {
            List<ToolPath.Vertex> pecks = new ArrayList<>();
            List<Double> depths = ContourCut.passes(throughDepth(), drill.depthPerPass());
            for (int i = 0; i < depths.size(); i++) {
                if (i > 0) {
                    // Up out of the hole, to clear the chips.
                    pecks.add(new ToolPath.Vertex(h.from().x(), h.from().y(), 200_000));
                }
                pecks.add(new ToolPath.Vertex(h.from().x(), h.from().y(), -depths.get(i)));
            }
            paths.add(new ToolPath(pecks));
        }
        String name = String.format(Locale.ROOT, "drill-%.2f", Length.toMm(drill.diameter()));
        add(name, Operation.Kind.DRILLING, side, drill, throughDepth(), TravelOrder.strips(paths));
    }

    private void bore(Side side, List<Hole> holes) {
        Map<Long, List<ToolPath>> byCutter = new TreeMap<>();
        Map<Long, Cutter> cutters = new TreeMap<>();
        Map<Long, Integer> leftOut = new TreeMap<>();
        for (Hole h : holes) {
            Optional<Cutter> cutter = widestFlat(h.diameter());
            if (cutter.isEmpty()) {
                leftOut.merge(h.diameter(), 1, Integer::sum);
                continue;
            }
            Cutter c = cutter.get();
            cutters.put(c.diameter(), c);
            byCutter.computeIfAbsent(c.diameter(), k -> new ArrayList<>()).addAll(bore(h, c));
        }
        leftOut.forEach(
                (size, count) ->
                        problems.add(
                                "No drill or end mill in the rack makes holes of "
                                        + Length.text(size)
                                        + ": "
                                        + count
                                        + " left out."));
        byCutter.forEach(
                (size, paths) -> {
                    String name = String.format(Locale.ROOT, "bore-%.2f", Length.toMm(size));
                    add(
                            name,
                            Operation.Kind.BORING,
                            side,
                            cutters.get(size),
                            throughDepth(),
                            paths);
                });
    }

    private Optional<Cutter> widestFlat(double most) {
        return mill.rack().stream()
                .filter(c -> c.kind() == Cutter.Kind.FLAT && c.diameter() <= most)
                .max((a, b) -> Long.compare(a.diameter(), b.diameter()));
    }

    private List<ToolPath> bore(Hole h, Cutter c) {
        List<Double> depths = ContourCut.passes(throughDepth(), c.depthPerPass());
        Geometry shape = h.shape(geometry.flattener());
        if (h.diameter() - c.diameter() < 2_000) {
            return List.of(ContourCut.plain(Geo.line(h.from(), h.to()), depths));
        }
        List<ToolPath> paths = new ArrayList<>();
        for (LineString ring : ContourCut.rings(shape, c.diameter() / 2.0, false)) {
            paths.add(ContourCut.plain(ring, depths));
        }
        return paths;
    }

    private void contour(Side side) {
        Optional<Outline> outline = geometry.board().outline();
        Optional<Cutter> cutter = mill.contourCutter();
        if (outline.isEmpty() || outline.get().outer().isEmpty()) {
            problems.add("There is no closed outline, so no contour is cut.");
            return;
        }
        if (cutter.isEmpty()) {
            problems.add("The rack has no flat end mill, so no contour is cut.");
            return;
        }
        for (List<Segment> cutout : outline.get().cutouts()) {
            cutout(side, cutout, cutter.get());
        }
        outer(side, outline.get(), cutter.get());
    }

    private void cutout(Side side, List<Segment> contour, Cutter wide) {
        Geometry area = Rings.fill(geometry.flattener().polyline(contour));
        Cutter cutter = wide;
        List<LineString> rings = ContourCut.rings(area, cutter.diameter() / 2.0, false);
        if (rings.isEmpty()) {
            Envelope e = area.getEnvelopeInternal();
            Optional<Cutter> finer = widestFlat(Math.min(e.getWidth(), e.getHeight()) - 1_000);
            if (finer.isEmpty()) {
                problems.add("A cut-out is narrower than every end mill; it is left out.");
                return;
            }
            cutter = finer.get();
            rings = ContourCut.rings(area, cutter.diameter() / 2.0, false);
        }
        List<Double> depths = ContourCut.passes(throughDepth(), cutter.depthPerPass());
        List<ToolPath> paths = new ArrayList<>();
        rings.forEach(r -> paths.add(ContourCut.plain(r, depths)));
        add("cutout", Operation.Kind.CUTOUT, side, cutter, throughDepth(), paths);
    }

    private void outer(Side side, Outline outline, Cutter cutter) {
        Geometry area = Rings.fill(geometry.flattener().polyline(outline.outer()));
        List<Double> depths = ContourCut.passes(throughDepth(), cutter.depthPerPass());
        double span = mill.tabWidth() + (double) cutter.diameter();
        double top = mill.stockThickness() - (double) mill.tabHeight();
        List<ToolPath> paths = new ArrayList<>();
        for (LineString ring : ContourCut.rings(area, cutter.diameter() / 2.0, true)) {
            paths.add(ContourCut.withTabs(ring, depths, mill.tabs(), span, top));
        }
        add("contour", Operation.Kind.CONTOUR, side, cutter, throughDepth(), paths);
    }

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
        String file = (operations.size() + 1) + "-" + name + ".nc";
        operations.add(
                new Operation(
                        file,
                        kind,
                        side,
                        cutter,
                        depth,
                        ToPack.seenFrom(side, extent),
                        paths,
                        Duration.minutes(paths, cutter, mill)));
    }
}
