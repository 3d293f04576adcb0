package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.UnionFind;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * The nets of a board as its copper makes them. Nodes are the pieces of copper that are left of
 * each feature; two nodes are of one net when they touch on a layer or when a plated hole passes
 * both.
 *
 * <p>Only the nets are computed at once: a pair that is already joined is not compared again. Who
 * touches whom is found when asked for.
 */
public final class CopperNets {
    /** Looking whether two pieces are joined already takes about 10 ns. */
    private static final int LOOKS_OF_A_STEP = 500;

    private final Contact contact = new Contact();
    private final List<CopperNode> nodes = new ArrayList<>();
    private final List<HPRtree> trees = new ArrayList<>();
    private final List<Hole> holes;
    private final HPRtree holeTree = new HPRtree();
    private final Map<Integer, List<Integer>> neighbours = new ConcurrentHashMap<>();
    private final int netCount;
    private final int[] netOfHole;
    private final List<List<Integer>> nodesOfNet = new ArrayList<>();

    private CopperNets(Board board, Function<Layer, List<Piece>> piecesOf) {
        holes = board.holes();
        List<Piece> pieces = new ArrayList<>();
        List<Integer> layerOf = new ArrayList<>();
        List<Layer> copper = board.copper();
        for (int layer = 0; layer < copper.size(); layer++) {
            HPRtree tree = new HPRtree();
            for (Piece piece : piecesOf.apply(copper.get(layer))) {
                tree.insert(piece.envelope(), pieces.size());
                pieces.add(piece);
                layerOf.add(layer);
            }
            tree.build();
            trees.add(tree);
        }
        for (int h = 0; h < holes.size(); h++) {
            if (holes.get(h).plated()) {
                holeTree.insert(HoleIndex.box(holes.get(h)), h);
            }
        }
        holeTree.build();
        UnionFind sets = new UnionFind(pieces.size() + holes.size());
        joinTouching(pieces, layerOf, sets);
        joinHoles(pieces, sets);

        Map<Integer, Integer> netOfRoot = new HashMap<>();
        for (int i = 0; i < pieces.size(); i++) {
            int net = netOfRoot.computeIfAbsent(sets.find(i), r -> netOfRoot.size());
            nodes.add(new CopperNode(i, layerOf.get(i), net, pieces.get(i)));
        }
        netCount = netOfRoot.size();
        for (int i = 0; i < netCount; i++) {
            nodesOfNet.add(new ArrayList<>());
        }
        nodes.forEach(n -> nodesOfNet.get(n.net()).add(n.id()));
        netOfHole = new int[holes.size()];
        for (int h = 0; h < netOfHole.length; h++) {
            netOfHole[h] = netOfRoot.getOrDefault(sets.find(pieces.size() + h), -1);
        }
    }

    /**
     * @param piecesOf the pieces of a copper layer
     */
    static CopperNets of(Board board, Function<Layer, List<Piece>> piecesOf) {
        return new CopperNets(board, piecesOf);
    }

    private void joinTouching(List<Piece> pieces, List<Integer> layerOf, UnionFind sets) {
        for (int i = 0; i < pieces.size(); i++) {
            WorkLimit.step();
            int self = i;
            Piece piece = pieces.get(i);
            int[] looked = new int[1];
            trees.get(layerOf.get(i))
                    .query(
                            piece.envelope(),
                            o -> {
                                int j = (Integer) o;
                                if (++looked[0] % LOOKS_OF_A_STEP == 0) {
                                    WorkLimit.step();
                                }
                                if (j > self
                                        && sets.find(self) != sets.find(j)
                                        && contact.touch(piece, pieces.get(j))) {
                                    sets.union(self, j);
                                }
                            });
        }
    }

    private void joinHoles(List<Piece> pieces, UnionFind sets) {
        for (int h = 0; h < holes.size(); h++) {
            WorkLimit.step();
            Hole hole = holes.get(h);
            if (!hole.plated()) {
                continue;
            }
            int self = pieces.size() + h;
            for (int layer = 0; layer < trees.size(); layer++) {
                if (!hole.span().passes(layer)) {
                    continue;
                }
                trees.get(layer)
                        .query(
                                HoleIndex.box(hole),
                                o -> {
                                    int i = (Integer) o;
                                    if (sets.find(self) != sets.find(i)
                                            && contact.touch(pieces.get(i), hole)) {
                                        sets.union(self, i);
                                    }
                                });
            }
        }
    }

    public int layerCount() {
        return trees.size();
    }

    /** Compares the pieces; shared, so that large ones are indexed once. */
    public Contact contact() {
        return contact;
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

    /** The nodes that touch a node on its layer or share a plated hole with it, by id. */
    public List<Integer> neighboursOf(int node) {
        return neighbours.computeIfAbsent(node, this::findNeighbours);
    }

    private List<Integer> findNeighbours(int id) {
        CopperNode node = nodes.get(id);
        java.util.TreeSet<Integer> found = new java.util.TreeSet<>();
        for (CopperNode other : near(node.layer(), node.envelope())) {
            if (other.net() == node.net() && contact.touch(node.piece(), other.piece())) {
                found.add(other.id());
            }
        }
        for (Object o : holeTree.query(node.envelope())) {
            Hole hole = holes.get((Integer) o);
            boolean here = hole.span().passes(node.layer()) && netOfHole[(Integer) o] == node.net();
            if (here && contact.touch(node.piece(), hole)) {
                found.addAll(nodesAt(hole));
            }
        }
        found.remove(id);
        return List.copyOf(found);
    }

    /** The nodes of every layer that a hole's wall meets, by id, from the top. */
    public List<Integer> nodesAt(Hole hole) {
        List<Integer> found = new ArrayList<>();
        for (int layer = 0; layer < trees.size(); layer++) {
            for (CopperNode n : near(layer, HoleIndex.box(hole))) {
                if (hole.span().passes(layer) && contact.touch(n.piece(), hole)) {
                    found.add(n.id());
                }
            }
        }
        return found;
    }

    /** Plated holes whose bounds cover a place, by index into the board's holes. */
    List<Integer> platedHolesAt(Pt p) {
        List<Integer> found = new ArrayList<>();
        for (Object o : holeTree.query(new Envelope(p.coordinate()))) {
            found.add((Integer) o);
        }
        return found;
    }

    /** The net a hole's plating belongs to; −1 when it touches no copper or is not plated. */
    public int netOfHole(int hole) {
        return netOfHole[hole];
    }

    /** The nodes of a copper layer whose envelopes meet the given one. */
    public List<CopperNode> near(int layer, Envelope e) {
        WorkLimit.step();
        List<CopperNode> found = new ArrayList<>();
        trees.get(layer)
                .query(
                        e,
                        o -> {
                            CopperNode n = nodes.get((Integer) o);
                            // The tree answers with whole leaves, not with single boxes.
                            if (n.envelope().intersects(e)) {
                                found.add(n);
                            }
                        });
        return found;
    }

    /** The nodes of a copper layer that cover a place, the last drawn first. */
    public List<CopperNode> at(int layer, Pt p) {
        List<CopperNode> found = new ArrayList<>(near(layer, new Envelope(p.coordinate())));
        found.removeIf(n -> !contact.covers(n.piece(), p));
        found.sort((a, b) -> Integer.compare(b.id(), a.id()));
        return found;
    }
}
