package dev.lastcut.demo;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * Routes a design on a 0.1 mm grid: shortest ways with 45° turns (A*), other nets' tracks may be
 * crossed at a price and are then taken up and routed again. The net of the pour only needs a way
 * to a via or a through-hole.
 */
final class Router {
    private static final long STEP = 100_000;
    private static final long EDGE = 400_000;
    private static final int[] DX = {1, 1, 0, -1, -1, -1, 0, 1};
    private static final int[] DY = {0, 1, 1, 1, 0, -1, -1, -1};
    private static final int CROSSING = 400;

    private final Design design;
    private final int nx;
    private final int ny;
    private final int layers;
    private final int[] history;
    private final Map<Copper, Integer> group = new HashMap<>();
    private int nextGroup = 1;

    // Filled anew for each way.
    private final byte[] blocked;
    private final byte[] viaBlocked;

    Router(Design design) {
        this.design = design;
        nx = (int) (Length.mm(design.width) / STEP) + 1;
        ny = (int) (Length.mm(design.height) / STEP) + 1;
        layers = design.layers;
        history = new int[nx * ny * 2];
        blocked = new byte[nx * ny * 2];
        viaBlocked = new byte[nx * ny * 2];
    }

    /** Routes every net; throws when one cannot be joined. */
    void run() {
        Set<String> nets = new TreeSet<>();
        design.copper.forEach(c -> nets.add(c.net()));
        nets.remove("");
        List<String> order = new ArrayList<>(nets);
        order.sort(Comparator.comparingDouble(this::span));
        ArrayDeque<String> queue = new ArrayDeque<>(order);
        int budget = 40 * nets.size();
        while (!queue.isEmpty()) {
            String net = queue.poll();
            if (budget-- < 0) {
                throw new IllegalStateException(design.name + ": gave up at net " + net);
            }
            for (String torn : routeNet(net)) {
                if (!queue.contains(torn)) {
                    queue.add(torn);
                }
            }
        }
    }

    private double span(String net) {
        Envelope e = new Envelope();
        design.copper.stream()
                .filter(c -> c.net().equals(net))
                .forEach(c -> e.expandToInclude(c.shape().getEnvelopeInternal()));
        double all = e.getWidth() + e.getHeight();
        return net.equals(design.pourNet) ? 1e12 : all;
    }

    private Set<String> routeNet(String net) {
        Set<String> torn = new HashSet<>();
        for (int guard = 0; guard < 400; guard++) {
            List<List<Copper>> parts = components(net);
            List<Copper> from = next(net, parts);
            if (from == null) {
                return torn;
            }
            List<Copper> way = way(net, from, parts);
            if (way == null) {
                throw new IllegalStateException(
                        design.name + ": no way for " + net + " from " + from.get(0));
            }
            torn.addAll(tear(net, way));
            int id = nextGroup++;
            for (Copper c : way) {
                design.copper.add(c);
                group.put(c, id);
            }
        }
        throw new IllegalStateException(design.name + ": endless net " + net);
    }

    /** The component to join next, or null when the net is whole. */
    private List<Copper> next(String net, List<List<Copper>> parts) {
        boolean poured = net.equals(design.pourNet);
        return parts.stream()
                .filter(p -> poured ? p.stream().noneMatch(Router::through) : parts.size() > 1)
                .min(Comparator.comparingInt(List::size))
                .orElse(null);
    }

    private static boolean through(Copper c) {
        return c.layer() < 0;
    }

    private List<List<Copper>> components(String net) {
        List<Copper> all = design.copper.stream().filter(c -> c.net().equals(net)).toList();
        List<Geometry> shapes = all.stream().map(Copper::shape).toList();
        List<List<Copper>> result = new ArrayList<>();
        boolean[] done = new boolean[all.size()];
        for (int i = 0; i < all.size(); i++) {
            if (done[i]) {
                continue;
            }
            ArrayDeque<Integer> queue = new ArrayDeque<>(List.of(i));
            done[i] = true;
            List<Copper> part = new ArrayList<>();
            while (!queue.isEmpty()) {
                int k = queue.poll();
                part.add(all.get(k));
                for (int j = 0; j < all.size(); j++) {
                    if (!done[j] && meets(all.get(k), all.get(j), shapes.get(k), shapes.get(j))) {
                        done[j] = true;
                        queue.add(j);
                    }
                }
            }
            result.add(part);
        }
        return result;
    }

    private static boolean meets(Copper a, Copper b, Geometry sa, Geometry sb) {
        boolean layer = a.layer() == b.layer() || a.layer() < 0 || b.layer() < 0;
        return layer
                && sa.getEnvelopeInternal().intersects(sb.getEnvelopeInternal())
                && sa.intersects(sb);
    }

    // ---- one way ----

    private List<Copper> way(String net, List<Copper> from, List<List<Copper>> parts) {
        long half = design.widthOf(net) / 2;
        fillBlocked(net, half, blocked);
        fillBlocked(net, Length.mm(design.viaPad) / 2, viaBlocked);
        int size = nx * ny * 2;
        int[] cost = new int[size];
        int[] came = new int[size];
        byte[] dir = new byte[size];
        Arrays.fill(cost, Integer.MAX_VALUE);
        Arrays.fill(came, -1);
        boolean[] goal = new boolean[size];
        Envelope goals = new Envelope();
        for (List<Copper> part : parts) {
            if (part != from) {
                for (Copper c : part) {
                    for (int cell : cells(c)) {
                        goal[cell] = true;
                        goals.expandToInclude(cell % nx, cell / nx % ny);
                    }
                }
            }
        }
        boolean poured = net.equals(design.pourNet);
        PriorityQueue<long[]> open = new PriorityQueue<>(Comparator.comparingLong(a -> a[0]));
        for (Copper c : from) {
            for (int cell : cells(c)) {
                cost[cell] = 0;
                dir[cell] = -1;
                open.add(new long[] {0, cell});
            }
        }
        while (!open.isEmpty()) {
            long[] top = open.poll();
            int at = (int) top[1];
            int g = cost[at];
            if (top[0] > g + guess(at, goals, poured)) {
                continue;
            }
            if (goal[at] && g > 0) {
                return build(net, at, came, from, parts, false);
            }
            if (poured && g > 0 && viaFree(at) == 0) {
                return build(net, at, came, from, parts, true);
            }
            expand(at, g, cost, came, dir, open, goals, poured);
        }
        return null;
    }

    private int guess(int cell, Envelope goals, boolean poured) {
        if (poured || goals.isNull()) {
            return 0;
        }
        int x = cell % nx;
        int y = cell / nx % ny;
        double dx = Math.max(0, Math.max(goals.getMinX() - x, x - goals.getMaxX()));
        double dy = Math.max(0, Math.max(goals.getMinY() - y, y - goals.getMaxY()));
        return (int) (10 * Math.max(dx, dy) + 4 * Math.min(dx, dy));
    }

    private void expand(
            int at,
            int g,
            int[] cost,
            int[] came,
            byte[] dir,
            PriorityQueue<long[]> open,
            Envelope goals,
            boolean poured) {
        int layer = at / (nx * ny);
        int x = at % nx;
        int y = at / nx % ny;
        for (int d = 0; d < 8; d++) {
            int tx = x + DX[d];
            int ty = y + DY[d];
            if (tx < 0 || ty < 0 || tx >= nx || ty >= ny) {
                continue;
            }
            int to = (layer * ny + ty) * nx + tx;
            if (blocked[to] == 2) {
                continue;
            }
            int step = d % 2 == 0 ? 10 : 14;
            if (layer == 1 && layers == 2) {
                step += step / 2;
            }
            if (dir[at] >= 0 && dir[at] != d) {
                step += 6 * Math.min((dir[at] - d + 8) % 8, (d - dir[at] + 8) % 8);
            }
            step += blocked[to] == 1 ? CROSSING + history[to] : history[to] / 4;
            reach(to, g + step, at, (byte) d, cost, came, dir, open, goals, poured);
        }
        int via = layers == 2 ? viaFree(at) : 2;
        if (via < 2) {
            int to = ((1 - layer) * ny + y) * nx + x;
            int step = 150 + (via == 1 ? CROSSING + history[to] : 0);
            reach(to, g + step, at, (byte) -1, cost, came, dir, open, goals, poured);
        }
    }

    private void reach(
            int to,
            int g,
            int from,
            byte d,
            int[] cost,
            int[] came,
            byte[] dir,
            PriorityQueue<long[]> open,
            Envelope goals,
            boolean poured) {
        if (g < cost[to]) {
            cost[to] = g;
            came[to] = from;
            dir[to] = d;
            open.add(new long[] {(long) g + guess(to, goals, poured), to});
        }
    }

    /** 0 free, 1 free at a price, 2 not at all. */
    private int viaFree(int cell) {
        int flat = cell % (nx * ny);
        return Math.max(viaBlocked[flat], viaBlocked[flat + nx * ny]);
    }

    private void fillBlocked(String net, long half, byte[] map) {
        Arrays.fill(map, (byte) 0);
        int edge = (int) ((EDGE + half + STEP - 1) / STEP);
        for (int l = 0; l < 2; l++) {
            for (int y = 0; y < ny; y++) {
                for (int x = 0; x < nx; x++) {
                    boolean off =
                            x < edge
                                    || y < edge
                                    || x >= nx - edge
                                    || y >= ny - edge
                                    || l >= layers && layers > 1;
                    if (off || (layers == 1 && l == 0)) {
                        map[(l * ny + y) * nx + x] = 2;
                    }
                }
            }
        }
        for (Design.Bare hole : design.bare) {
            Geometry core = Geo.line(hole.from(), hole.to());
            Geometry shape = hole.from().equals(hole.to()) ? Geo.point(hole.from()) : core;
            mark(shape, hole.diameter() / 2 + 300_000 + half, -1, (byte) 2, map);
        }
        long gap = Length.mm(design.gap) + 10_000;
        for (Copper c : design.copper) {
            if (!c.net().equals(net) || c.net().isEmpty()) {
                boolean hard = c instanceof Copper.Pad || !group.containsKey(c);
                mark(c.shape(), gap + half, c.layer(), (byte) (hard ? 2 : 1), map);
            }
        }
    }

    private void mark(Geometry shape, long reach, int layer, byte value, byte[] map) {
        Envelope e = Geo.expanded(shape.getEnvelopeInternal(), reach);
        var point = new org.locationtech.jts.geom.Coordinate();
        boolean box = shape.isRectangle();
        for (int y = cellOf(e.getMinY()); y <= cellOf(e.getMaxY()) + 1; y++) {
            for (int x = cellOf(e.getMinX()); x <= cellOf(e.getMaxX()) + 1; x++) {
                if (x < 0 || y < 0 || x >= nx || y >= ny) {
                    continue;
                }
                point.x = x * (double) STEP;
                point.y = y * (double) STEP;
                double d =
                        box
                                ? new Envelope(point).distance(shape.getEnvelopeInternal())
                                : Geo.FACTORY.createPoint(point.copy()).distance(shape);
                if (d < reach) {
                    for (int l = 0; l < 2; l++) {
                        int i = (l * ny + y) * nx + x;
                        if (layer < 0 || layer == l) {
                            map[i] = (byte) Math.max(map[i], value);
                        }
                    }
                }
            }
        }
    }

    private static int cellOf(double nm) {
        return (int) Math.floor(nm / STEP);
    }

    /** Cells whose middle lies in a piece of copper; at least the nearest one. */
    private List<Integer> cells(Copper c) {
        Geometry shape = c.shape();
        Envelope e = shape.getEnvelopeInternal();
        List<Integer> found = new ArrayList<>();
        for (int y = cellOf(e.getMinY()); y <= cellOf(e.getMaxY()) + 1; y++) {
            for (int x = cellOf(e.getMinX()); x <= cellOf(e.getMaxX()) + 1; x++) {
                Pt p = new Pt(x * STEP, y * STEP);
                boolean inside = x >= 0 && y >= 0 && x < nx && y < ny;
                if (inside && nearMiddle(c, p) && Geo.point(p).intersects(shape)) {
                    for (int l = 0; l < 2; l++) {
                        if (c.layer() < 0 || c.layer() == l) {
                            found.add((l * ny + y) * nx + x);
                        }
                    }
                }
            }
        }
        return found;
    }

    /** Tracks start from the middle of pads and vias, so that they leave straight. */
    private static boolean nearMiddle(Copper c, Pt p) {
        Pt middle =
                c instanceof Copper.Pad pad
                        ? pad.at()
                        : c instanceof Copper.Via via ? via.at() : null;
        if (middle == null) {
            return true;
        }
        return Math.abs(p.x() - middle.x()) <= STEP / 2 && Math.abs(p.y() - middle.y()) <= STEP / 2;
    }

    private List<Copper> build(
            String net,
            int end,
            int[] came,
            List<Copper> from,
            List<List<Copper>> parts,
            boolean via) {
        List<Integer> cells = new ArrayList<>();
        for (int at = end; at >= 0; at = came[at]) {
            cells.add(0, at);
        }
        List<Copper> way = new ArrayList<>();
        long width = design.widthOf(net);
        List<Copper> all = new ArrayList<>(from);
        parts.forEach(all::addAll);
        Pt run = anchor(cells.get(0), all);
        Pt last = run;
        for (int i = 1; i < cells.size(); i++) {
            int a = cells.get(i - 1);
            int b = cells.get(i);
            boolean lastCell = i == cells.size() - 1;
            Pt p = lastCell && !via ? anchor(b, all) : place(b);
            if (a / (nx * ny) != b / (nx * ny)) {
                addTrack(net, layerOf(a), run, last, width, way);
                way.add(
                        new Copper.Via(
                                net,
                                place(b),
                                Length.mm(design.viaPad),
                                Length.mm(design.viaDrill)));
                run = place(b);
                last = run;
                continue;
            }
            if (!run.equals(last) && !straight(run, last, p)) {
                addTrack(net, layerOf(a), run, last, width, way);
                run = last;
            }
            last = p;
        }
        addTrack(net, layerOf(end), run, last, width, way);
        if (via) {
            way.add(
                    new Copper.Via(
                            net, place(end), Length.mm(design.viaPad), Length.mm(design.viaDrill)));
        }
        return way;
    }

    private void addTrack(String net, int layer, Pt a, Pt b, long width, List<Copper> way) {
        if (!a.equals(b)) {
            way.add(new Copper.Track(net, layer, a, b, width));
        }
    }

    /** A pad's or via's exact middle when the cell is its own, else the cell's place. */
    private Pt anchor(int cell, List<Copper> all) {
        Pt p = place(cell);
        for (Copper c : all) {
            boolean own = c instanceof Copper.Pad || c instanceof Copper.Via;
            if (own && (c.layer() < 0 || c.layer() == layerOf(cell)) && nearMiddle(c, p)) {
                return c instanceof Copper.Pad pad ? pad.at() : ((Copper.Via) c).at();
            }
        }
        return p;
    }

    private static boolean straight(Pt a, Pt b, Pt c) {
        double cross =
                (double) (b.x() - a.x()) * (c.y() - b.y())
                        - (double) (b.y() - a.y()) * (c.x() - b.x());
        return cross == 0;
    }

    private int layerOf(int cell) {
        return cell / (nx * ny);
    }

    private Pt place(int cell) {
        return new Pt(cell % nx * STEP, cell / nx % ny * STEP);
    }

    /** Takes up whatever the new way comes too close to; returns the nets to route again. */
    private Set<String> tear(String net, List<Copper> way) {
        Set<Integer> groups = new HashSet<>();
        Set<String> nets = new HashSet<>();
        double gap = Length.mm(design.gap);
        for (Copper mine : way) {
            Geometry shape = mine.shape();
            for (Copper c : design.copper) {
                boolean layer = c.layer() < 0 || mine.layer() < 0 || c.layer() == mine.layer();
                if (layer
                        && !c.net().equals(net)
                        && group.containsKey(c)
                        && shape.isWithinDistance(c.shape(), gap)) {
                    groups.add(group.get(c));
                    nets.add(c.net());
                    remember(mine);
                }
            }
        }
        design.copper.removeIf(c -> group.containsKey(c) && groups.contains(group.get(c)));
        return nets;
    }

    private void remember(Copper c) {
        for (int cell : cells(c)) {
            history[cell] = Math.min(4_000, history[cell] + 60);
        }
    }
}
