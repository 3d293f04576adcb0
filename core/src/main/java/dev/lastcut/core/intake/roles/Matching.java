package dev.lastcut.core.intake.roles;

import java.util.HashSet;
import java.util.Set;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;

/**
 * The assignment problem: every file gets one slot or none, every slot at most one file, and the
 * sum of weights is the greatest. Solved by the Hungarian method (Kuhn 1955, Munkres 1957).
 */
final class Matching {
    private static final double FORBIDDEN = 1e6;

    private Matching() {}

    /** The slot of each file, −1 for none, and the sum. */
    record Result(int[] slots, double sum) {}

    /**
     * @param weights by file and slot; negative infinity where a file cannot take a slot
     * @param none what it is worth for a file to take no slot
     */
    static Result best(double[][] weights, double[] none) {
        int files = weights.length;
        int slots = files == 0 ? 0 : weights[0].length;
        int[] own = new int[files];
        double sum = 0;
        boolean clash = false;
        Set<Integer> taken = new HashSet<>();
        for (int f = 0; f < files; f++) {
            own[f] = -1;
            double most = none[f];
            for (int s = 0; s < slots; s++) {
                if (weights[f][s] > most) {
                    most = weights[f][s];
                    own[f] = s;
                }
            }
            sum += most;
            clash |= own[f] >= 0 && !taken.add(own[f]);
        }
        // Where no two files want the same, each has its best already.
        return clash ? solved(weights, none, files, slots) : new Result(own, sum);
    }

    private static Result solved(double[][] weights, double[] none, int files, int slots) {
        var graph =
                new SimpleWeightedGraph<Integer, DefaultWeightedEdge>(DefaultWeightedEdge.class);
        int n = files + slots;
        Set<Integer> left = new HashSet<>();
        Set<Integer> right = new HashSet<>();
        for (int i = 0; i < n; i++) {
            graph.addVertex(i);
            graph.addVertex(n + i);
            left.add(i);
            right.add(n + i);
        }
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < n; k++) {
                double cost = cost(weights, none, files, slots, i, k);
                graph.setEdgeWeight(graph.addEdge(i, n + k), cost);
            }
        }
        var matching =
                new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(graph, left, right)
                        .getMatching();
        int[] own = new int[files];
        java.util.Arrays.fill(own, -1);
        double sum = 0;
        for (DefaultWeightedEdge e : matching.getEdges()) {
            int file = graph.getEdgeSource(e);
            int slot = graph.getEdgeTarget(e) - n;
            if (file < files) {
                own[file] = slot < slots ? slot : -1;
                sum += slot < slots ? weights[file][slot] : none[file];
            }
        }
        return new Result(own, sum);
    }

    /**
     * Behind the files stand rows for slots left free, behind the slots one "none" for each file.
     */
    private static double cost(
            double[][] weights, double[] none, int files, int slots, int row, int column) {
        if (row >= files) {
            return 0;
        }
        if (column < slots) {
            return Double.isInfinite(weights[row][column]) ? FORBIDDEN : -weights[row][column];
        }
        return column - slots == row ? -none[row] : FORBIDDEN;
    }
}
