package dev.lastcut.core.geometry;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * Writes a polygon with holes as one contour: from the leftmost corner of each hole a horizontal
 * cut-in leads to whatever lies to the left of it and back (Gerber specification, "Contours with
 * cut-ins"). Corners are rounded to the grid; where a cut-in meets an edge, that gets a corner
 * more, at most half a nanometre beside it.
 */
public final class HoleJoiner {
    /** Edges are looked up in runs of so many. */
    private static final int RUN = 16;

    private static final double NEAR_NM = 50_000;

    /** Where a hole is joined to another ring: on an edge, at a place. */
    private record Joint(int edge, Coordinate at, int hole) {}

    private record Run(int ring, int from, int to) {}

    /** A ring that is being written, and how far. */
    private static final class Walk {
        private final int ring;
        private final int start;
        private final List<Joint> joints;
        private int done;
        private int next;

        Walk(int ring, int start, List<Joint> joints) {
            this.ring = ring;
            this.start = start;
            this.joints = joints;
        }
    }

    private final List<Coordinate[]> rings = new ArrayList<>();
    private final int[] leftmost;
    private final List<List<Joint>> joints = new ArrayList<>();
    private final HPRtree tree = new HPRtree();
    private final Envelope all;

    private HoleJoiner(Polygon p) {
        all = p.getEnvelopeInternal();
        add(p.getExteriorRing());
        for (int i = 0; i < p.getNumInteriorRing(); i++) {
            add(p.getInteriorRingN(i));
        }
        leftmost = new int[rings.size()];
        for (int r = 0; r < rings.size(); r++) {
            Coordinate[] c = rings.get(r);
            joints.add(new ArrayList<>());
            for (int i = 1; i < c.length - 1; i++) {
                Coordinate best = c[leftmost[r]];
                if (c[i].x < best.x || (c[i].x == best.x && c[i].y < best.y)) {
                    leftmost[r] = i;
                }
            }
            for (int from = 0; from < c.length - 1; from += RUN) {
                Run run = new Run(r, from, Math.min(c.length - 1, from + RUN));
                Envelope e = new Envelope();
                for (int i = run.from; i <= run.to; i++) {
                    e.expandToInclude(c[i]);
                }
                tree.insert(e, run);
            }
        }
        tree.build();
    }

    /** Rings that rounding leaves nothing of are left out. */
    private void add(LinearRing ring) {
        List<Coordinate> c = new ArrayList<>();
        for (Coordinate p : ring.getCoordinates()) {
            Coordinate q = new Coordinate(Math.rint(p.x), Math.rint(p.y));
            if (c.isEmpty() || !c.get(c.size() - 1).equals2D(q)) {
                c.add(q);
            }
        }
        if (c.size() >= 4 || rings.isEmpty()) {
            rings.add(c.toArray(Coordinate[]::new));
        }
    }

    /** One closed ring, first and last coordinate equal. */
    public static Coordinate[] join(Polygon p) {
        HoleJoiner joiner = new HoleJoiner(p);
        for (int hole = 1; hole < joiner.rings.size(); hole++) {
            joiner.find(hole);
        }
        for (int ring = 0; ring < joiner.rings.size(); ring++) {
            Coordinate[] c = joiner.rings.get(ring);
            joiner.joints
                    .get(ring)
                    .sort(
                            Comparator.comparingInt(Joint::edge)
                                    .thenComparingDouble(j -> c[j.edge].distance(j.at)));
        }
        return joiner.written();
    }

    /** What lies to the left of a hole, looked for in strips that grow. */
    private void find(int hole) {
        Coordinate v = rings.get(hole)[leftmost[hole]];
        for (double reach = NEAR_NM; ; reach *= 8) {
            Envelope strip = new Envelope(v.x - reach, v.x, v.y, v.y);
            Hit hit = new Hit(v, hole);
            tree.query(strip, o -> hit.look((Run) o));
            if (hit.joint != null && hit.joint.at.x >= v.x - reach) {
                joints.get(hit.ring).add(hit.joint);
                return;
            }
            if (v.x - reach < all.getMinX() - 1) {
                // Rounding has moved it out by a hair: it is left out, being nothing then.
                return;
            }
        }
    }

    /** The nearest edge to the left of a corner. */
    private final class Hit {
        private final Coordinate v;
        private final int hole;
        private Joint joint;
        private int ring;

        Hit(Coordinate v, int hole) {
            this.v = v;
            this.hole = hole;
        }

        void look(Run run) {
            if (run.ring == hole) {
                return;
            }
            Coordinate[] c = rings.get(run.ring);
            for (int i = run.from; i < run.to; i++) {
                double low = Math.min(c[i].y, c[i + 1].y);
                double high = Math.max(c[i].y, c[i + 1].y);
                if (v.y < low || v.y > high) {
                    continue;
                }
                double x =
                        low == high
                                ? Math.max(c[i].x, c[i + 1].x)
                                : c[i].x
                                        + (v.y - c[i].y)
                                                * (c[i + 1].x - c[i].x)
                                                / (c[i + 1].y - c[i].y);
                double at = Math.rint(x);
                if (at <= v.x && (joint == null || at > joint.at.x)) {
                    joint = new Joint(i, new Coordinate(at, v.y), hole);
                    ring = run.ring;
                }
            }
        }
    }

    private Coordinate[] written() {
        List<Coordinate> out = new ArrayList<>();
        Deque<Walk> open = new ArrayDeque<>();
        open.push(walk(0, 0));
        put(out, rings.get(0)[0]);
        while (!open.isEmpty()) {
            Walk w = open.peek();
            Coordinate[] c = rings.get(w.ring);
            int edges = c.length - 1;
            if (w.done == edges) {
                open.pop();
                if (!open.isEmpty()) {
                    // Back along the cut-in.
                    Walk outer = open.peek();
                    put(out, outer.joints.get(outer.next - 1).at);
                }
                continue;
            }
            int edge = (w.start + w.done) % edges;
            Joint j = w.next < w.joints.size() ? w.joints.get(w.next) : null;
            if (j != null && j.edge == edge) {
                w.next++;
                put(out, j.at);
                Walk inner = walk(j.hole, leftmost[j.hole]);
                put(out, rings.get(j.hole)[inner.start]);
                open.push(inner);
            } else {
                w.done++;
                put(out, c[edge + 1]);
            }
        }
        return out.toArray(Coordinate[]::new);
    }

    /** A ring from one of its corners on, its joints in the order they are come by. */
    private Walk walk(int ring, int start) {
        List<Joint> all = joints.get(ring);
        int first = 0;
        while (first < all.size() && all.get(first).edge < start) {
            first++;
        }
        List<Joint> ordered = new ArrayList<>(all.subList(first, all.size()));
        ordered.addAll(all.subList(0, first));
        return new Walk(ring, start, ordered);
    }

    private static void put(List<Coordinate> out, Coordinate c) {
        if (out.isEmpty() || !out.get(out.size() - 1).equals2D(c)) {
            out.add(c);
        }
    }
}
