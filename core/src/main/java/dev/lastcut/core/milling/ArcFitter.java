package dev.lastcut.core.milling;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds the arcs in a row of short lines. An arc replaces lines only where every corner and every
 * middle of a line is within a tolerance of it.
 */
final class ArcFitter {
    private static final int LEAST_LINES = 4;
    private static final double TOLERANCE_NM = 500;
    private static final double LEAST_RADIUS_NM = 10_000;
    private static final double MOST_RADIUS_NM = 1e9;

    private ArcFitter() {}

    /**
     * A move to a vertex: straight, or round a centre.
     *
     * @param turn 0 straight, 1 counter-clockwise, −1 clockwise, in the pack's coordinates
     */
    record Move(ToolPath.Vertex to, int turn, double cx, double cy) {}

    static List<Move> fit(List<ToolPath.Vertex> path) {
        List<Move> moves = new ArrayList<>();
        int at = 0;
        while (at < path.size() - 1) {
            int end = at;
            Optional<Move> best = Optional.empty();
            for (int n = LEAST_LINES; at + n < path.size(); n = n < 8 ? n + 1 : n + n / 4) {
                Optional<Move> arc = arc(path, at, at + n);
                if (arc.isEmpty()) {
                    break;
                }
                best = arc;
                end = at + n;
            }
            if (best.isPresent()) {
                moves.add(best.get());
                at = end;
            } else {
                at++;
                moves.add(new Move(path.get(at), 0, 0, 0));
            }
        }
        return moves;
    }

    private static Optional<Move> arc(List<ToolPath.Vertex> path, int from, int to) {
        ToolPath.Vertex a = path.get(from);
        ToolPath.Vertex b = path.get((from + to) / 2);
        ToolPath.Vertex c = path.get(to);
        double bx = b.x() - a.x();
        double by = b.y() - a.y();
        double cx = c.x() - a.x();
        double cy = c.y() - a.y();
        double cross = 2 * (bx * cy - by * cx);
        if (cross == 0) {
            return Optional.empty();
        }
        double ux = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / cross;
        double uy = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / cross;
        double r = Math.hypot(ux, uy);
        if (r < LEAST_RADIUS_NM || r > MOST_RADIUS_NM) {
            return Optional.empty();
        }
        double x = a.x() + ux;
        double y = a.y() + uy;
        double sweep = 0;
        for (int i = from; i < to; i++) {
            ToolPath.Vertex p = path.get(i);
            ToolPath.Vertex q = path.get(i + 1);
            double mx = (p.x() + q.x()) / 2;
            double my = (p.y() + q.y()) / 2;
            boolean off =
                    p.z() != a.z()
                            || q.z() != a.z()
                            || Math.abs(Math.hypot(q.x() - x, q.y() - y) - r) > TOLERANCE_NM
                            || Math.abs(Math.hypot(mx - x, my - y) - r) > 2 * TOLERANCE_NM;
            double turn =
                    Math.atan2(
                            (p.x() - x) * (q.y() - y) - (p.y() - y) * (q.x() - x),
                            (p.x() - x) * (q.x() - x) + (p.y() - y) * (q.y() - y));
            if (off || turn == 0 || Math.signum(turn) != Math.signum(cross)) {
                return Optional.empty();
            }
            sweep += turn;
        }
        // A full turn's end is its start: left to two arcs.
        return Math.abs(sweep) > 1.9 * Math.PI
                ? Optional.empty()
                : Optional.of(new Move(c, cross > 0 ? 1 : -1, x, y));
    }
}
