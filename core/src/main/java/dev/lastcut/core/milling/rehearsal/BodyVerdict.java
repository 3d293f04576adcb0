package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;
import org.locationtech.jts.operation.linemerge.LineMerger;

/**
 * The body of the board as it comes off the mill: its holes, its edge, and whether it is held to
 * the end.
 *
 * @param holes how many were wanted
 * @param wrong holes missing, of the wrong size, or where none is wanted
 * @param held whether tabs hold the board when all is done; false also when nothing was cut around
 * @param cutOut whether a contour was cut at all
 * @param freedAt index of the step that frees the board, or -1
 * @param tabs stretches of the edge that are not cut through
 * @param deepestNm how far cuts go into the board at its edge
 */
public record BodyVerdict(
        int holes,
        List<WrongHole> wrong,
        boolean cutOut,
        boolean held,
        int freedAt,
        int tabs,
        double tabLengthMm,
        double deepestNm) {
    /** The edge may be this far off. */
    static final double EDGE_NM = 20_000;

    private static final double NEAR_NM = 20_000;

    /** A hole that is not as wanted. */
    public record WrongHole(Pt at, String sentence) {}

    static BodyVerdict of(
            List<Hole> holes, Geometry board, Stock stock, double tolerance, Flattener flattener) {
        List<WrongHole> wrong = new ArrayList<>();
        Geometry gone = stock.goneThrough();
        STRtree hits = new STRtree();
        stock.drilled().forEach(d -> hits.insert(new Envelope(d.at()), d));
        List<Geometry> wanted = new ArrayList<>();
        for (Hole h : holes) {
            Geometry shape = h.shape(flattener);
            wanted.add(Geo.offset(shape, tolerance + NEAR_NM, 1_000));
            judge(h, shape, gone, hits, tolerance).ifPresent(wrong::add);
        }
        if (board.isEmpty()) {
            return new BodyVerdict(holes.size(), wrong, false, false, -1, 0, 0, 0);
        }
        Geometry allowed = Geo.union(wanted);
        double deepest = 0;
        Geometry into = Geo.difference(Geo.sharedArea(gone, board), allowed);
        for (Polygon p : Geo.polygons(into)) {
            double depth = depthInto(p, board);
            boolean atEdge = p.isWithinDistance(board.getBoundary(), 1_000);
            if (depth > EDGE_NM && !atEdge) {
                wrong.add(
                        new WrongHole(
                                Pt.of(p.getInteriorPoint().getCoordinate()),
                                "A hole where none is wanted."));
            } else {
                deepest = Math.max(deepest, depth);
            }
        }
        Edge edge = edge(board, gone);
        boolean cutOut = edge.uncut < 0.9 * edge.length;
        boolean held = isHeld(board, gone);
        int freed = cutOut && !held ? freedAt(board, stock.throughChains()) : -1;
        return new BodyVerdict(
                holes.size(), wrong, cutOut, held, freed, edge.tabs, edge.uncut / 1e6, deepest);
    }

    public boolean isGood() {
        return wrong.isEmpty() && cutOut && held && deepestNm <= EDGE_NM;
    }

    private static double depthInto(Polygon p, Geometry board) {
        Geometry boundary = board.getBoundary();
        double most = 0;
        for (var c : p.getCoordinates()) {
            most = Math.max(most, boundary.distance(Geo.FACTORY.createPoint(c)));
        }
        return most;
    }

    private static Optional<WrongHole> judge(
            Hole h, Geometry shape, Geometry gone, STRtree hits, double tolerance) {
        Envelope near = Geo.expanded(new Envelope(h.middle().coordinate()), h.diameter() / 2.0);
        if (!h.isSlot()) {
            for (Object o : hits.query(near)) {
                Stock.Drilled d = (Stock.Drilled) o;
                boolean there = d.at().distance(h.middle().coordinate()) <= NEAR_NM;
                if (there && Math.abs(d.diameter() - h.diameter()) <= tolerance + 1) {
                    return Optional.empty();
                }
            }
        }
        double t = tolerance / 2 + NEAR_NM;
        Geometry window = Geo.offset(shape, 4 * t, 1_000);
        Geometry here = Geo.sharedArea(gone, window);
        // A milled hole keeps a core until it falls out; its rim is what counts.
        Geometry rim = Geo.difference(shape, Geo.offset(shape, -4 * t, 1_000));
        boolean rimGone = Geo.offset(here, t, 1_000).covers(rim);
        boolean tooWide = !Geo.offset(shape, t, 1_000).covers(here);
        if (rimGone && !tooWide) {
            return Optional.empty();
        }
        String what =
                here.isEmpty()
                        ? "is missing"
                        : tooWide ? "comes out too wide or off its place" : "comes out too small";
        return Optional.of(
                new WrongHole(
                        h.middle(),
                        String.format(
                                Locale.ROOT,
                                "The %s of %s %s.",
                                h.isSlot() ? "slot" : "hole",
                                Length.text(h.diameter()),
                                what)));
    }

    private record Edge(double length, double uncut, int tabs) {}

    private static Edge edge(Geometry board, Geometry gone) {
        double length = 0;
        double uncut = 0;
        int tabs = 0;
        Geometry reached = Geo.offset(gone, EDGE_NM, 1_000);
        for (Polygon p : Geo.polygons(board)) {
            Geometry ring = p.getExteriorRing();
            Geometry left = Geo.difference(ring, reached);
            length += ring.getLength();
            uncut += left.getLength();
            tabs += count(left);
        }
        return new Edge(length, uncut, tabs);
    }

    private static int count(Geometry lines) {
        var merger = new LineMerger();
        merger.add(lines);
        return merger.getMergedLineStrings().size();
    }

    private static boolean isHeld(Geometry board, Geometry gone) {
        Geometry inside = Geo.offset(board, -EDGE_NM, 1_000);
        Envelope frame = Geo.expanded(board.getEnvelopeInternal(), 20_000_000);
        Geometry left = Geo.difference(Geo.rectangle(frame), gone);
        for (Polygon p : Geo.polygons(left)) {
            boolean isFrame = p.getEnvelopeInternal().getWidth() >= frame.getWidth() - 1;
            if (isFrame) {
                return p.intersects(inside)
                        && Geo.sharedArea(p, inside).getArea()
                                > 0.5 * Geo.difference(inside, gone).getArea();
            }
        }
        return false;
    }

    /** The first of the through cuts after which the board is no longer held. */
    private static int freedAt(Geometry board, List<Sweep.Chain> chains) {
        int low = 0;
        int high = chains.size();
        while (low + 1 < high) {
            int middle = (low + high) / 2;
            Geometry gone = Geo.union(Parallel.map(chains.subList(0, middle), Sweep.Chain::area));
            if (isHeld(board, gone)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return chains.get(high - 1).lastCutting();
    }
}
