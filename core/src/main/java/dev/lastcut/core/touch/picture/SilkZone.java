package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.operation.linemerge.LineMerger;

/**
 * Where silk must not be printed on a side: on openings of the mask (on pads, where the pack has no
 * mask), on holes, off the board; each with a distance.
 */
final class SilkZone {
    /** Shorter bits of a stroke are left out: a dot that says nothing. */
    private static final double DOT_NM = 100_000;

    /** What of a filled figure is thinner than this when it is clipped is left out. */
    private static final double THIN_NM = 100_000;

    private final Work work;
    private final Side side;
    private final double clear;
    private final KeepOff shapes;
    private final Map<Double, Geometry> boards = new HashMap<>();

    SilkZone(Work work, Side side, double clear) {
        this.work = work;
        this.side = side;
        this.clear = clear;
        this.shapes =
                new KeepOff(
                        work.geometry(),
                        0,
                        Set.of(),
                        new KeepOff.Distances(clear, clear, clear, -1));
    }

    /** The zones within a window, for the middle of a brush of twice {@code more}. */
    List<Geometry> parts(Envelope window, double more) {
        double by = clear + more;
        List<Geometry> all = new ArrayList<>();
        Envelope e = Geo.expanded(window, by);
        Role mask = Role.of(Role.Kind.MASK, side);
        if (work.board().layer(mask).isPresent()) {
            PieceIndex openings = work.geometry().index(mask);
            openings.near(e)
                    .forEach(i -> shapes.addGrown(openings.pieces().get(i), by, window, all));
        } else {
            Pads.on(work.geometry(), side).stream()
                    .filter(p -> p.node().envelope().intersects(e))
                    .forEach(p -> shapes.addGrown(p.node().piece(), by, window, all));
        }
        for (int i : work.geometry().holes().near(e)) {
            Hole h = work.board().holes().get(i);
            if (!h.plated() || h.diameter() > 500_000) {
                all.add(h.about(work.geometry().flattener(), by));
            }
        }
        return all;
    }

    /** The board less its rim. */
    private Geometry board(double more) {
        return boards.computeIfAbsent(more, m -> Geo.offset(work.geometry().boardArea(), -m, 100));
    }

    boolean isFree(Geometry shape) {
        boolean on =
                work.geometry().boardArea().isEmpty() || work.geometry().boardArea().covers(shape);
        return on
                && parts(shape.getEnvelopeInternal(), 0).stream()
                        .noneMatch(z -> !z.isEmpty() && z.intersects(shape));
    }

    /** Where a shape is in the way of something; for the sentence. */
    Pt where(Geometry shape) {
        for (Geometry z : parts(shape.getEnvelopeInternal(), 0)) {
            Geometry shared = Geo.sharedArea(z, shape);
            if (!shared.isEmpty()) {
                return Pt.of(shared.getInteriorPoint().getCoordinate());
            }
        }
        return Pt.of(shape.getInteriorPoint().getCoordinate());
    }

    /**
     * What of a feature may stay.
     *
     * @param width the width it is drawn with from now on, where it is a stroke; 0: its own
     * @return the feature itself where all of it may, at its own width
     */
    List<Feature> clipped(Feature f, Geometry shape, double width) {
        if (f instanceof Feature.Stroke s && s.roundWidth() > 0) {
            return clipped(s, width > 0 ? width : s.roundWidth());
        }
        Envelope window = shape.getEnvelopeInternal();
        List<Geometry> zones = parts(window, 0);
        zones.removeIf(z -> z.isEmpty() || !z.intersects(shape));
        boolean off = !work.geometry().boardArea().isEmpty() && !board(clear).covers(shape);
        if (zones.isEmpty() && !off) {
            return List.of(f);
        }
        Geometry left = Geo.difference(shape, Geo.union(zones));
        if (off) {
            left = Geo.sharedArea(left, board(clear));
        }
        left = Geo.offset(Geo.offset(left, -THIN_NM / 2, 100), THIN_NM / 2, 100);
        return Features.regions(Geo.sharedArea(left, shape), f.attributes());
    }

    private List<Feature> clipped(Feature.Stroke s, double width) {
        Coordinate[] line = work.geometry().flattener().polyline(List.of(s.path()));
        boolean same = Math.abs(width - s.roundWidth()) < 1;
        if (s.path() instanceof Segment.Line && s.path().from().equals(s.path().to())) {
            boolean free = isFree(work.geometry().flattener().stroke(s.path(), width));
            return !free
                    ? List.of()
                    : List.of(same ? s : Features.stroke(s.path(), width, s.attributes()));
        }
        Geometry way = Geo.FACTORY.createLineString(line);
        Geometry left = way;
        for (Geometry z : parts(way.getEnvelopeInternal(), width / 2)) {
            if (z.intersects(left)) {
                left = left.difference(z);
            }
        }
        double rim = clear + width / 2;
        if (!work.geometry().boardArea().isEmpty() && !board(rim).covers(left)) {
            left = left.intersection(board(rim));
        }
        if (left == way) {
            return List.of(same ? s : Features.stroke(s.path(), width, s.attributes()));
        }
        LineMerger merger = new LineMerger();
        merger.add(left);
        List<Feature> all = new ArrayList<>();
        for (Object o : merger.getMergedLineStrings()) {
            LineString l = (LineString) o;
            if (l.getLength() >= DOT_NM) {
                segment(s.path(), l)
                        .forEach(p -> all.add(Features.stroke(p, width, s.attributes())));
            }
        }
        return all;
    }

    /** The part of a path that a part of its flattened line stands for. */
    private static List<Segment> segment(Segment path, LineString part) {
        Coordinate[] c = part.getCoordinates();
        Pt a = Pt.of(c[0]);
        Pt b = Pt.of(c[c.length - 1]);
        if (path instanceof Segment.Arc arc && !a.equals(b)) {
            // The merger may have turned the part round: along the arc a comes first.
            double turn = arc.clockwise() ? -1 : 1;
            double cross =
                    (c[0].x - arc.centerX()) * (c[1].y - arc.centerY())
                            - (c[0].y - arc.centerY()) * (c[1].x - arc.centerX());
            boolean along = cross * turn > 0;
            return List.of(
                    new Segment.Arc(
                            along ? a : b,
                            along ? b : a,
                            arc.centerX(),
                            arc.centerY(),
                            arc.clockwise()));
        }
        return a.equals(b) ? List.of() : List.of(new Segment.Line(a, b));
    }
}
