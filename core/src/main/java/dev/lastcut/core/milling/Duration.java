package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import java.util.List;

/** How long an operation takes, from path lengths and rates. */
final class Duration {
    private Duration() {}

    static double minutes(List<ToolPath> paths, Cutter cutter, Mill mill) {
        double minutes = 0;
        ToolPath.Vertex before = new ToolPath.Vertex(0, 0, 0);
        for (ToolPath p : paths) {
            ToolPath.Vertex first = p.first();
            double travel = Math.hypot(first.x() - before.x(), first.y() - before.y());
            minutes +=
                    mm(travel + 2.0 * mill.cutting().safeHeight()) / mill.cutting().rapidMmPerMin();
            double near = Math.min(mill.cutting().safeHeight(), ProgramWriter.APPROACH_NM);
            minutes += mm(near - first.z()) / cutter.plunge();
            for (int i = 1; i < p.vertices().size(); i++) {
                ToolPath.Vertex a = p.vertices().get(i - 1);
                ToolPath.Vertex b = p.vertices().get(i);
                double flat = Math.hypot(b.x() - a.x(), b.y() - a.y());
                double rate = flat == 0 ? cutter.plunge() : cutter.feed();
                minutes += mm(Math.hypot(flat, b.z() - a.z())) / rate;
            }
            before = p.last();
        }
        return minutes;
    }

    private static double mm(double nm) {
        return nm / 1e6;
    }
}
