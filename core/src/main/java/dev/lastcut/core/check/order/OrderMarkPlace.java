package dev.lastcut.core.check.order;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/** Whether a place for the order mark is free, and where one is. */
public final class OrderMarkPlace {
    private static final double STEP_NM = 1_000_000;

    private final BoardGeometry geometry;
    private final PreparedGeometry board;

    private OrderMarkPlace(BoardGeometry geometry) {
        this.geometry = geometry;
        this.board = PreparedGeometryFactory.prepare(geometry.boardArea());
    }

    /** What is in the way, and where. */
    public record Obstacle(Pt at, String what) {}

    /** Everything in the way of a mark, one of each kind. */
    public static List<Obstacle> obstacles(BoardGeometry geometry, OrderMark mark) {
        return new OrderMarkPlace(geometry).obstacles(mark);
    }

    /**
     * A free place, the bottom before the top, for there is most room and least to be seen; empty
     * where there is none.
     */
    public static Optional<OrderMark> free(BoardGeometry geometry) {
        OrderMarkPlace place = new OrderMarkPlace(geometry);
        return place.free(Side.BOTTOM).or(() -> place.free(Side.TOP));
    }

    private Optional<OrderMark> free(Side side) {
        Envelope e = geometry.boardArea().getEnvelopeInternal();
        double left = e.getMinX() + OrderMark.WIDTH_NM / 2.0 + STEP_NM;
        double low = e.getMinY() + OrderMark.HEIGHT_NM / 2.0 + STEP_NM;
        for (double y = low; y < e.getMaxY(); y += STEP_NM) {
            for (double x = left; x < e.getMaxX(); x += STEP_NM) {
                OrderMark m = new OrderMark(side, new Pt(Math.round(x), Math.round(y)));
                if (obstacles(m).isEmpty()) {
                    return Optional.of(m);
                }
            }
        }
        return Optional.empty();
    }

    private List<Obstacle> obstacles(OrderMark m) {
        List<Obstacle> all = new ArrayList<>();
        Geometry room = m.room();
        if (!board.contains(room)) {
            all.add(new Obstacle(m.at(), "lies off the board, or over its edge"));
        }
        over(m, room, Role.Kind.MASK, "covers openings of the mask").ifPresent(all::add);
        over(m, room, Role.Kind.SILK, "lies over other silk").ifPresent(all::add);
        for (int h : geometry.holes().near(room.getEnvelopeInternal())) {
            Hole hole = geometry.board().holes().get(h);
            if (hole.shape(Flattener.SCREEN).intersects(room)) {
                all.add(new Obstacle(hole.middle(), "lies over a hole"));
                break;
            }
        }
        return all;
    }

    private Optional<Obstacle> over(OrderMark m, Geometry room, Role.Kind kind, String what) {
        PieceIndex pieces = geometry.index(Role.of(kind, m.side()));
        for (int i : pieces.near(room.getEnvelopeInternal())) {
            Piece p = pieces.pieces().get(i);
            Geometry shared = Geo.sharedArea(p.polygon(), room);
            if (!shared.isEmpty()) {
                Pt at = Pt.of(shared.getInteriorPoint().getCoordinate());
                return Optional.of(new Obstacle(at, what));
            }
        }
        return Optional.empty();
    }
}
