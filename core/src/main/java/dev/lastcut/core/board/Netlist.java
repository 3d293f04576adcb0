package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;

/** The connections the design calls for: named nets and the points they must reach. */
public record Netlist(String source, List<Point> points) {
    public Netlist {
        points = List.copyOf(points);
    }

    /**
     * One point of a net.
     *
     * @param net the net's name
     * @param component reference designator, empty for vias
     * @param pin pin name, empty for vias
     * @param at its place
     * @param access the side it can be reached from; empty when from both
     * @param hole true when there is a hole through it
     */
    public record Point(
            String net, String component, String pin, Pt at, Optional<Side> access, boolean hole) {
        public boolean isPin() {
            return !component.isEmpty();
        }
    }

    public long netCount() {
        return points.stream().map(Point::net).filter(n -> !n.isEmpty()).distinct().count();
    }
}
