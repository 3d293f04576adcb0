package dev.lastcut.core.geometry;

/** Disjoint sets over 0 … n−1, with path halving and union by size. */
public final class UnionFind {
    private final int[] parent;
    private final int[] size;

    public UnionFind(int n) {
        parent = new int[n];
        size = new int[n];
        for (int i = 0; i < n; i++) {
            parent[i] = i;
            size[i] = 1;
        }
    }

    public int find(int i) {
        int at = i;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    public void union(int a, int b) {
        int ra = find(a);
        int rb = find(b);
        if (ra == rb) {
            return;
        }
        int big = size[ra] >= size[rb] ? ra : rb;
        int small = big == ra ? rb : ra;
        parent[small] = big;
        size[big] += size[small];
    }
}
