package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.geometry.EdgeIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.work.WorkLimit;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/**
 * Whether pieces of copper touch. Round pads and straight tracks are compared by the distance of
 * their middle lines, which is exact and fast; everything else by its polygons, large ones through
 * an index. Shapes that meet within 2 nm touch: files round their places to that.
 */
public final class Contact {
    /** Whether the result is still wanted is asked after so many edges. */
    private static final int EDGES_OF_A_LOOK = 256;

    private static final int LARGE = 40;
    private static final double ROUNDING_NM = 2;

    private final Map<Piece, PreparedGeometry> prepared = new ConcurrentHashMap<>();
    private final Map<Piece, EdgeIndex> edges = new ConcurrentHashMap<>();

    /** Whether two pieces touch. */
    public boolean touch(Piece a, Piece b) {
        double ra = a.roundRadius();
        double rb = b.roundRadius();
        if (ra > 0 && rb > 0) {
            return apart(a, b) <= ra + rb + ROUNDING_NM;
        }
        if (ra > 0 || rb > 0) {
            Piece round = ra > 0 ? a : b;
            Piece other = ra > 0 ? b : a;
            return meets(other, start(round), end(round), Math.max(ra, rb));
        }
        boolean swap = b.polygon().getNumPoints() > a.polygon().getNumPoints();
        Piece large = swap ? b : a;
        Piece small = swap ? a : b;
        if (large.polygon().getNumPoints() < LARGE) {
            return large.polygon().intersects(small.polygon());
        }
        return prepared.computeIfAbsent(
                        large, k -> PreparedGeometryFactory.prepare(large.polygon()))
                .intersects(small.polygon());
    }

    /** Whether a piece touches the wall of a hole, or lies over it. */
    public boolean touch(Piece piece, Hole hole) {
        double r = piece.roundRadius();
        Coordinate from = hole.from().coordinate();
        Coordinate to = hole.to().coordinate();
        double reach = hole.diameter() / 2.0;
        if (r > 0) {
            double d = Distance.segmentToSegment(start(piece), end(piece), from, to);
            return d <= r + reach + ROUNDING_NM;
        }
        return meets(piece, from, to, reach);
    }

    /** Whether a piece covers a place. */
    public boolean covers(Piece piece, Pt place) {
        double r = piece.roundRadius();
        Coordinate p = place.coordinate();
        if (r > 0) {
            return Distance.pointToSegment(p, start(piece), end(piece)) <= r + ROUNDING_NM;
        }
        return piece.envelope().contains(p) && edges(piece).locate(p) != Location.EXTERIOR;
    }

    /**
     * The gap between two pieces, nm: 0 where they overlap, infinite where it is {@code limit} or
     * more.
     */
    public double gap(Piece a, Piece b, double limit) {
        double ra = a.roundRadius();
        double rb = b.roundRadius();
        double gap;
        if (ra > 0 && rb > 0) {
            gap = apart(a, b) - ra - rb;
        } else if (ra > 0 || rb > 0) {
            Piece round = ra > 0 ? a : b;
            gap = gap(ra > 0 ? b : a, start(round), end(round), Math.max(ra, rb), limit);
        } else {
            gap = gapOfPolygons(a, b, limit);
        }
        return gap < limit ? Math.max(0, gap) : Double.POSITIVE_INFINITY;
    }

    /** The gap between a piece and the wall of a hole, as {@link #gap(Piece, Piece, double)}. */
    public double gap(Piece piece, Hole hole, double limit) {
        double r = piece.roundRadius();
        Coordinate from = hole.from().coordinate();
        Coordinate to = hole.to().coordinate();
        double reach = hole.diameter() / 2.0;
        double gap =
                r > 0
                        ? Distance.segmentToSegment(start(piece), end(piece), from, to) - r - reach
                        : gap(piece, from, to, reach, limit);
        return gap < limit ? Math.max(0, gap) : Double.POSITIVE_INFINITY;
    }

    /**
     * The ring that a piece alone leaves round a hole, nm: 0 where it does not cover the hole,
     * infinite where the ring is {@code limit} or more. Other copper can only widen it.
     */
    public double ring(Piece piece, Hole hole, double limit) {
        double r = piece.roundRadius();
        double wall = hole.diameter() / 2.0;
        Coordinate from = hole.from().coordinate();
        Coordinate to = hole.to().coordinate();
        double ring;
        if (r > 0) {
            double off =
                    Math.max(
                            Distance.pointToSegment(from, start(piece), end(piece)),
                            Distance.pointToSegment(to, start(piece), end(piece)));
            ring = r - off - wall;
        } else {
            EdgeIndex index = edges(piece);
            if (index.locate(from) == Location.EXTERIOR) {
                return 0;
            }
            Envelope reach = Geo.expanded(new Envelope(from, to), wall + limit);
            ring = index.distance(reach, from, to) - wall;
        }
        return ring < limit ? Math.max(0, ring) : Double.POSITIVE_INFINITY;
    }

    private double gap(Piece piece, Coordinate from, Coordinate to, double radius, double limit) {
        EdgeIndex index = edges(piece);
        if (index.locate(from) != Location.EXTERIOR) {
            return 0;
        }
        Envelope reach = Geo.expanded(new Envelope(from, to), radius + limit);
        return index.distance(reach, from, to) - radius;
    }

    private double gapOfPolygons(Piece a, Piece b, double limit) {
        boolean swap = b.polygon().getNumPoints() > a.polygon().getNumPoints();
        Piece large = swap ? b : a;
        Polygon small = (swap ? a : b).polygon();
        EdgeIndex index = edges(large);
        Envelope reach = Geo.expanded(large.envelope(), limit);
        double best = Double.POSITIVE_INFINITY;
        for (int r = -1; r < small.getNumInteriorRing(); r++) {
            Coordinate[] ring =
                    (r < 0 ? small.getExteriorRing() : small.getInteriorRingN(r)).getCoordinates();
            for (int i = 1; i < ring.length; i++) {
                Envelope edge = new Envelope(ring[i - 1], ring[i]);
                if (i % EDGES_OF_A_LOOK == 0) {
                    WorkLimit.ask();
                }
                if (reach.intersects(edge)) {
                    edge.expandBy(limit);
                    best = Math.min(best, index.distance(edge, ring[i - 1], ring[i]));
                }
            }
        }
        boolean inside =
                index.locate(small.getCoordinate()) != Location.EXTERIOR
                        || edges(swap ? a : b).locate(large.polygon().getCoordinate())
                                != Location.EXTERIOR;
        return inside ? 0 : best;
    }

    /** Whether a round shape of the given half width about a segment meets a polygon. */
    private boolean meets(Piece piece, Coordinate from, Coordinate to, double radius) {
        EdgeIndex index = edges(piece);
        if (index.locate(from) != Location.EXTERIOR) {
            return true;
        }
        Envelope reach = Geo.expanded(new Envelope(from, to), radius + ROUNDING_NM);
        return index.nearerThan(reach, from, to, radius + ROUNDING_NM);
    }

    private EdgeIndex edges(Piece piece) {
        if (piece.polygon().getNumPoints() < LARGE) {
            return new EdgeIndex(piece.polygon());
        }
        return edges.computeIfAbsent(piece, k -> new EdgeIndex(piece.polygon()));
    }

    private static double apart(Piece a, Piece b) {
        return Distance.segmentToSegment(start(a), end(a), start(b), end(b));
    }

    private static Coordinate start(Piece p) {
        return p.roundFrom().coordinate();
    }

    private static Coordinate end(Piece p) {
        return p.roundTo().coordinate();
    }
}
