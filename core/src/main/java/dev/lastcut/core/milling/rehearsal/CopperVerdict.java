package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.milling.SideCopper;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * The copper of one side as it comes off the mill, held against the copper that is wanted.
 *
 * @param remaining the copper that stays, wanted or not
 * @param lost wanted copper that is gone, more than a tolerance deep
 * @param joined nets that are one piece of copper, with a place
 * @param broken nets of which a piece is cut apart or gone, with a place
 * @param nets how many nets were looked at
 * @param loose pieces of copper that touch no net, the largest first
 * @param tiedMm2 leftover copper that hangs on the net it was to be tied to; 0 when to none
 */
public record CopperVerdict(
        Side side,
        Geometry remaining,
        List<Loss> lost,
        List<Joint> joined,
        List<Break> broken,
        int nets,
        List<Loose> loose,
        double tiedMm2) {
    private static final double EDGE_NM = 20_000;

    /** Wanted copper that is gone further in than this counts. */
    static final double TOLERANCE_NM = 2_000;

    private static final double LEAST_AREA = 1e8;
    private static final int MOST_PLACES = 200;

    /** Wanted copper that is gone. */
    public record Loss(int net, Pt at, double areaMm2) {}

    /** A piece of copper that touches no net. */
    public record Loose(Pt at, double areaMm2) {}

    /** Two nets in one piece. */
    public record Joint(int netA, int netB, Pt at) {}

    /** A net that is not whole. */
    public record Break(int net, Pt at) {}

    public boolean isGood() {
        return lost.isEmpty() && joined.isEmpty() && broken.isEmpty();
    }

    private record Piece(IndexedPointInAreaLocator area, Polygon polygon, Set<Integer> nets) {}

    /**
     * @param holes wanted holes with their tolerance: no copper is wanted there
     * @param nick what may be taken of wanted copper, nm
     * @param ground the net that leftover copper is to be tied to, or -1
     */
    static CopperVerdict of(
            Side side, SideCopper copper, Geometry holes, Stock stock, double nick, int ground) {
        Geometry board = copper.board();
        Geometry within =
                board.isEmpty()
                        ? Geo.rectangle(Geo.expanded(copper.all().getEnvelopeInternal(), 1_000_000))
                        : board;
        Geometry gone = stock.goneAtSurface(side);
        Geometry remaining = Geo.difference(within, stock.goneAtFoot(side));
        List<Loss> lost = losses(copper, inner(within), holes, gone, TOLERANCE_NM + nick);
        STRtree index = new STRtree();
        List<Piece> pieces = new ArrayList<>();
        Geo.eachPolygon(
                remaining,
                p -> {
                    Piece piece = new Piece(new IndexedPointInAreaLocator(p), p, new TreeSet<>());
                    pieces.add(piece);
                    index.insert(p.getEnvelopeInternal(), piece);
                });
        List<Break> broken = new ArrayList<>();
        boolean damaged = !lost.isEmpty();
        copper.nets()
                .forEach(
                        (net, shape) ->
                                Geo.eachPolygon(
                                        shape,
                                        p -> {
                                            Geometry left =
                                                    Geo.difference(
                                                            Geo.sharedArea(p, inner(within)),
                                                            holes);
                                            Geo.eachPolygon(
                                                    left,
                                                    q ->
                                                            settle(
                                                                    q,
                                                                    net,
                                                                    damaged ? gone : null,
                                                                    index,
                                                                    broken));
                                        }));
        List<Loose> loose =
                pieces.stream()
                        .filter(p -> p.nets.isEmpty())
                        .map(p -> new Loose(place(p.polygon), p.polygon.getArea() / 1e12))
                        .sorted(Comparator.comparingDouble(l -> -l.areaMm2))
                        .toList();
        return new CopperVerdict(
                side,
                remaining,
                lost,
                joints(pieces, copper),
                broken,
                copper.nets().size(),
                loose,
                tied(pieces, copper, ground));
    }

    /** What hangs on a net beside its own copper, mm². */
    private static double tied(List<Piece> pieces, SideCopper copper, int ground) {
        if (ground < 0 || !copper.nets().containsKey(ground)) {
            return 0;
        }
        double all =
                pieces.stream()
                        .filter(p -> p.nets.contains(ground))
                        .mapToDouble(p -> p.polygon.getArea())
                        .sum();
        return Math.max(0, all - copper.nets().get(ground).getArea()) / 1e12;
    }

    private static Geometry inner(Geometry board) {
        return Geo.offset(board, -EDGE_NM, 1_000);
    }

    private static List<Loss> losses(
            SideCopper copper, Geometry within, Geometry holes, Geometry gone, double tolerance) {
        List<Loss> lost = new ArrayList<>();
        copper.nets()
                .forEach(
                        (net, shape) -> {
                            Geometry hit = Geo.sharedArea(shape, gone);
                            if (hit.getArea() < LEAST_AREA) {
                                return;
                            }
                            Geometry kept = Geo.offset(shape, -tolerance, 500);
                            Geometry real =
                                    Geo.sharedArea(
                                            Geo.difference(Geo.sharedArea(hit, kept), holes),
                                            within);
                            Geo.eachPolygon(
                                    real,
                                    p -> {
                                        if (p.getArea() > LEAST_AREA && lost.size() < MOST_PLACES) {
                                            lost.add(new Loss(net, place(p), p.getArea() / 1e12));
                                        }
                                    });
                        });
        return lost;
    }

    private static Pt place(Geometry g) {
        return Pt.of(g.getInteriorPoint().getCoordinate());
    }

    private static void settle(
            Polygon wanted, int net, Geometry gone, STRtree index, List<Break> broken) {
        if (wanted.getArea() < LEAST_AREA) {
            return;
        }
        List<Polygon> parts =
                gone == null ? List.of(wanted) : Geo.polygons(Geo.difference(wanted, gone));
        Set<Piece> homes = new HashSet<>();
        for (Polygon part : parts) {
            if (part.getArea() >= LEAST_AREA) {
                home(part, index)
                        .ifPresent(
                                piece -> {
                                    piece.nets.add(net);
                                    homes.add(piece);
                                });
            }
        }
        if (homes.size() != 1 && broken.size() < MOST_PLACES) {
            broken.add(new Break(net, place(wanted)));
        }
    }

    private static Optional<Piece> home(Polygon part, STRtree index) {
        Coordinate c = part.getInteriorPoint().getCoordinate();
        for (Object o : index.query(new Envelope(c))) {
            Piece piece = (Piece) o;
            if (piece.area.locate(c) != Location.EXTERIOR) {
                return Optional.of(piece);
            }
        }
        return Optional.empty();
    }

    private static List<Joint> joints(List<Piece> pieces, SideCopper copper) {
        Map<String, Joint> joints = new TreeMap<>();
        for (Piece p : pieces) {
            List<Integer> nets = List.copyOf(p.nets);
            for (int i = 1; i < nets.size() && joints.size() < MOST_PLACES; i++) {
                int a = nets.get(i - 1);
                int b = nets.get(i);
                joints.computeIfAbsent(
                        a + "-" + b,
                        k ->
                                new Joint(
                                        a,
                                        b,
                                        Distances.between(
                                                        copper.nets().get(a), copper.nets().get(b))
                                                .middle()));
            }
        }
        return List.copyOf(joints.values());
    }
}
