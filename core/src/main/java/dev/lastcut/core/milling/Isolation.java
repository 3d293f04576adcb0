package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
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
import org.locationtech.jts.operation.distance.IndexedFacetDistance;
import org.locationtech.jts.operation.linemerge.LineMerger;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/**
 * Cuts the nets of one copper layer apart with one cutter.
 *
 * <p>The centre of the cutter stays at least half its width from all copper, so wanted copper is
 * never touched; where two nets are nearer than the width, the cutter cannot pass and the place is
 * reported as a bridge.
 */
public final class Isolation {
    /**
     * Kept free beyond half the cutter: 0.25 µm for the chords of the copper, 0.5 µm for those of
     * the path, 0.2 µm for its simplification, 0.05 µm for the digits of the program.
     */
    static final double MARGIN_NM = 1_000;

    private static final double CHORD_NM = 500;

    /** The offset of an already flattened arc has steps of a few µm; those within this go. */
    private static final double SIMPLIFY_NM = 200;

    /** Two nets that stay joined, and one place where the cutter cannot pass between them. */
    public record Bridge(int netA, int netB, Distances.Run place) {}

    private final Cutter cutter;
    private final double depth;
    private final double width;
    private final List<LineString> paths = new ArrayList<>();
    private final Map<Integer, IndexedFacetDistance> facets = new HashMap<>();
    private final List<Bridge> bridges = new ArrayList<>();

    private Isolation(Cutter cutter, double depth) {
        this.cutter = cutter;
        this.depth = depth;
        this.width = cutter.widthAt(depth);
    }

    /**
     * @param nets the copper of each net on the layer
     * @param board the board's area; empty when there is no outline
     * @param passes how many times each contour is cut, each pass further out
     * @param overlap share of the width that a pass covers again
     */
    public static Isolation plan(
            Map<Integer, Geometry> nets,
            Geometry board,
            Cutter cutter,
            double depth,
            int passes,
            double overlap) {
        Isolation result = new Isolation(cutter, depth);
        Geometry copper = Geo.union(nets.values());
        Geometry reach =
                board.isEmpty()
                        ? Geo.rectangle(
                                Geo.expanded(copper.getEnvelopeInternal(), 10 * result.width))
                        : Geo.offset(board, result.width / 2, CHORD_NM);
        for (int pass = 0; pass < passes; pass++) {
            double r = result.width / 2 + MARGIN_NM + pass * result.width * (1 - overlap);
            Geometry around = Geo.offset(copper, r, CHORD_NM);
            if (pass == 0) {
                result.findBridges(nets, around);
            }
            result.addPass(around, reach);
        }
        return result;
    }

    private void addPass(Geometry around, Geometry reach) {
        LineMerger merger = new LineMerger();
        Geometry lines = Geo.intersection(around.getBoundary(), reach);
        merger.add(lines);
        @SuppressWarnings("unchecked")
        Collection<LineString> merged = merger.getMergedLineStrings();
        for (LineString line : merged) {
            paths.add((LineString) DouglasPeuckerSimplifier.simplify(line, SIMPLIFY_NM));
        }
    }

    /**
     * The first pass runs round each polygon of {@code around}: what shares one stays joined, what
     * is in another is cut off from it.
     */
    private void findBridges(Map<Integer, Geometry> nets, Geometry around) {
        STRtree index = new STRtree();
        for (Polygon polygon : Geo.polygons(around)) {
            index.insert(polygon.getEnvelopeInternal(), new Island(polygon));
        }
        List<Island> islands = new ArrayList<>();
        nets.forEach(
                (net, copper) ->
                        Geo.eachPolygon(
                                copper,
                                p -> {
                                    Island home = homeOf(p, index);
                                    if (home.nets.isEmpty()) {
                                        islands.add(home);
                                    }
                                    home.nets.add(net);
                                }));
        // Two nets may meet on more than one island; their places are all found at once.
        Set<Pair> done = new HashSet<>();
        islands.forEach(island -> addBridges(new ArrayList<>(island.nets), nets, done));
    }

    private record Pair(int netA, int netB) {}

    private static final class Island {
        final IndexedPointInAreaLocator area;
        final Set<Integer> nets = new TreeSet<>();

        Island(Polygon polygon) {
            area = new IndexedPointInAreaLocator(polygon);
        }
    }

    private static Island homeOf(Polygon copper, STRtree islands) {
        Coordinate corner = copper.getCoordinate();
        for (Object o : islands.query(new Envelope(corner))) {
            Island island = (Island) o;
            if (island.area.locate(corner) != Location.EXTERIOR) {
                return island;
            }
        }
        throw new IllegalStateException("copper outside its own offset at " + corner);
    }

    private void addBridges(List<Integer> joined, Map<Integer, Geometry> nets, Set<Pair> done) {
        for (int i = 0; i < joined.size(); i++) {
            for (int j = i + 1; j < joined.size(); j++) {
                if (done.add(new Pair(joined.get(i), joined.get(j)))) {
                    addBridges(joined.get(i), joined.get(j), nets);
                }
            }
        }
        boolean told =
                bridges.stream()
                        .anyMatch(b -> joined.contains(b.netA()) && joined.contains(b.netB()));
        if (joined.size() > 1 && !told) {
            // Joined by less than the measure can tell: still joined.
            Geometry a = nets.get(joined.get(0));
            Geometry b = nets.get(joined.get(1));
            Distances.Run run = new Distances.Run(Distances.between(a, b), 0);
            bridges.add(new Bridge(joined.get(0), joined.get(1), run));
        }
    }

    private void addBridges(int a, int b, Map<Integer, Geometry> nets) {
        double limit = width + 2 * MARGIN_NM;
        boolean near =
                facets.computeIfAbsent(a, k -> new IndexedFacetDistance(nets.get(k)))
                        .isWithinDistance(nets.get(b), limit);
        if (!near) {
            return;
        }
        for (Distances.Run run : Distances.closerThan(nets.get(a), nets.get(b), limit)) {
            bridges.add(new Bridge(a, b, run));
        }
    }

    /** Nets that stay joined, directly by a gap too narrow for the cutter. */
    public List<Bridge> bridges() {
        return bridges;
    }

    public double width() {
        return width;
    }

    public Cutter cutter() {
        return cutter;
    }

    public List<ToolPath> toolPaths() {
        List<ToolPath> result = new ArrayList<>();
        for (LineString line : paths) {
            List<ToolPath.Vertex> vertices = new ArrayList<>();
            for (Coordinate c : line.getCoordinates()) {
                vertices.add(new ToolPath.Vertex(c.x, c.y, -depth));
            }
            result.add(new ToolPath(vertices));
        }
        return result;
    }
}
