package dev.lastcut.core.formats.drill;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Segment;
import java.util.List;

/**
 * A path that a tool routes all round.
 *
 * @param path the middle of the tool, closed
 * @param slots what the tool would leave, piece by piece
 */
public record DrillRoute(int tool, List<Segment> path, List<Hole> slots) {
    public DrillRoute {
        path = List.copyOf(path);
        slots = List.copyOf(slots);
    }
}
