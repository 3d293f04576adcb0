package dev.lastcut.core.milling;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;

/**
 * Orders what a tool visits so that the way between is short: always on to the nearest that is
 * left, found in a grid of cells, so that the time stays near linear.
 */
final class TravelOrder {
    private static final double PER_CELL = 2;

    private final Map<Long, List<Integer>> cells = new HashMap<>();
    private final List<Coordinate> starts;
    private final double size;
    private final double minX;
    private final double minY;
    private final int columns;
    private final int rows;

    private TravelOrder(List<Coordinate> starts) {
        this.starts = starts;
        Envelope all = new Envelope();
        starts.forEach(all::expandToInclude);
        double area = Math.max(1, all.getWidth()) * Math.max(1, all.getHeight());
        double longest = Math.max(1, Math.max(all.getWidth(), all.getHeight()));
        this.size =
                Math.max(
                        longest / Math.max(1, starts.size()),
                        Math.sqrt(PER_CELL * area / Math.max(1, starts.size())));
        this.minX = all.getMinX();
        this.minY = all.getMinY();
        this.columns = (int) (all.getWidth() / size) + 1;
        this.rows = (int) (all.getHeight() / size) + 1;
        for (int i = 0; i < starts.size(); i++) {
            Coordinate c = starts.get(i);
            cells.computeIfAbsent(key(column(c.x), row(c.y)), k -> new ArrayList<>()).add(i);
        }
    }

    /** Single visits, nearest first from the lower left. */
    static List<ToolPath> visits(List<ToolPath> paths) {
        List<Coordinate[]> lines = new ArrayList<>();
        Map<Coordinate[], ToolPath> of = new java.util.IdentityHashMap<>();
        for (ToolPath p : paths) {
            Coordinate[] ends = {
                new Coordinate(p.first().x(), p.first().y()),
                new Coordinate(p.last().x(), p.last().y())
            };
            lines.add(ends);
            of.put(ends, p);
        }
        return nearest(lines).stream().map(of::get).toList();
    }

    /** Lines, each begun where it begins. */
    static List<Coordinate[]> nearest(List<Coordinate[]> lines) {
        if (lines.size() < 2) {
            return lines;
        }
        TravelOrder order = new TravelOrder(lines.stream().map(l -> l[0]).toList());
        List<Coordinate[]> result = new ArrayList<>(lines.size());
        Coordinate at = new Coordinate(order.minX, order.minY);
        for (int i = 0; i < lines.size(); i++) {
            Coordinate[] next = lines.get(order.takeNearest(at));
            result.add(next);
            at = next[next.length - 1];
        }
        return result;
    }

    private int column(double x) {
        return (int) Math.max(0, Math.min(columns - 1, (x - minX) / size));
    }

    private int row(double y) {
        return (int) Math.max(0, Math.min(rows - 1, (y - minY) / size));
    }

    private static long key(int column, int row) {
        return (long) column << 32 | row;
    }

    private int takeNearest(Coordinate at) {
        int cx = column(at.x);
        int cy = row(at.y);
        int best = -1;
        double least = Double.MAX_VALUE;
        // What lies k cells away is at least k - 1 cell sizes away.
        for (int k = 0; best < 0 || (k - 1) * size < least; k++) {
            for (int x = cx - k; x <= cx + k; x++) {
                boolean edge = x == cx - k || x == cx + k;
                for (int y = cy - k; y <= cy + k; y += edge ? 1 : Math.max(1, 2 * k)) {
                    for (int i : cells.getOrDefault(key(x, y), List.of())) {
                        double d = starts.get(i).distance(at);
                        if (d < least) {
                            least = d;
                            best = i;
                        }
                    }
                }
            }
        }
        long home = key(column(starts.get(best).x), row(starts.get(best).y));
        List<Integer> cell = cells.get(home);
        cell.remove((Integer) best);
        if (cell.isEmpty()) {
            cells.remove(home);
        }
        return best;
    }
}
