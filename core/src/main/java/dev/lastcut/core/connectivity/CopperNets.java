package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * The nets of a board as its copper makes them. Nodes are the pieces of copper that are left of
 * each feature; two nodes are of one net when they touch on a layer or when a plated hole passes
 * both.
 */
public final class CopperNets {
    private static final int LARGE = 40;

    private final Map<Integer, PreparedGeometry> prepared = new ConcurrentHashMap<>();
    private final List<CopperNode> nodes = new ArrayList<>();
    private final List<STRtree> trees = new ArrayList<>();
    private final Map<Integer, List<Integer>> neighbours = new HashMap<>();
    private final int netCount;
    private final int[] netOfHole;
    private final List<List<Integer>> nodesOfNet = new ArrayList<>();

    private CopperNets(Board board, Flattener flattener) {
        List<Layer> copper = board.copper();
        List<LayerImage.Piece> pieces = new ArrayList<>();
        List<Integer> layerOf = new ArrayList<>();
        for (int layer = 0; layer < copper.size(); layer++) {
            STRtree tree = new STRtree();
            for (var piece : LayerImage.of(copper.get(layer).features(), flattener).pieces()) {
                tree.insert(piece.polygon().getEnvelopeInternal(), pieces.size());
                pieces.add(piece);
                layerOf.add(layer);
            }
            tree.build();
            trees.add(tree);
        }
        int holes = board.holes().size();
        UnionFind sets = new UnionFind(pieces.size() + holes);
        joinTouching(pieces, layerOf, sets);
        joinHoles(board.holes(), pieces, flattener, sets);

        Map<Integer, Integer> netOfRoot = new HashMap<>();
        for (int i = 0; i < pieces.size(); i++) {
            int net = netOfRoot.computeIfAbsent(sets.find(i), r -> netOfRoot.size());
            nodes.add(
                    new CopperNode(
                            i,
                            layerOf.get(i),
                            net,
                            pieces.get(i).feature(),
                            pieces.get(i).polygon()));
        }
        netCount = netOfRoot.size();
        for (int i = 0; i < netCount; i++) {
            nodesOfNet.add(new ArrayList<>());
        }
        nodes.forEach(n -> nodesOfNet.get(n.net()).add(n.id()));
        netOfHole = new int[holes];
        for (int h = 0; h < holes; h++) {
            netOfHole[h] = netOfRoot.getOrDefault(sets.find(pieces.size() + h), -1);
        }
    }

    /** Whether a node's polygon meets a shape; large polygons are indexed at their first use. */
    private boolean meets(int id, Geometry polygon, Geometry shape) {
        if (polygon.getNumPoints() < LARGE) {
            return polygon.intersects(shape);
        }
        return prepared.computeIfAbsent(id, k -> PreparedGeometryFactory.prepare(polygon))
                .intersects(shape);
    }

    public static CopperNets of(Board board, Flattener flattener) {
        return new CopperNets(board, flattener);
    }

    private void joinTouching(
            List<LayerImage.Piece> pieces, List<Integer> layerOf, UnionFind sets) {
        for (int i = 0; i < pieces.size(); i++) {
            Geometry polygon = pieces.get(i).polygon();
            Envelope e = polygon.getEnvelopeInternal();
            for (Object o : trees.get(layerOf.get(i)).query(e)) {
                int j = (Integer) o;
                Geometry other = pieces.get(j).polygon();
                // Each pair once, prepared from the side with more points.
                boolean mine =
                        polygon.getNumPoints() > other.getNumPoints()
                                || (polygon.getNumPoints() == other.getNumPoints() && i < j);
                if (i == j || !mine) {
                    continue;
                }
                if (meets(i, polygon, other)) {
                    join(i, j, sets);
                }
            }
        }
    }

    private void join(int i, int j, UnionFind sets) {
        sets.union(i, j);
        neighbours.computeIfAbsent(i, k -> new ArrayList<>(4)).add(j);
        neighbours.computeIfAbsent(j, k -> new ArrayList<>(4)).add(i);
    }

    private void joinHoles(
            List<Hole> holes, List<LayerImage.Piece> pieces, Flattener flattener, UnionFind sets) {
        for (int h = 0; h < holes.size(); h++) {
            if (!holes.get(h).plated()) {
                continue;
            }
            Geometry shape = holes.get(h).shape(flattener);
            int first = -1;
            for (STRtree tree : trees) {
                for (Object o : tree.query(shape.getEnvelopeInternal())) {
                    int i = (Integer) o;
                    if (meets(i, pieces.get(i).polygon(), shape)) {
                        sets.union(pieces.size() + h, i);
                        if (first >= 0) {
                            join(first, i, sets);
                        }
                        first = first < 0 ? i : first;
                    }
                }
            }
        }
    }

    public List<CopperNode> nodes() {
        return nodes;
    }

    public int netCount() {
        return netCount;
    }

    /** The nodes of a net, by id. */
    public List<Integer> nodesOf(int net) {
        return nodesOfNet.get(net);
    }

    public List<Integer> neighboursOf(int node) {
        return neighbours.getOrDefault(node, List.of());
    }

    /** The net a hole's plating belongs to; −1 when it touches no copper or is not plated. */
    public int netOfHole(int hole) {
        return netOfHole[hole];
    }

    /** The nodes of a copper layer whose envelopes meet the given one. */
    public List<CopperNode> near(int layer, Envelope e) {
        List<CopperNode> found = new ArrayList<>();
        for (Object o : trees.get(layer).query(e)) {
            found.add(nodes.get((Integer) o));
        }
        return found;
    }

    /** The nodes of a copper layer that cover a place, the last drawn first. */
    public List<CopperNode> at(int layer, Pt p) {
        Point point = Geo.point(p);
        List<CopperNode> found = new ArrayList<>(near(layer, point.getEnvelopeInternal()));
        found.removeIf(n -> !meets(n.id(), n.polygon(), point));
        found.sort((a, b) -> Integer.compare(b.id(), a.id()));
        return found;
    }
}
