package dev.lastcut.core.milling;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/** Holes and slots: drilled by size where the rack has the drill, else milled out. */
final class HoleCuts {
    /** Out of the hole, to clear the chips. */
    private static final double CLEAR_NM = 200_000;

    private final List<Hole> holes;
    private final Mill mill;
    private final Flattener flattener;

    HoleCuts(List<Hole> holes, Mill mill, Flattener flattener) {
        this.holes = holes;
        this.mill = mill;
        this.flattener = flattener;
    }

    void add(Side side, MillingPlan.Sink sink, List<String> problems) {
        Map<Long, List<Hole>> drilled = new TreeMap<>();
        Map<Long, Cutter> drills = new TreeMap<>();
        List<Hole> bored = new ArrayList<>();
        for (Hole h : holes) {
            Optional<Cutter> drill = h.isSlot() ? Optional.empty() : mill.drillFor(h.diameter());
            if (drill.isPresent()) {
                drills.put(drill.get().diameter(), drill.get());
                drilled.computeIfAbsent(drill.get().diameter(), k -> new ArrayList<>()).add(h);
            } else {
                bored.add(h);
            }
        }
        drilled.forEach((size, same) -> drill(side, drills.get(size), same, sink));
        bore(side, bored, sink, problems);
    }

    private void drill(Side side, Cutter drill, List<Hole> same, MillingPlan.Sink sink) {
        List<ToolPath> paths = new ArrayList<>();
        for (Hole h : same) {
            paths.add(pecked(h.from().x(), h.from().y(), mill.throughDepth(), drill));
        }
        String name = String.format(Locale.ROOT, "drill-%.2f", Length.toMm(drill.diameter()));
        sink.add(
                name,
                Operation.Kind.DRILLING,
                side,
                drill,
                mill.throughDepth(),
                TravelOrder.visits(paths));
    }

    /** Down in pecks, up out of the hole between them. */
    static ToolPath pecked(double x, double y, double depth, Cutter drill) {
        List<ToolPath.Vertex> pecks = new ArrayList<>();
        for (double to : ContourCut.passes(depth, drill.depthPerPass())) {
            if (!pecks.isEmpty()) {
                pecks.add(new ToolPath.Vertex(x, y, CLEAR_NM));
            }
            pecks.add(new ToolPath.Vertex(x, y, -to));
        }
        return new ToolPath(pecks);
    }

    private void bore(Side side, List<Hole> bored, MillingPlan.Sink sink, List<String> problems) {
        Map<Long, List<ToolPath>> byCutter = new TreeMap<>();
        Map<Long, Cutter> cutters = new TreeMap<>();
        Map<Long, Integer> leftOut = new TreeMap<>();
        for (Hole h : bored) {
            Optional<Cutter> cutter = mill.widestFlat(h.diameter());
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
                (size, paths) ->
                        sink.add(
                                String.format(Locale.ROOT, "bore-%.2f", Length.toMm(size)),
                                Operation.Kind.BORING,
                                side,
                                cutters.get(size),
                                mill.throughDepth(),
                                TravelOrder.visits(paths)));
    }

    private List<ToolPath> bore(Hole h, Cutter c) {
        List<Double> depths = ContourCut.passes(mill.throughDepth(), c.depthPerPass());
        Geometry shape = h.shape(flattener);
        if (h.diameter() - c.diameter() < 2_000) {
            return List.of(ContourCut.plain(Geo.line(h.from(), h.to()), depths));
        }
        List<ToolPath> paths = new ArrayList<>();
        for (LineString ring : ContourCut.rings(shape, c.diameter() / 2.0, false)) {
            paths.add(ContourCut.plain(ring, depths));
        }
        return paths;
    }
}
