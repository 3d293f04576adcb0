package dev.lastcut.core.panel;

import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/** Where a panel is broken. */
public sealed interface Break {
    /**
     * A bridge between a board and its neighbour or a rail.
     *
     * @param board the number of the board it holds
     * @param other that of the board at its other end, 0 for a rail
     * @param shape the material across the channel
     * @param bites the middles of the holes to break at
     */
    record Tab(int board, int other, Polygon shape, List<Pt> bites) implements Break {
        public Tab {
            bites = List.copyOf(bites);
        }
    }

    /** A groove from edge to edge of the panel. */
    record Score(LineString line, boolean upright) implements Break {}
}
