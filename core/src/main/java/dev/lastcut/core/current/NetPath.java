package dev.lastcut.core.current;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.function.Function;
import org.locationtech.jts.geom.Geometry;

/** The way of a current through a net of a board, from pad to pad. */
public final class NetPath {
    /** Wall of plated holes, nm (common practice, no source: 25 µm). */
    public static final double PLATING_NM = 25_000;

    /** Finer than this, more triangles change nothing: 0.02 mm. */
    private static final double FINEST_NM = 20_000;

    /** How thick copper and board are, nm. */
    public record Stack(double outerNm, double innerNm, double boardNm) {
        /** Copper of a weight in oz/ft². */
        public static Stack ofOunces(double outer, double inner, double boardNm) {
            return new Stack(
                    outer * TrackCurrent.NM_PER_OZ, inner * TrackCurrent.NM_PER_OZ, boardNm);
        }

        /**
         * What is ordered; where a shop offers nothing 1 oz outside, 0.5 oz inside and 1.6 mm
         * (common practice, no source).
         */
        public static Stack ordered(Function<OrderOption, Optional<Double>> number) {
            return ofOunces(
                    number.apply(OrderOption.COPPER_OUTER).orElse(1.0),
                    number.apply(OrderOption.COPPER_INNER).orElse(0.5),
                    number.apply(OrderOption.THICKNESS).orElse(1.6) * Length.NM_PER_MM);
        }
    }

    /**
     * A net's way between two terminals.
     *
     * @param ohm resistance at 20 °C
     * @param sectionNm2 cross-section of the narrowest place
     * @param across the narrowest place
     * @param layer copper layer of that place, −1 when it is in the barrels of vias
     */
    public record Result(
            Terminal from, Terminal to, double ohm, double sectionNm2, Measure across, int layer) {
        /** The walls of vias are taken for an outer layer: they are cooled at both ends. */
        public boolean isOuter(int copperLayers) {
            return layer <= 0 || layer == copperLayers - 1;
        }
    }

    private final BoardGeometry geometry;
    private final CopperNets nets;
    private final int net;

    private NetPath(BoardGeometry geometry, int net) {
        this.geometry = geometry;
        this.nets = geometry.nets();
        this.net = net;
    }

    /** The net of this name with the most copper; empty when there is none. */
    public static Optional<Integer> named(BoardGeometry geometry, String name) {
        Integer best = null;
        for (int n = 0; n < geometry.nets().netCount(); n++) {
            boolean called =
                    geometry.netNames(n).contains(name) || geometry.netName(n).equals(name);
            if (called
                    && (best == null
                            || geometry.nets().nodesOf(n).size()
                                    > geometry.nets().nodesOf(best).size())) {
                best = n;
            }
        }
        return Optional.ofNullable(best);
    }

    /** The pads of a net: flashes that no larger hole takes away, one for each place and layer. */
    public static List<Terminal> terminals(BoardGeometry geometry, int net) {
        Map<String, Terminal> found = new TreeMap<>();
        for (CopperNode n : pads(geometry, net)) {
            Pt at = ((Feature.Flash) n.feature()).at();
            String layer = geometry.board().copper().get(n.layer()).role().id();
            found.put(at.x() + " " + at.y() + " " + layer, new Terminal(layer, at));
        }
        return List.copyOf(found.values());
    }

    private static List<CopperNode> pads(BoardGeometry geometry, int net) {
        List<CopperNode> all = new ArrayList<>();
        for (int id : geometry.nets().nodesOf(net)) {
            CopperNode n = geometry.nets().nodes().get(id);
            if (n.feature() instanceof Feature.Flash) {
                all.add(n);
            }
        }
        return all;
    }

    /**
     * The two pads that lie farthest apart along the copper, roughly: the farthest from any, then
     * the farthest from that. Pins of the netlist go before vias.
     */
    public static Optional<Terminal[]> farthest(BoardGeometry geometry, int net) {
        return new NetPath(geometry, net).farthest();
    }

    private Optional<Terminal[]> farthest() {
        List<CopperNode> pads = new ArrayList<>(pads(geometry, net));
        List<Integer> pins = new ArrayList<>();
        geometry.reference()
                .ifPresent(
                        r ->
                                r.anchors().stream()
                                        .filter(a -> a.point().isPin())
                                        .forEach(a -> pins.add(a.node())));
        List<CopperNode> named = pads.stream().filter(p -> pins.contains(p.id())).toList();
        List<CopperNode> ends = named.size() >= 2 ? named : pads;
        if (ends.size() < 2) {
            return Optional.empty();
        }
        CopperNode a = farthestFrom(ends.get(0), ends);
        CopperNode b = farthestFrom(a, ends);
        return a.id() == b.id()
                ? Optional.empty()
                : Optional.of(new Terminal[] {terminal(a), terminal(b)});
    }

    private Terminal terminal(CopperNode n) {
        return new Terminal(
                geometry.board().copper().get(n.layer()).role().id(),
                ((Feature.Flash) n.feature()).at());
    }

    private CopperNode farthestFrom(CopperNode start, List<CopperNode> among) {
        Map<Integer, Double> reached = new HashMap<>();
        record Step(int node, double way) {}
        PriorityQueue<Step> queue = new PriorityQueue<>(Comparator.comparingDouble(Step::way));
        queue.add(new Step(start.id(), 0));
        while (!queue.isEmpty()) {
            Step s = queue.poll();
            if (reached.putIfAbsent(s.node, s.way) == null) {
                var from = nets.nodes().get(s.node).envelope().centre();
                for (int next : nets.neighboursOf(s.node)) {
                    if (!reached.containsKey(next)) {
                        var to = nets.nodes().get(next).envelope().centre();
                        queue.add(new Step(next, s.way + from.distance(to)));
                    }
                }
            }
        }
        return among.stream()
                .max(Comparator.comparingDouble(n -> reached.getOrDefault(n.id(), 0.0)))
                .orElse(start);
    }

    private record Key(int net, Terminal from, Terminal to, Stack stack) {}

    /**
     * The way of a current: between its own pads, or the two farthest apart. Worked out once for
     * all who ask.
     *
     * @return empty when no copper joins the pads, or one of them is no pad of the net
     * @throws IllegalStateException when the net is too fine to be solved
     */
    public static Optional<Result> of(
            BoardGeometry geometry, int net, NetCurrent current, Stack stack) {
        Optional<Terminal[]> ends =
                current.from().isPresent() && current.to().isPresent()
                        ? Optional.of(new Terminal[] {current.from().get(), current.to().get()})
                        : farthest(geometry, net);
        return ends.flatMap(
                e ->
                        geometry.once(
                                new Key(net, e[0], e[1], stack),
                                () -> solve(geometry, net, e[0], e[1], stack)));
    }

    static Optional<Result> solve(
            BoardGeometry geometry, int net, Terminal from, Terminal to, Stack stack) {
        return new NetPath(geometry, net).solve(from, to, stack);
    }

    private Optional<Result> solve(Terminal from, Terminal to, Stack stack) {
        int layers = geometry.board().copper().size();
        List<List<Geometry>> copper = new ArrayList<>();
        for (int i = 0; i < layers; i++) {
            copper.add(new ArrayList<>());
        }
        double narrowest = Double.MAX_VALUE;
        for (int id : nets.nodesOf(net)) {
            CopperNode n = nets.nodes().get(id);
            copper.get(n.layer()).add(n.polygon());
            if (n.feature() instanceof Feature.Stroke s && s.roundWidth() > 0) {
                narrowest = Math.min(narrowest, s.roundWidth());
            }
        }
        Map<Integer, List<Geometry>> equal = new TreeMap<>();
        for (int i = 0; i < layers; i++) {
            equal.put(i, new ArrayList<>());
        }
        Optional<CopperMesh.Contact> source = contact(from, equal);
        Optional<CopperMesh.Contact> sink = contact(to, equal);
        if (source.isEmpty() || sink.isEmpty()) {
            return Optional.empty();
        }
        List<CopperMesh.Link> links = links(equal, stack, layers);
        List<CopperMesh.Sheet> sheets = new ArrayList<>();
        double extent = 0;
        for (int i = 0; i < layers; i++) {
            Geometry area = Geo.union(copper.get(i));
            extent = Math.max(extent, area.getEnvelopeInternal().getDiameter());
            boolean outer = i == 0 || i == layers - 1;
            double thick = outer ? stack.outerNm : stack.innerNm;
            sheets.add(new CopperMesh.Sheet(area, thick, equal.get(i)));
        }
        double step = Math.max(FINEST_NM, Math.min(narrowest / 4, extent / 60));
        return CopperMesh.solve(sheets, links, source.get(), sink.get(), step)
                .map(s -> new Result(from, to, s.ohm(), s.narrowestNm2(), s.across(), s.sheet()));
    }

    /** The pad of a terminal as an area at one potential. */
    private Optional<CopperMesh.Contact> contact(Terminal t, Map<Integer, List<Geometry>> equal) {
        for (int layer = 0; layer < equal.size(); layer++) {
            if (!geometry.board().copper().get(layer).role().id().equals(t.layer())) {
                continue;
            }
            List<Geometry> under = new ArrayList<>();
            for (CopperNode n : nets.at(layer, t.at())) {
                if (n.net() == net && n.feature() instanceof Feature.Flash) {
                    under.add(n.polygon());
                }
            }
            if (!under.isEmpty()) {
                equal.get(layer).add(Geo.union(under));
                return Optional.of(new CopperMesh.Contact(layer, equal.get(layer).size() - 1));
            }
        }
        return Optional.empty();
    }

    /** The barrels of the net's plated holes, between each two copper layers they meet. */
    private List<CopperMesh.Link> links(
            Map<Integer, List<Geometry>> equal, Stack stack, int layers) {
        List<CopperMesh.Link> links = new ArrayList<>();
        List<Hole> holes = geometry.board().holes();
        for (int h = 0; h < holes.size(); h++) {
            if (nets.netOfHole(h) != net) {
                continue;
            }
            Hole hole = holes.get(h);
            Geometry wall = hole.shape(geometry.flattener());
            double section = wall.getLength() * PLATING_NM;
            int before = -1;
            int beforeEqual = -1;
            for (int layer = 0; layer < layers; layer++) {
                int at = layer;
                boolean meets =
                        nets.nodesAt(hole).stream()
                                .anyMatch(id -> nets.nodes().get(id).layer() == at);
                if (meets) {
                    equal.get(layer).add(wall);
                    int self = equal.get(layer).size() - 1;
                    if (before >= 0) {
                        double depth = stack.boardNm * (layer - before) / Math.max(1, layers - 1);
                        links.add(
                                new CopperMesh.Link(
                                        before, beforeEqual, layer, self, section, depth));
                    }
                    before = layer;
                    beforeEqual = self;
                }
            }
        }
        return links;
    }
}
