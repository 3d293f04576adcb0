package dev.lastcut.core.milling;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/**
 * The copper that is wanted on one side of a board: by net, and all together.
 *
 * <p>Copper beyond the outline is not wanted; nor, when asked, is copper that only rings an
 * unplated hole.
 */
public final class SideCopper {
    /** How far around the board copper still matters to a tool that follows the outline. */
    private static final double BEYOND_NM = 500_000;

    /** Two shapes touch when they are this near: rounding to the grid, not a gap. */
    private static final double TOUCH_NM = 3_000;

    /** Far enough from a path to tell on which side of it the copper is. */
    private static final double ASIDE_NM = 5_000;

    /** An edge runs along copper when it is the copper's own, to the grid. */
    private static final double ALONG_NM = 20;

    /** What rings a hole has it in its middle, and is not wider than this many times the hole. */
    private static final double CENTRED_NM = 50_000;

    private static final double MOST_RING = 3;

    private final Geometry board;
    private final Map<Integer, Geometry> nets;
    private final Geometry all;
    private final STRtree index = new STRtree();
    private final Lazy<IndexedFacetDistance> facets =
            new Lazy<>(() -> new IndexedFacetDistance(all()));
    private final Map<Long, Reach> reaches = new HashMap<>();

    /** A piece of copper; its facets are indexed when first asked for, as pours have thousands. */
    private static final class Owned {
        final Polygon polygon;
        final int net;
        private IndexedFacetDistance facets;

        Owned(Polygon polygon, int net) {
            this.polygon = polygon;
            this.net = net;
        }

        synchronized IndexedFacetDistance facets() {
            if (facets == null) {
                facets = new IndexedFacetDistance(polygon);
                facets.distance(polygon.getFactory().createPoint(polygon.getCoordinate()));
            }
            return facets;
        }
    }

    SideCopper(Map<Integer, Geometry> nets, Geometry board) {
        this.board = board;
        this.nets = new TreeMap<>(nets);
        List<Polygon> pieces = new ArrayList<>();
        // Nets do not touch each other, or they would be one.
        this.nets.values().forEach(copper -> Geo.eachPolygon(copper, pieces::add));
        this.all = Geo.collected(pieces);
        nets.forEach(
                (net, copper) ->
                        Geo.eachPolygon(
                                copper,
                                p -> index.insert(p.getEnvelopeInternal(), new Owned(p, net))));
        index.build();
    }

    /** The copper of a side, or empty when the board has no copper layer there. */
    public static Optional<SideCopper> of(
            BoardGeometry geometry, Side side, boolean leaveFreeCopper) {
        int layer = geometry.copperIndex(side);
        if (layer < 0) {
            return Optional.empty();
        }
        record Key(Side side, boolean leaveFreeCopper) {}
        return Optional.of(
                geometry.once(
                        new Key(side, leaveFreeCopper),
                        () -> collect(geometry, layer, leaveFreeCopper)));
    }

    private static SideCopper collect(BoardGeometry geometry, int layer, boolean leaveFree) {
        Geometry board = geometry.boardArea();
        Envelope window = Geo.expanded(board.getEnvelopeInternal(), BEYOND_NM);
        Set<Integer> free = leaveFree ? freeNets(geometry, layer) : Set.of();
        Map<Integer, List<Geometry>> parts = new TreeMap<>();
        for (CopperNode n : geometry.nets().nodes()) {
            boolean outside = !board.isEmpty() && !window.intersects(n.envelope());
            if (n.layer() == layer && !outside && !free.contains(n.net())) {
                parts.computeIfAbsent(n.net(), k -> new ArrayList<>()).add(n.polygon());
            }
        }
        Map<Integer, Geometry> nets = new ConcurrentHashMap<>();
        Parallel.forEach(parts.entrySet(), e -> nets.put(e.getKey(), Geo.union(e.getValue())));
        return new SideCopper(nets, board);
    }

    /** Copper with the hole in its middle and not much larger. */
    private static boolean rings(Envelope copper, Hole h) {
        return copper.centre().distance(h.middle().coordinate()) < CENTRED_NM
                && copper.getWidth() <= MOST_RING * h.diameter();
    }

    /** Nets without a name whose every piece on the layer rings an unplated hole. */
    private static Set<Integer> freeNets(BoardGeometry geometry, int layer) {
        Set<Integer> ringing = new HashSet<>();
        for (Hole h : geometry.board().holes()) {
            if (!h.plated()) {
                geometry
                        .nets()
                        .near(layer, h.shape(geometry.flattener()).getEnvelopeInternal())
                        .stream()
                        .filter(n -> rings(n.envelope(), h))
                        .forEach(n -> ringing.add(n.id()));
            }
        }
        Set<Integer> free = new HashSet<>();
        Set<Integer> wanted = new HashSet<>();
        for (CopperNode n : geometry.nets().nodes()) {
            boolean rings = ringing.contains(n.id()) && geometry.netNames(n.net()).isEmpty();
            (rings && n.layer() == layer ? free : wanted).add(n.net());
        }
        free.removeAll(wanted);
        return free;
    }

    public Geometry board() {
        return board;
    }

    /** The copper of each net. */
    public Map<Integer, Geometry> nets() {
        return nets;
    }

    public Geometry all() {
        return all;
    }

    /** The nets that an area touches. */
    Set<Integer> netsAt(Geometry area) {
        Set<Integer> touched = new TreeSet<>();
        Envelope near = Geo.expanded(area.getEnvelopeInternal(), TOUCH_NM);
        for (Object o : index.query(near)) {
            Owned owned = (Owned) o;
            if (!touched.contains(owned.net) && owned.facets().isWithinDistance(area, TOUCH_NM)) {
                touched.add(owned.net);
            }
        }
        return touched;
    }

    /** Whether copper of another net than the one given is that near to something, nm. */
    boolean isWithin(Geometry what, double distance, int except) {
        List<?> near = index.query(Geo.expanded(what.getEnvelopeInternal(), distance));
        return near.stream()
                .map(o -> (Owned) o)
                .anyMatch(o -> o.net != except && o.facets().isWithinDistance(what, distance));
    }

    /** The line turned so that the copper nearest to its longest piece lies on its right. */
    LineString onTheRight(LineString line) {
        Coordinate[] c = line.getCoordinates();
        int longest = 1;
        for (int i = 2; i < c.length; i++) {
            if (c[i].distance(c[i - 1]) > c[longest].distance(c[longest - 1])) {
                longest = i;
            }
        }
        Coordinate a = c[longest - 1];
        Coordinate b = c[longest];
        double aside = ASIDE_NM / Math.max(1, a.distance(b));
        double nx = (b.y - a.y) * aside;
        double ny = -(b.x - a.x) * aside;
        double x = (a.x + b.x) / 2;
        double y = (a.y + b.y) / 2;
        return toCopper(x + nx, y + ny) <= toCopper(x - nx, y - ny) ? line : line.reverse();
    }

    private double toCopper(double x, double y) {
        return facets.get().distance(Geo.FACTORY.createPoint(new Coordinate(x, y)));
    }

    /** The stretches of an area's edge that run along a net. */
    Geometry edgeAlong(Polygon area, int net) {
        List<Owned> pieces = new ArrayList<>();
        for (Object o : index.query(Geo.expanded(area.getEnvelopeInternal(), TOUCH_NM))) {
            Owned owned = (Owned) o;
            if (owned.net == net) {
                pieces.add(owned);
            }
        }
        Coordinate[] ring = area.getExteriorRing().getCoordinates();
        boolean[] near = new boolean[ring.length];
        for (int i = 0; i < ring.length; i++) {
            Geometry point = Geo.FACTORY.createPoint(ring[i]);
            for (Owned owned : pieces) {
                near[i] |= owned.facets().isWithinDistance(point, ALONG_NM);
            }
        }
        List<Geometry> along = new ArrayList<>();
        for (int i = 0; i + 1 < ring.length; i++) {
            if (near[i]) {
                along.add(
                        near[i + 1]
                                ? Geo.FACTORY.createLineString(
                                        new Coordinate[] {ring[i], ring[i + 1]})
                                : Geo.FACTORY.createPoint(ring[i]));
            }
        }
        return Geo.FACTORY.buildGeometry(along);
    }

    /** Where a tool of a width can go between this copper. */
    Reach reach(double widthNm) {
        Reach reach;
        synchronized (reaches) {
            reach = reaches.computeIfAbsent(Math.round(widthNm), k -> new Reach(this, widthNm));
        }
        return reach;
    }
}
