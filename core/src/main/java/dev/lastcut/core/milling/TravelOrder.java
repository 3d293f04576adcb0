package dev.lastcut.core.milling;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Orders tool paths so that the way between them is short: strip by strip, to and fro. */
final class TravelOrder {
    private TravelOrder() {}

    /** Takes n log n time; the way is within a constant of the shortest for evenly spread paths. */
    static List<ToolPath> strips(List<ToolPath> paths) {
        if (paths.size() < 3) {
            return paths;
        }
        double minX = paths.stream().mapToDouble(p -> p.first().x()).min().orElse(0);
        double maxX = paths.stream().mapToDouble(p -> p.first().x()).max().orElse(0);
        double minY = paths.stream().mapToDouble(p -> p.first().y()).min().orElse(0);
        double maxY = paths.stream().mapToDouble(p -> p.first().y()).max().orElse(0);
        double area = Math.max(1, (maxX - minX) * (maxY - minY));
        double height = Math.max(1, Math.sqrt(3 * area / paths.size()));
        record Placed(ToolPath path, long strip) {}
        List<Placed> placed = new ArrayList<>();
        for (ToolPath p : paths) {
            placed.add(new Placed(p, (long) ((p.first().y() - minY) / height)));
        }
        placed.sort(
                Comparator.comparingLong(Placed::strip)
                        .thenComparingDouble(
                                p ->
                                        p.strip() % 2 == 0
                                                ? p.path().first().x()
                                                : -p.path().first().x())
                        .thenComparingDouble(p -> p.path().first().y()));
        return placed.stream().map(Placed::path).toList();
    }
}
