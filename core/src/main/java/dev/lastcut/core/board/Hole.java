package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import org.locationtech.jts.geom.Geometry;

/**
 * A hole or a slot: what a round tool of {@code diameter} nm leaves between two places. They are
 * equal for a round hole.
 *
 * @param span the copper layers it passes
 */
public record Hole(
        Pt from, Pt to, long diameter, boolean plated, String file, int line, Span span) {
    /** A hole through the whole board. */
    public Hole(Pt from, Pt to, long diameter, boolean plated, String file, int line) {
        this(from, to, diameter, plated, file, line, Span.THROUGH);
    }

    public Hole withPlating(boolean nowPlated) {
        return new Hole(from, to, diameter, nowPlated, file, line, span);
    }

    /** The same hole through other layers. */
    public Hole through(Span layers) {
        return new Hole(from, to, diameter, plated, file, line, layers);
    }

    public Hole at(Pt newFrom, Pt newTo, long newDiameter) {
        return new Hole(newFrom, newTo, newDiameter, plated, file, line, span);
    }

    public boolean isSlot() {
        return !from.equals(to);
    }

    public Pt middle() {
        return from.middle(to);
    }

    /** Where the tool's middle goes: a point, or a line for a slot. */
    public Geometry core() {
        return isSlot() ? Geo.line(from, to) : Geo.point(from);
    }

    /** Its width, measured across at its middle. */
    public Measure across() {
        Pt way = isSlot() ? to.minus(from) : new Pt(0, -1);
        double half = diameter / 2.0 / Math.hypot(way.x(), way.y());
        Pt side = new Pt(Math.round(-way.y() * half), Math.round(way.x() * half));
        return new Measure(middle().minus(side), middle().plus(side), diameter);
    }

    /** The same as a stroke of a round brush. */
    public Feature asStroke() {
        return new Feature.Stroke(
                new Aperture.Circle(diameter, 0),
                new Segment.Line(from, to),
                Orientation.NONE,
                true,
                line,
                ObjectAttributes.NONE);
    }

    public Geometry shape(Flattener flattener) {
        return about(flattener, 0);
    }

    /** All that lies within a distance of its wall, and the hole itself; nm. */
    public Geometry about(Flattener flattener, double by) {
        return flattener.stroke(new Segment.Line(from, to), diameter + 2 * by);
    }
}
