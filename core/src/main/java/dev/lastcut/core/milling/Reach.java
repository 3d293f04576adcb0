package dev.lastcut.core.milling;

import dev.lastcut.core.geometry.DisjointOverlay;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * What a round tool can and cannot get at between the copper of one side.
 *
 * <p>The centre stays {@code width/2} plus a margin from all wanted copper. What the tool leaves is
 * the morphological closing of the copper by the tool's disc; beyond the copper itself that is the
 * <em>nooks</em>. Nets that lie in one piece of the closing stay joined.
 */
final class Reach {
    /**
     * Kept free beyond half the cutter: it takes up the chords of the copper (0.25 µm), of the path
     * (1.5 µm) and its simplification (0.5 µm), so that at most 1 µm of wanted copper is cut.
     */
    static final double MARGIN_NM = 1_500;

    static final double CHORD_NM = 1_500;

    /** What stays may be drawn coarser, and smaller by as much: beside a cutter it is nothing. */
    private static final double COARSE_NM = 2_500;

    /** Whether nets are joined is told finer than the margin they are grown by for it. */
    private static final double EXACT_NM = MARGIN_NM / 3;

    /** What is nowhere thicker than this does not count as left over, unless it joins nets. */
    private static final double LEAST_NM = 20_000;

    /** A finer tool goes where a coarser one left more: of three tools two may leave that much. */
    private static final double WORTH_NM = LEAST_NM / 2;

    /** Shaved off the closing so that the chords of its arcs leave no rims round the copper. */
    private static final double SHAVE_NM = 2_500;

    /** Copper that stays because no tool gets there. */
    record Nook(Polygon area, Set<Integer> nets) {}

    private final SideCopper copper;
    private final double radius;
    private final Lazy<Geometry> around;
    private final Lazy<List<Nook>> nooks = new Lazy<>(this::findNooks);
    private final Lazy<List<Set<Integer>>> joined = new Lazy<>(this::findJoined);

    Reach(SideCopper copper, double widthNm) {
        this.copper = copper;
        this.radius = widthNm / 2;
        this.around =
                new Lazy<>(
                        () ->
                                DisjointOverlay.offsetAbout(
                                        copper.all(), radius + MARGIN_NM, CHORD_NM));
    }

    /** Where the centre of the tool may not be. */
    Geometry around() {
        return around.get();
    }

    /** The pieces that stay between the copper, each with the nets it touches. */
    List<Nook> nooks() {
        return nooks.get();
    }

    /** Groups of nets that stay joined with this as the finest tool. */
    List<Set<Integer>> joined() {
        return joined.get();
    }

    /**
     * Where the centre of a tool must go to take what a coarser one left.
     *
     * @param edges those stretches along which the tool follows the copper
     */
    record Rest(List<Polygon> centres, List<LineString> edges) {}

    /**
     * What a coarser tool leaves to this one: all places free for its centre, less those within the
     * difference of the radii of places free for the coarser. As what the coarser swept is the
     * latter grown by this tool's radius, this tool's sweep of the rest covers everything else it
     * can get at.
     *
     * @param tied the net that leftover copper is tied to, or -1: what lies beside no other stays
     */
    Rest leftBy(Reach coarser, int tied) {
        double finer = coarser.radius - radius;
        if (finer <= SHAVE_NM) {
            return new Rest(List.of(), List.of());
        }
        Geometry beyond =
                DisjointOverlay.offsetAbout(coarser.around(), -(finer + SHAVE_NM), COARSE_NM);
        double along = radius + MARGIN_NM + 2 * CHORD_NM;
        List<Polygon> centres =
                DisjointOverlay.differenceOffGrid(beyond, around()).stream()
                        .filter(p -> isOnBoard(p) && thickness(p) >= WORTH_NM)
                        .filter(p -> tied < 0 || copper.isWithin(p, along, tied))
                        .toList();
        Stretches own =
                new Stretches(
                        around(),
                        beyond,
                        at -> copper.isWithin(Geo.FACTORY.createPoint(at), along, -1));
        return new Rest(centres, own.of(centres));
    }

    /** Of a disc its diameter, of a strip twice its width. */
    private static double thickness(Polygon p) {
        return 4 * p.getArea() / p.getLength();
    }

    private List<Nook> findNooks() {
        Geometry closed =
                DisjointOverlay.offsetAbout(around(), -(radius + MARGIN_NM + SHAVE_NM), COARSE_NM);
        List<Polygon> pieces = DisjointOverlay.differenceOffGrid(closed, copper.all());
        return Parallel.map(pieces, this::nook).stream().flatMap(Optional::stream).toList();
    }

    private Optional<Nook> nook(Polygon p) {
        boolean thick = thickness(p) >= LEAST_NM;
        if (!isOnBoard(p) || (!thick && p.getLength() <= 4 * SHAVE_NM)) {
            return Optional.empty();
        }
        Set<Integer> nets = copper.netsAt(p);
        return thick || nets.size() > 1 ? Optional.of(new Nook(p, nets)) : Optional.empty();
    }

    private boolean isOnBoard(Polygon p) {
        Geometry board = copper.board();
        return board.isEmpty()
                || (board.getEnvelopeInternal().intersects(p.getEnvelopeInternal())
                        && (board.getNumPoints() < 6 || board.intersects(p)));
    }

    private record Island(IndexedPointInAreaLocator area, Set<Integer> nets) {}

    private List<Set<Integer>> findJoined() {
        STRtree index = new STRtree();
        List<Island> islands = new ArrayList<>();
        Geo.eachPolygon(
                DisjointOverlay.offsetAbout(around(), -radius, EXACT_NM),
                p -> {
                    Island island = new Island(new IndexedPointInAreaLocator(p), new TreeSet<>());
                    islands.add(island);
                    index.insert(p.getEnvelopeInternal(), island);
                });
        copper.nets().forEach((net, shape) -> Geo.eachPolygon(shape, p -> settle(p, net, index)));
        return islands.stream().map(Island::nets).filter(n -> n.size() > 1).toList();
    }

    private static void settle(Polygon p, int net, STRtree islands) {
        Coordinate corner = p.getInteriorPoint().getCoordinate();
        for (Object o : islands.query(new Envelope(corner))) {
            Island island = (Island) o;
            if (island.area.locate(corner) != Location.EXTERIOR) {
                island.nets.add(net);
                return;
            }
        }
    }

    /**
     * Places where nets stay joined: each nook that joins some, and for nets that are joined by
     * less than a nook can tell, where they are nearest.
     */
    List<Joined> places() {
        // Two offsets of the same, side by side.
        Parallel.forEach(List.of(nooks, joined), Lazy::get);
        List<Joined> places = new ArrayList<>();
        Map<Integer, Set<Integer>> groupsOf = new HashMap<>();
        List<Set<Integer>> groups = joined();
        for (int g = 0; g < groups.size(); g++) {
            for (int net : groups.get(g)) {
                groupsOf.computeIfAbsent(net, k -> new HashSet<>()).add(g);
            }
        }
        Set<Integer> told = new HashSet<>();
        for (Nook nook : nooks()) {
            List<Integer> nets = nook.nets.stream().filter(groupsOf::containsKey).toList();
            for (int i = 1; i < nets.size(); i++) {
                int a = nets.get(i - 1);
                int b = nets.get(i);
                if (!Collections.disjoint(groupsOf.get(a), groupsOf.get(b))) {
                    places.add(new Joined(a, b, gap(nook.area, a, b), nook.area));
                    told.add(a);
                    told.add(b);
                }
            }
        }
        for (Set<Integer> group : groups) {
            if (group.stream().noneMatch(told::contains)) {
                List<Integer> nets = List.copyOf(group);
                int a = nets.get(0);
                int b = nets.get(1);
                Measure gap = Distances.between(copper.nets().get(a), copper.nets().get(b));
                places.add(new Joined(a, b, gap, Geo.rectangle(gapWindow(gap))));
            }
        }
        return places;
    }

    private static Envelope gapWindow(Measure gap) {
        Envelope e = new Envelope(gap.from().coordinate(), gap.to().coordinate());
        e.expandBy(1_000);
        return e;
    }

    /** The nook's edge runs along both nets, and the narrowest of the gap between them is there. */
    private Measure gap(Polygon nook, int a, int b) {
        Geometry alongA = copper.edgeAlong(nook, a);
        Geometry alongB = copper.edgeAlong(nook, b);
        return alongA.isEmpty() || alongB.isEmpty()
                ? Distances.between(copper.nets().get(a), copper.nets().get(b))
                : Distances.between(alongA, alongB);
    }
}
