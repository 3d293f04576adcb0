package dev.lastcut.core.strip.search;

import java.util.Arrays;

/** Where every part stands, and about what that costs. Changed in place by one search. */
final class Arrangement {
    /** Bodies or leads in each other's way, and leads off the board. */
    private static final double COLLISION = 30;

    /** Two nets side by side on a strip with no hole between for a cut. */
    private static final double NO_CUT = 20;

    /** Segments of a net that no straight wire across the strips can join. */
    private static final double SLANTED = 2;

    private static final double LENGTH = 0.05;

    /** A wire without a free hole at one of its ends. */
    private static final double CROWDED = 8;

    /** How far a lead keeps from another part's body, pitches. */
    private static final double LEAD_ROOM = 0.12;

    /** Bodies may touch. */
    private static final double TOUCH = 0.02;

    final SearchBoard board;
    final int[] stance;
    final int[] strip;
    final int[] hole;

    private final Stance[][] stances;
    private final int[] keys;
    private final int[] order;
    private final int[] partOf;
    private final int[] indexOf;
    private final int[] segStrip;
    private final int[] segLo;
    private final int[] segHi;
    private final int[] segNext;
    private final int[] head;
    private final double[] reach;
    private final int[] parent;
    private final int[] held;
    private final int[] wires;
    private final int[] ofNet;

    /** What is in the way of a plan, in the last {@link #cost}. */
    double faults;

    Arrangement(SearchBoard board) {
        this.board = board;
        int n = board.size();
        stances =
                board.stances.stream().map(s -> s.toArray(Stance[]::new)).toArray(Stance[][]::new);
        stance = new int[n];
        strip = new int[n];
        hole = new int[n];
        int leads = 0;
        for (int[] its : board.net) {
            leads += its.length;
        }
        keys = new int[leads];
        order = new int[leads];
        partOf = new int[leads];
        indexOf = new int[leads];
        int lead = 0;
        for (int p = 0; p < n; p++) {
            for (int i = 0; i < board.net[p].length; i++) {
                order[lead] = lead;
                partOf[lead] = p;
                indexOf[lead++] = i;
            }
        }
        segStrip = new int[leads];
        segLo = new int[leads];
        segHi = new int[leads];
        segNext = new int[leads];
        head = new int[board.nets];
        reach = new double[leads];
        parent = new int[leads];
        held = new int[leads];
        wires = new int[leads];
        ofNet = new int[leads];
    }

    Arrangement copy() {
        Arrangement other = new Arrangement(board);
        other.take(this);
        return other;
    }

    void take(Arrangement other) {
        System.arraycopy(other.stance, 0, stance, 0, stance.length);
        System.arraycopy(other.strip, 0, strip, 0, strip.length);
        System.arraycopy(other.hole, 0, hole, 0, hole.length);
        faults = other.faults;
    }

    Stance stanceOf(int part) {
        return stances[part][stance[part]];
    }

    /** The weighted cost, with what is in the way added; {@link #faults} is 0 when nothing is. */
    double cost() {
        faults = 0;
        double extra = bodies();
        sort();
        int cuts = segments(keys.length);
        double links = links();
        return board.weights.area() * area() + board.weights.cut() * cuts + links + extra + faults;
    }

    /**
     * Sorts the leads by strip and hole. They keep their order from the arrangement before, of
     * which few moved, so that they are put in order by insertion.
     */
    private void sort() {
        for (int n = 0; n < order.length; n++) {
            int lead = order[n];
            int p = partOf[lead];
            int i = indexOf[lead];
            Stance at = stanceOf(p);
            int s = strip[p] + at.strip()[i];
            int h = hole[p] + at.hole()[i];
            if (s < 0 || h < 0 || s >= board.strips || h >= board.holes) {
                faults += COLLISION;
                s = Math.max(0, Math.min(board.strips - 1, s));
                h = Math.max(0, Math.min(board.holes - 1, h));
            } else if (board.gap[s][h]) {
                faults += COLLISION;
            }
            int key = s << 20 | h << 12 | board.net[p][i];
            int to = n;
            while (to > 0 && keys[to - 1] > key) {
                keys[to] = keys[to - 1];
                order[to] = order[to - 1];
                to--;
            }
            keys[to] = key;
            order[to] = lead;
        }
    }

    /** Holes of the board in use, the bodies included. */
    double area() {
        double minS = Double.MAX_VALUE;
        double minH = Double.MAX_VALUE;
        double maxS = 0;
        double maxH = 0;
        for (int p = 0; p < stance.length; p++) {
            Stance at = stanceOf(p);
            // A body may stand over the sawn edge by half a pitch.
            minS = Math.min(minS, strip[p] + Math.min(0, at.minStrip() + 0.5));
            minH = Math.min(minH, hole[p] + Math.min(0, at.minHole() + 0.5));
            maxS = Math.max(maxS, strip[p] + at.maxStrip() - 0.5);
            maxH = Math.max(maxH, hole[p] + at.maxHole() - 0.5);
            for (int i = 0; i < at.strip().length; i++) {
                minS = Math.min(minS, strip[p] + at.strip()[i]);
                maxS = Math.max(maxS, strip[p] + at.strip()[i]);
                minH = Math.min(minH, hole[p] + at.hole()[i]);
                maxH = Math.max(maxH, hole[p] + at.hole()[i]);
            }
        }
        return board.whole
                ? (Math.ceil(maxS) + 1) * (Math.ceil(maxH) + 1)
                : (Math.ceil(maxS) - Math.floor(minS) + 1)
                        * (Math.ceil(maxH) - Math.floor(minH) + 1);
    }

    private double bodies() {
        double extra = 0;
        for (int p = 0; p < stance.length; p++) {
            Stance a = stanceOf(p);
            extra += a.extra();
            for (int q = p + 1; q < stance.length; q++) {
                Stance b = stanceOf(q);
                int ds = strip[q] - strip[p];
                int dh = hole[q] - hole[p];
                int apart = a.reach() + b.reach();
                if (ds > apart || -ds > apart || dh > apart || -dh > apart) {
                    continue;
                }
                double overS =
                        Math.min(a.maxStrip(), b.maxStrip() + ds)
                                - Math.max(a.minStrip(), b.minStrip() + ds);
                double overH =
                        Math.min(a.maxHole(), b.maxHole() + dh)
                                - Math.max(a.minHole(), b.minHole() + dh);
                if (overS > TOUCH && overH > TOUCH) {
                    faults += COLLISION + 5 * Math.min(overS, overH);
                }
                faults += COLLISION * (under(a, b, ds, dh) + under(b, a, -ds, -dh));
                if (crosses(a, b, ds, dh) || crosses(b, a, -ds, -dh)) {
                    faults += COLLISION;
                }
            }
        }
        return extra;
    }

    /** Whether the leads of a run over the body or a lead of b, which stands so far from it. */
    private static boolean crosses(Stance a, Stance b, int ds, int dh) {
        if (!a.bent()) {
            return false;
        }
        if (a.runsOver(
                b.minStrip() + ds + TOUCH,
                b.minHole() + dh + TOUCH,
                b.maxStrip() + ds - TOUCH,
                b.maxHole() + dh - TOUCH)) {
            return true;
        }
        for (int i = 0; i < b.strip().length; i++) {
            int s = b.strip()[i] + ds;
            int h = b.hole()[i] + dh;
            if (a.runsOver(s, h, s, h)) {
                return true;
            }
        }
        return false;
    }

    /** Leads of b under the body of a, which stands so far from it. */
    private static int under(Stance a, Stance b, int ds, int dh) {
        int count = 0;
        for (int i = 0; i < b.strip().length; i++) {
            double s = b.strip()[i] + ds;
            double h = b.hole()[i] + dh;
            if (s > a.minStrip() - LEAD_ROOM
                    && s < a.maxStrip() + LEAD_ROOM
                    && h > a.minHole() - LEAD_ROOM
                    && h < a.maxHole() + LEAD_ROOM) {
                count++;
            }
        }
        return count;
    }

    private int segmentCount;

    /** Gathers the leads of each net on each strip; the number of cuts between them. */
    private int segments(int leads) {
        Arrays.fill(head, -1);
        segmentCount = 0;
        int cuts = 0;
        int last = -1;
        int lastStrip = -1;
        for (int i = 0; i < leads; i++) {
            int s = keys[i] >> 20;
            int h = keys[i] >> 12 & 0xff;
            int net = keys[i] & 0xfff;
            boolean sameStrip = s == lastStrip;
            if (sameStrip && h == segHi[last]) {
                faults += COLLISION;
            }
            boolean gapBetween = sameStrip && hasGap(s, segHi[last], h);
            if (sameStrip && !gapBetween && ofNet[last] == net) {
                segHi[last] = h;
                held[last]++;
                continue;
            }
            if (sameStrip && !gapBetween) {
                cuts++;
                if (h - segHi[last] < 2) {
                    faults += NO_CUT;
                }
            }
            last = segmentCount++;
            segStrip[last] = s;
            segLo[last] = h;
            segHi[last] = h;
            held[last] = 1;
            wires[last] = 0;
            ofNet[last] = net;
            segNext[last] = head[net];
            head[net] = last;
            lastStrip = s;
        }
        return cuts;
    }

    private boolean hasGap(int s, int from, int to) {
        if (board.stock.gaps().isEmpty()) {
            return false;
        }
        for (int h = from + 1; h < to; h++) {
            if (board.gap[s][h]) {
                return true;
            }
        }
        return false;
    }

    /** What joining the segments of every net costs, by a least spanning tree (Prim). */
    private double links() {
        double sum = 0;
        for (int net = 0; net < head.length; net++) {
            int first = head[net];
            if (first < 0 || segNext[first] < 0) {
                continue;
            }
            for (int i = first; i >= 0; i = segNext[i]) {
                reach[i] = Double.MAX_VALUE;
            }
            int from = first;
            reach[first] = -1;
            while (true) {
                int nearest = -1;
                for (int i = first; i >= 0; i = segNext[i]) {
                    if (reach[i] >= 0) {
                        double length = wire(from, i);
                        if (length < reach[i]) {
                            reach[i] = length;
                            parent[i] = from;
                        }
                        if (nearest < 0 || reach[i] < reach[nearest]) {
                            nearest = i;
                        }
                    }
                }
                if (nearest < 0) {
                    break;
                }
                sum += reach[nearest];
                wires[nearest]++;
                wires[parent[nearest]]++;
                reach[nearest] = -1;
                from = nearest;
            }
        }
        return sum + crowding();
    }

    /** Wires for whose ends there are not enough free holes on their copper. */
    private double crowding() {
        int first = board.holes;
        int last = 0;
        for (int i = 0; i < segmentCount; i++) {
            first = Math.min(first, segLo[i]);
            last = Math.max(last, segHi[i]);
        }
        double sum = 0;
        for (int i = 0; i < segmentCount; i++) {
            if (wires[i] > 0) {
                int lo = i > 0 && segStrip[i - 1] == segStrip[i] ? segHi[i - 1] + 2 : first;
                int hi = Math.min(neighbour(i), last);
                int free = Math.max(segHi[i], hi) - Math.min(segLo[i], lo) + 1 - held[i];
                sum += CROWDED * Math.max(0, wires[i] - free);
            }
        }
        return sum;
    }

    private double wire(int a, int b) {
        int across = Math.abs(segStrip[a] - segStrip[b]);
        // Copper goes on beyond the leads as far as the next net leaves it.
        int loA = a > 0 && segStrip[a - 1] == segStrip[a] ? segHi[a - 1] + 2 : 0;
        int loB = b > 0 && segStrip[b - 1] == segStrip[b] ? segHi[b - 1] + 2 : 0;
        int hiA = neighbour(a);
        int hiB = neighbour(b);
        int along = Math.max(0, Math.max(loA, loB) - Math.min(hiA, hiB));
        double slanted = across > 0 && along > 0 ? SLANTED : 0;
        return board.weights.link() + slanted + LENGTH * (across + along);
    }

    private int neighbour(int a) {
        return a + 1 < segmentCount && segStrip[a + 1] == segStrip[a]
                ? segLo[a + 1] - 2
                : board.holes - 1;
    }
}
