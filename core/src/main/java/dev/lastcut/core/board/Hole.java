package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import org.locationtech.jts.geom.Geometry;

/**
 * A hole or a slot: what a round tool of {@code diameter} nm leaves between two places. They are
 * equal for a round hole.
 */
public record Hole(Pt from, Pt to, long diameter, boolean plated, String file, int line) {
    public boolean isSlot() {
        return !from.equals(to);
    }

    public Pt middle() {
        return from.middle(to);
    }

    public Geometry shape(Flattener flattener) {
        return flattener.stroke(new Segment.Line(from, to), diameter);
    }
}
