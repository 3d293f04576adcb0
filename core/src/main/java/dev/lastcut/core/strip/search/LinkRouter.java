package dev.lastcut.core.strip.search;

import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripWeights;
import dev.lastcut.core.strip.Wires;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/** Lays the links and cuts of an arrangement hole by hole. Used once. */
final class LinkRouter {
    /** What a link over a body costs beside others, in the place of one hole further. */
    private static final double OVER_BODY = 6;

    /** The same in the cost of a plan. */
    private static final double OVER = 3;

    /** An insulated wire across others, in the cost of a plan. */
    private static final double ACROSS = 12;

    private static final double OUTSIDE = 4;

    /** An insulated wire is laid only where no bare one can be. */
    private static final double SLANTED = 12;

    /** How near a wire may come to a body, pitches. */
    private static final double ROOM = 0.2;

    /** A net on a strip, from its first hole in use to its last. */
    private static final class Reach {
        final int strip;
        final int net;
        int lo;
        int hi;
        Reach left;
        Reach right;
        Reach joined = this;

        Reach(int strip, int net, int at) {
            this.strip = strip;
            this.net = net;
            lo = at;
            hi = at;
        }
    }

    /** Two stretches of a net that a wire may join. */
    private record Pair(Reach a, Reach b, double cost) {}

    private final Arrangement arranged;
    private final SearchBoard board;
    private final boolean[][] taken;
    private final List<Reach> reaches = new ArrayList<>();
    private final List<StripPlan.Link> links = new ArrayList<>();
    private int minS = Integer.MAX_VALUE;
    private int minH = Integer.MAX_VALUE;
    private int maxS;
    private int maxH;
    private int overBodies;
    private int crossed;
    private int unjoined;

    LinkRouter(Arrangement arranged) {
        this.arranged = arranged;
        board = arranged.board;
        taken = new boolean[board.strips][board.holes];
    }

    /** What wires of an arrangement cost; its plan is written down only when it is wanted. */
    static final class Routed {
        private final double cost;
        private final int unjoined;
        private final Supplier<StripPlan> plan;

        Routed(double cost, int unjoined, Supplier<StripPlan> plan) {
            this.cost = cost;
            this.unjoined = unjoined;
            this.plan = plan;
        }

        double cost() {
            return cost;
        }

        /** Wires for which there was no room. */
        int unjoined() {
            return unjoined;
        }

        /** Only while the arrangement is as it was. */
        StripPlan plan() {
            return plan.get();
        }
    }

    /** Empty when leads are off the board or share a hole. */
    Optional<Routed> route() {
        if (!seat()) {
            return Optional.empty();
        }
        List<Pair> pairs = pairs();
        for (Pair p : pairs) {
            if (root(p.a()) != root(p.b()) && lay(p)) {
                root(p.a()).joined = root(p.b());
            }
        }
        Map<Integer, Set<Reach>> roots = new HashMap<>();
        reaches.forEach(r -> roots.computeIfAbsent(r.net, k -> new HashSet<>()).add(root(r)));
        roots.values().forEach(r -> unjoined += r.size() - 1);
        Set<GridHole> cuts = cuts();
        return Optional.of(planned(cuts));
    }

    private boolean seat() {
        TreeMap<GridHole, Integer> leads = new TreeMap<>();
        for (int p = 0; p < board.size(); p++) {
            Stance at = arranged.stanceOf(p);
            for (int i = 0; i < at.strip().length; i++) {
                GridHole h =
                        new GridHole(
                                arranged.strip[p] + at.strip()[i], arranged.hole[p] + at.hole()[i]);
                if (!isFree(h.strip(), h.hole()) || leads.putIfAbsent(h, board.net[p][i]) != null) {
                    return false;
                }
                use(h);
            }
        }
        Reach last = null;
        for (Map.Entry<GridHole, Integer> e : leads.entrySet()) {
            GridHole h = e.getKey();
            boolean follows =
                    last != null
                            && last.strip == h.strip()
                            && !gapBetween(h.strip(), last.hi, h.hole());
            if (follows && last.net == e.getValue()) {
                last.hi = h.hole();
                continue;
            }
            Reach next = new Reach(h.strip(), e.getValue(), h.hole());
            if (follows) {
                next.left = last;
                last.right = next;
            }
            reaches.add(next);
            last = next;
        }
        return true;
    }

    private void use(GridHole h) {
        taken[h.strip()][h.hole()] = true;
        minS = Math.min(minS, h.strip());
        maxS = Math.max(maxS, h.strip());
        minH = Math.min(minH, h.hole());
        maxH = Math.max(maxH, h.hole());
    }

    private boolean isFree(int s, int h) {
        return s >= 0
                && h >= 0
                && s < board.strips
                && h < board.holes
                && !taken[s][h]
                && !board.gap[s][h];
    }

    private boolean gapBetween(int s, int from, int to) {
        for (int h = from + 1; h < to; h++) {
            if (board.gap[s][h]) {
                return true;
            }
        }
        return false;
    }

    private static Reach root(Reach r) {
        Reach at = r;
        while (at.joined != at) {
            at = at.joined;
        }
        return at;
    }

    /** All pairs of stretches of one net, those first that have the fewest places for a wire. */
    private List<Pair> pairs() {
        List<Pair> all = new ArrayList<>();
        for (int i = 0; i < reaches.size(); i++) {
            for (int j = i + 1; j < reaches.size(); j++) {
                Reach a = reaches.get(i);
                Reach b = reaches.get(j);
                if (a.net == b.net) {
                    int along = Math.max(0, Math.max(low(a), low(b)) - Math.min(high(a), high(b)));
                    int across = Math.abs(a.strip - b.strip);
                    boolean straight = across == 0 || along == 0;
                    all.add(new Pair(a, b, across + along + (straight ? 0 : SLANTED)));
                }
            }
        }
        all.sort(Comparator.comparingDouble(Pair::cost));
        return all;
    }

    /** The first hole a stretch can be used at, with a hole left for the cut beside it. */
    private int low(Reach r) {
        int lo = r.left == null ? 0 : r.left.hi + 2;
        for (int h = r.lo - 1; h >= lo; h--) {
            if (board.gap[r.strip][h]) {
                return h + 1;
            }
        }
        return lo;
    }

    private int high(Reach r) {
        int hi = r.right == null ? board.holes - 1 : r.right.lo - 2;
        for (int h = r.hi + 1; h <= hi; h++) {
            if (board.gap[r.strip][h]) {
                return h - 1;
            }
        }
        return hi;
    }

    private boolean lay(Pair p) {
        Optional<StripPlan.Link> wire = straight(p).or(() -> slanted(p));
        if (wire.isEmpty() && p.a().strip != p.b().strip) {
            wire = cheapest(p, true);
            crossed += wire.isPresent() ? 1 : 0;
        }
        wire.ifPresent(
                best -> {
                    links.add(best);
                    overBodies += bodies(best);
                    use(best.from());
                    use(best.to());
                    take(p.a(), best.from().hole());
                    take(p.b(), best.to().hole());
                });
        return wire.isPresent();
    }

    /** A bare wire across the strips, or along one strip over what parts it. */
    private Optional<StripPlan.Link> straight(Pair p) {
        if (p.a().strip == p.b().strip) {
            return cheapest(p, false);
        }
        StripPlan.Link best = null;
        double least = Double.MAX_VALUE;
        int from = Math.max(low(p.a()), low(p.b()));
        int to = Math.min(high(p.a()), high(p.b()));
        for (int h = from; h <= to; h++) {
            if (!isFree(p.a().strip, h) || !isFree(p.b().strip, h)) {
                continue;
            }
            StripPlan.Link link =
                    new StripPlan.Link(new GridHole(p.a().strip, h), new GridHole(p.b().strip, h));
            double cost = beyond(p.a(), h) + beyond(p.b(), h);
            if (cost < least && isClear(link, false)) {
                cost += bodies(link) * OVER_BODY;
                if (cost < least) {
                    least = cost;
                    best = link;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** An insulated wire between the nearest holes. */
    private Optional<StripPlan.Link> slanted(Pair p) {
        return p.a().strip == p.b().strip ? Optional.empty() : cheapest(p, false);
    }

    private Optional<StripPlan.Link> cheapest(Pair p, boolean crossing) {
        StripPlan.Link best = null;
        double least = Double.MAX_VALUE;
        for (int x : near(p.a())) {
            for (int y : near(p.b())) {
                double cost = 0.2 * Math.abs(x - y) + beyond(p.a(), x) + beyond(p.b(), y);
                if (cost >= least) {
                    continue;
                }
                StripPlan.Link link =
                        new StripPlan.Link(
                                new GridHole(p.a().strip, x), new GridHole(p.b().strip, y));
                if (isClear(link, crossing)) {
                    cost += bodies(link) * OVER_BODY;
                    if (cost < least) {
                        least = cost;
                        best = link;
                    }
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** The free holes of a stretch, as far as the board is in use. */
    private int[] near(Reach r) {
        int from = Math.max(low(r), minH - 1);
        int to = Math.min(high(r), maxH + 1);
        return IntStream.rangeClosed(from, to).filter(h -> isFree(r.strip, h)).toArray();
    }

    private static void take(Reach r, int hole) {
        r.lo = Math.min(r.lo, hole);
        r.hi = Math.max(r.hi, hole);
    }

    /** What it costs to take a stretch further, and more so beyond the parts. */
    private double beyond(Reach r, int hole) {
        double outside = hole < minH || hole > maxH ? OUTSIDE : 0;
        return 0.2 * Math.max(0, Math.max(r.lo - hole, hole - r.hi)) + outside;
    }

    /**
     * Whether a wire keeps off all leads and other wires.
     *
     * @param crossing whether it may cross other wires, being insulated
     */
    private boolean isClear(StripPlan.Link l, boolean crossing) {
        int fromS = Math.min(l.from().strip(), l.to().strip());
        int toS = Math.max(l.from().strip(), l.to().strip());
        int fromH = Math.min(l.from().hole(), l.to().hole());
        int toH = Math.max(l.from().hole(), l.to().hole());
        for (int s = fromS; s <= toS; s++) {
            for (int h = fromH; h <= toH; h++) {
                if (taken[s][h] && !Wires.isEnd(l, s, h) && Wires.distance(l, s, h) < Wires.ROOM) {
                    return false;
                }
            }
        }
        return links.stream().noneMatch(o -> crossing ? Wires.endsOn(l, o) : Wires.meet(l, o));
    }

    private int bodies(StripPlan.Link l) {
        int count = 0;
        double minX = Math.min(l.from().hole(), l.to().hole()) - ROOM;
        double maxX = Math.max(l.from().hole(), l.to().hole()) + ROOM;
        double minY = Math.min(l.from().strip(), l.to().strip()) - ROOM;
        double maxY = Math.max(l.from().strip(), l.to().strip()) + ROOM;
        for (int p = 0; p < board.size(); p++) {
            Stance at = arranged.stanceOf(p);
            if (minX < arranged.hole[p] + at.maxHole()
                    && maxX > arranged.hole[p] + at.minHole()
                    && minY < arranged.strip[p] + at.maxStrip()
                    && maxY > arranged.strip[p] + at.minStrip()) {
                count++;
            }
        }
        return count;
    }

    private Set<GridHole> cuts() {
        Set<GridHole> cuts = new TreeSet<>();
        for (Reach r : reaches) {
            if (r.right == null) {
                continue;
            }
            int middle = (r.hi + r.right.lo) / 2;
            int best = middle;
            for (int d = 0; d < board.holes; d++) {
                for (int h : new int[] {middle - d, middle + d}) {
                    if (h > r.hi && h < r.right.lo && !isUnderBody(r.strip, h)) {
                        best = h;
                        d = board.holes;
                        break;
                    }
                }
            }
            if (best <= r.hi || best >= r.right.lo) {
                unjoined++;
            } else {
                cuts.add(new GridHole(r.strip, best));
            }
        }
        return cuts;
    }

    private boolean isUnderBody(int s, int h) {
        for (int p = 0; p < board.size(); p++) {
            Stance at = arranged.stanceOf(p);
            if (h > arranged.hole[p] + at.minHole()
                    && h < arranged.hole[p] + at.maxHole()
                    && s > arranged.strip[p] + at.minStrip()
                    && s < arranged.strip[p] + at.maxStrip()) {
                return true;
            }
        }
        return false;
    }

    private Routed planned(Set<GridHole> cuts) {
        double lowS = minS;
        double lowH = minH;
        double highS = maxS;
        double highH = maxH;
        double extra = 0;
        for (int p = 0; p < board.size(); p++) {
            Stance at = arranged.stanceOf(p);
            extra += at.extra();
            lowS = Math.min(lowS, arranged.strip[p] + at.minStrip() + 0.5);
            lowH = Math.min(lowH, arranged.hole[p] + at.minHole() + 0.5);
            highS = Math.max(highS, arranged.strip[p] + at.maxStrip() - 0.5);
            highH = Math.max(highH, arranged.hole[p] + at.maxHole() - 0.5);
        }
        int fromS = board.whole ? 0 : Math.max(0, (int) Math.floor(lowS));
        int fromH = board.whole ? 0 : Math.max(0, (int) Math.floor(lowH));
        boolean bought = !board.stock.gaps().isEmpty();
        int strips =
                bought ? board.strips : Math.min(board.strips, (int) Math.ceil(highS) + 1) - fromS;
        int holes =
                bought ? board.holes : Math.min(board.holes, (int) Math.ceil(highH) + 1) - fromH;
        StripWeights w = board.weights;
        double cost =
                w.area() * strips * holes
                        + w.link() * links.size()
                        + w.cut() * cuts.size()
                        + extra
                        + OVER * overBodies
                        + ACROSS * crossed;
        return new Routed(cost, unjoined, () -> plan(cuts, fromS, fromH, strips, holes));
    }

    private StripPlan plan(Set<GridHole> cuts, int fromS, int fromH, int strips, int holes) {
        Map<String, StripPlan.Placed> parts = new LinkedHashMap<>();
        for (int p = 0; p < board.size(); p++) {
            Stance at = arranged.stanceOf(p);
            Map<String, GridHole> pins = new LinkedHashMap<>();
            for (int i = 0; i < at.strip().length; i++) {
                pins.put(
                        board.parts.get(p).pins().get(i),
                        new GridHole(
                                arranged.strip[p] + at.strip()[i] - fromS,
                                arranged.hole[p] + at.hole()[i] - fromH));
            }
            parts.put(
                    board.parts.get(p).designator(),
                    new StripPlan.Placed(pins, at.standing(), board.locked.get(p) != null));
        }
        Set<GridHole> shifted = new TreeSet<>();
        cuts.forEach(c -> shifted.add(c.plus(-fromS, -fromH)));
        List<StripPlan.Link> moved =
                links.stream()
                        .map(
                                l ->
                                        new StripPlan.Link(
                                                l.from().plus(-fromS, -fromH),
                                                l.to().plus(-fromS, -fromH)))
                        .sorted(
                                Comparator.comparing(StripPlan.Link::from)
                                        .thenComparing(StripPlan.Link::to))
                        .toList();
        return new StripPlan(
                Optional.of(board.stock.name()),
                strips,
                holes,
                parts,
                shifted,
                Set.of(),
                moved,
                List.of());
    }
}
