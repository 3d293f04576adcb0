package dev.lastcut.core.touch;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Where copper of some nets must not come on a layer: too near to copper of others, to holes, to
 * the edge, to openings of the mask that lay others bare. So clearances are kept by construction.
 */
public final class KeepOff {
    /** Arcs of zones deviate by this much; checks allow for several times that. */
    public static final double CHORD_NM = 200;

    /** Flattened curves are true to this: a distance that falls short by less is kept. */
    public static final double SLACK_NM = 600;

    /**
     * How far to keep, nm.
     *
     * @param hole to unplated holes; negative for not at all
     * @param mask to openings of the mask over other nets; negative for not at all
     */
    public record Distances(double clearance, double edge, double hole, double mask) {
        public static Distances of(TouchClearances room) {
            return new Distances(room.clearance(), room.edge(), room.hole(), room.maskToCopper());
        }
    }

    private final BoardGeometry geometry;
    private final CopperNets nets;
    private final int layer;
    private final Set<Integer> own;
    private final Distances distances;
    private final Drawn drawn;
    private final Map<Double, Geometry> boards = new HashMap<>();

    public KeepOff(BoardGeometry geometry, int layer, Set<Integer> own, Distances distances) {
        this(geometry, layer, own, distances, new Drawn());
    }

    /**
     * @param drawn what the same touch has drawn so far
     */
    public KeepOff(
            BoardGeometry geometry, int layer, Set<Integer> own, Distances distances, Drawn drawn) {
        this.drawn = drawn;
        this.geometry = geometry;
        this.nets = geometry.nets();
        this.layer = layer;
        this.own = own;
        this.distances = distances;
    }

    /**
     * The board, less what is nearer to its edge than copper may come; all of the window if open.
     */
    public Geometry board(double more, Envelope window) {
        if (geometry.boardArea().isEmpty()) {
            return Geo.rectangle(window);
        }
        return boards.computeIfAbsent(
                distances.edge + more, d -> Geo.offset(geometry.boardArea(), -d, CHORD_NM));
    }

    /**
     * The zone within a window, the edge aside.
     *
     * @param more nm beyond the distances: half a brush, for the way of its middle
     */
    public Geometry zone(Envelope window, double more) {
        return Geo.union(parts(window, more));
    }

    public List<Geometry> parts(Envelope window, double more) {
        List<Geometry> parts = new ArrayList<>();
        double by = distances.clearance + more;
        for (CopperNode n : nets.near(layer, Geo.expanded(window, by))) {
            if (!own.contains(n.net())) {
                addGrown(n.piece(), by, window, parts);
            }
        }
        for (Geometry other : drawn.others(layer, own, Geo.expanded(window, by))) {
            parts.add(Geo.offset(other, by, CHORD_NM));
        }
        addHoles(window, more, parts);
        if (distances.mask >= 0) {
            addOpenings(window, distances.mask + more, parts);
        }
        return parts;
    }

    private void addHoles(Envelope window, double more, List<Geometry> parts) {
        double most = Math.max(distances.clearance, distances.hole) + more;
        List<Hole> holes = geometry.board().holes();
        for (int i : geometry.holes().near(Geo.expanded(window, most))) {
            Hole h = holes.get(i);
            boolean ours = h.plated() && own.contains(nets.netOfHole(i));
            boolean asked = h.plated() || distances.hole >= 0;
            if (!ours && asked && (h.span().passes(layer) || !h.plated())) {
                double by = (h.plated() ? distances.clearance : distances.hole) + more;
                parts.add(h.about(geometry.flattener(), by));
            }
        }
    }

    private void addOpenings(Envelope window, double by, List<Geometry> parts) {
        var side = geometry.board().copper().get(layer).role().side();
        if (side.isEmpty()) {
            return;
        }
        PieceIndex mask = geometry.index(Role.of(Role.Kind.MASK, side.get()));
        for (int i : mask.near(Geo.expanded(window, by))) {
            Piece opening = mask.pieces().get(i);
            if (laysOthersBare(opening)) {
                addGrown(opening, by, window, parts);
            }
        }
    }

    /** Whether an opening is over copper, or a hole, of other nets and over none of these. */
    private boolean laysOthersBare(Piece opening) {
        boolean others = false;
        for (CopperNode n : nets.near(layer, opening.envelope())) {
            if (nets.contact().touch(n.piece(), opening)) {
                if (own.contains(n.net()) && !n.isArea()) {
                    return false;
                }
                others |= !own.contains(n.net());
            }
        }
        return others;
    }

    /** Adds all within a distance of a piece; of a large one, of its tiles by the window. */
    public void addGrown(Piece piece, double by, Envelope window, List<Geometry> parts) {
        double r = piece.roundRadius();
        if (r > 0) {
            parts.add(
                    geometry.flattener()
                            .stroke(
                                    new Segment.Line(piece.roundFrom(), piece.roundTo()),
                                    2 * (r + by)));
            return;
        }
        Envelope e = Geo.expanded(window, by);
        boolean all = e.contains(piece.envelope());
        if (all) {
            parts.add(Geo.offset(piece.polygon(), by, CHORD_NM));
            return;
        }
        for (Polygon p : piece.tiles().near(e)) {
            Geometry near = Geo.sharedAreaOffGrid(p, Geo.rectangle(Geo.expanded(e, 1)));
            if (!near.isEmpty()) {
                parts.add(Geo.offset(near, by, CHORD_NM));
            }
        }
    }

    /** What a round brush of a width covers along a path. */
    public Geometry grown(double width, Segment path) {
        return geometry.flattener().stroke(path, width);
    }

    /** Whether a shape of these nets may lie there. */
    public boolean isFree(Geometry shape) {
        Envelope window = shape.getEnvelopeInternal();
        return isOnBoard(shape) && parts(window, 0).stream().noneMatch(z -> overlaps(z, shape));
    }

    /** A place where something is in the way of a shape; {@code usual} where it is the edge. */
    public Pt where(Geometry shape, Pt usual) {
        Geometry shared = Geo.sharedArea(zone(shape.getEnvelopeInternal(), 0), shape);
        return shared.isEmpty() ? usual : Pt.of(shared.getInteriorPoint().getCoordinate());
    }

    public boolean isOnBoard(Geometry shape) {
        return geometry.boardArea().isEmpty()
                || board(0, shape.getEnvelopeInternal()).covers(shape);
    }

    private static boolean overlaps(Geometry zone, Geometry shape) {
        return zone.getEnvelopeInternal().intersects(shape.getEnvelopeInternal())
                && !zone.isEmpty()
                && Geo.sharedArea(zone, shape).getArea() > 1e6;
    }

    /** Whether a hole of a diameter there keeps the web to other holes and to the edge. */
    public static boolean keepsWebs(BoardGeometry g, Pt at, double diameter, double web) {
        Envelope e = Geo.expanded(new Envelope(at.coordinate()), diameter / 2 + web);
        for (int i : g.holes().near(e)) {
            Hole h = g.board().holes().get(i);
            if (h.core().distance(Geo.point(at)) < (diameter + h.diameter()) / 2 + web - 1) {
                return false;
            }
        }
        return g.boardArea().isEmpty()
                || g.boardArea().getBoundary().distance(Geo.point(at)) >= diameter / 2 + web;
    }

    /** The box of a hole, for those who look about it. */
    public static Envelope box(Hole h, double by) {
        return Geo.expanded(HoleIndex.box(h), by);
    }
}
