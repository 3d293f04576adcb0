package dev.lastcut.core.milling.level;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramToBoardTransform;
import dev.lastcut.core.milling.ToolPath;
import dev.lastcut.core.milling.ToolPath.Vertex;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Lets the tool follow the surface. Moves are split until the straight line between their ends is
 * never further from the surface than a stated amount.
 */
public final class Levelling {
    private static final int DEEPEST = 14;

    /** Below this length a move is not split further, nm. */
    private static final double SHORTEST_NM = 20_000;

    private final Surface surface;
    private final double tolerance;

    private Levelling(Surface surface, double tolerance) {
        this.surface = surface;
        this.tolerance = tolerance;
    }

    /** How far a levelled tool may be from its depth between the points of its path, nm. */
    public static final double TOLERANCE_NM = 2_000;

    /** The programs of a plan, isolation on the sides with a surface following it. */
    public static List<Program> programs(MillingPlan plan, Map<Side, HeightMap> heights) {
        List<Program> programs = new ArrayList<>();
        for (Program p : plan.programs()) {
            HeightMap map = heights.get(p.side());
            List<Operation> operations = new ArrayList<>();
            for (Operation o : p.operations()) {
                boolean follows = map != null && o.kind() == Operation.Kind.ISOLATION;
                operations.add(follows ? level(o, map, TOLERANCE_NM) : o);
            }
            programs.add(new Program(p.file(), p.side(), operations));
        }
        return programs;
    }

    /**
     * @param toleranceNm how far the tool may be from its depth under the surface between points
     */
    public static Operation level(Operation o, Surface surface, double toleranceNm) {
        Levelling l = new Levelling(surface, toleranceNm);
        return o.withPaths(o.paths().stream().map(p -> l.level(p, o.toPack())).toList());
    }

    private ToolPath level(ToolPath path, ProgramToBoardTransform to) {
        List<Vertex> out = new ArrayList<>();
        List<Vertex> in = path.vertices();
        out.add(raised(in.get(0), to));
        for (int i = 1; i < in.size(); i++) {
            split(in.get(i - 1), in.get(i), to, out, 0);
        }
        return new ToolPath(out);
    }

    private Vertex raised(Vertex v, ProgramToBoardTransform to) {
        return new Vertex(v.x(), v.y(), v.z() + height(v, to));
    }

    private double height(Vertex v, ProgramToBoardTransform to) {
        return surface.heightAt(to.programX(v.x()), to.programY(v.y()));
    }

    /** Adds what follows {@code a} up to and with {@code b}. */
    private void split(
            Vertex a, Vertex b, ProgramToBoardTransform to, List<Vertex> out, int depth) {
        double ha = height(a, to);
        double hb = height(b, to);
        boolean follows = true;
        for (int q = 1; q < 4; q++) {
            double t = q / 4.0;
            Vertex m = between(a, b, t);
            follows &= Math.abs(height(m, to) - (ha + t * (hb - ha))) <= tolerance;
        }
        double length = Math.hypot(b.x() - a.x(), b.y() - a.y());
        // A cell of the grid is crossed in a moment: its kinks are looked for in halves as well.
        boolean longMove = length > 2_000_000 && depth < 6;
        if ((follows && !longMove) || depth >= DEEPEST || length < SHORTEST_NM) {
            out.add(raised(b, to));
            return;
        }
        Vertex m = between(a, b, 0.5);
        split(a, m, to, out, depth + 1);
        split(m, b, to, out, depth + 1);
    }

    private static Vertex between(Vertex a, Vertex b, double t) {
        return new Vertex(
                a.x() + t * (b.x() - a.x()),
                a.y() + t * (b.y() - a.y()),
                a.z() + t * (b.z() - a.z()));
    }
}
