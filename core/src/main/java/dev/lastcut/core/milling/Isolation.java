package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.operation.linemerge.LineMerger;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/**
 * Cuts the nets of one side apart with a set of tools: the coarsest cuts all it can reach, each
 * finer one only where copper is left that should go (rest machining).
 *
 * <p>The centre of a tool stays half its width and a margin from all wanted copper, so none of it
 * is removed, unless a nick is allowed at places where nets would stay joined.
 */
public final class Isolation {
    /** The offset of an already flattened arc has steps of a few µm; those within this go. */
    private static final double SIMPLIFY_NM = 500;

    private static final int MOST_RINGS = 4_000;

    /**
     * What one tool cuts.
     *
     * @param width of its cut at the surface, nm
     * @param lines where its centre goes, the copper that stays on the right
     */
    public record Work(Cutter cutter, double width, List<LineString> lines) {}

    /** Wanted copper that a tool takes, where that was allowed: net, and the area that goes. */
    public record Nick(int net, Polygon area) {}

    private final SideCopper copper;
    private final Mill mill;
    private final MillSetup setup;
    private final List<Cutter> tools;
    private final int groundNet;
    private final PreparedGeometry reachable;
    private final Geometry allowed;
    private final List<Work> works = new ArrayList<>();
    private List<Joined> joined = List.of();
    private List<Nick> nicks = List.of();

    private Isolation(
            SideCopper copper, Mill mill, MillSetup setup, List<Cutter> tools, int groundNet) {
        this.copper = copper;
        this.mill = mill;
        this.setup = setup;
        this.groundNet = groundNet;
        double depth = mill.cutting().isolationDepth();
        this.tools =
                tools.stream()
                        .sorted(Comparator.comparingDouble((Cutter c) -> -c.widthAt(depth)))
                        .toList();
        this.allowed = allowed();
        this.reachable = PreparedGeometryFactory.prepare(allowed);
    }

    /**
     * @param tools the tools to use, in any order; at least one
     * @param groundNet the net leftover copper is tied to, or -1
     */
    public static Isolation plan(
            SideCopper copper, Mill mill, MillSetup setup, List<Cutter> tools, int groundNet) {
        if (tools.isEmpty()) {
            throw new IllegalArgumentException("isolation needs a tool");
        }
        Isolation plan = new Isolation(copper, mill, setup, tools, groundNet);
        if (!copper.all().isEmpty()) {
            plan.cut();
        }
        return plan;
    }

    /** Where centres may be at all: the board and half a cut beyond it, less what is left out. */
    private Geometry allowed() {
        Geometry area;
        double widest = width(tools.get(0));
        if (copper.board().isEmpty()) {
            area = Geo.rectangle(Geo.expanded(copper.all().getEnvelopeInternal(), 3 * widest));
        } else {
            area = Geo.offset(copper.board(), widest / 2, Reach.CHORD_NM);
        }
        for (Envelope e : setup.leaveOut()) {
            area = Geo.difference(area, Geo.rectangle(e));
        }
        return area;
    }

    private double width(Cutter c) {
        return c.widthAt(mill.cutting().isolationDepth());
    }

    private double step(double width) {
        return width * (1 - mill.cutting().overlap());
    }

    private void cut() {
        List<Polygon> left = null;
        for (Cutter c : tools) {
            Reach reach = copper.reach(width(c));
            List<LineString> lines = new ArrayList<>();
            if (left == null) {
                first(c, reach, lines);
            } else if (!left.isEmpty()) {
                rest(c, reach, left, lines);
            }
            works.add(new Work(c, width(c), lines));
            left = worth(reach.nooks());
        }
        Cutter finest = tools.get(tools.size() - 1);
        joined = places(copper.reach(width(finest)));
        if (setup.nick() > 0 && !joined.isEmpty() && width(finest) > 2.0 * setup.nick()) {
            nick(finest);
        }
    }

    /** What a finer tool goes for: all that is left, but where leftover copper is tied to a net. */
    private List<Polygon> worth(List<Reach.Nook> nooks) {
        return nooks.stream()
                .filter(n -> groundNet < 0 || !n.nets().equals(Set.of(groundNet)))
                .map(Reach.Nook::area)
                .toList();
    }

    private List<Joined> places(Reach reach) {
        return reach.places().stream().filter(this::isOnAllowed).toList();
    }

    private boolean isOnAllowed(Joined j) {
        return reachable.intersects(j.area());
    }

    private void first(Cutter c, Reach reach, List<LineString> out) {
        double width = width(c);
        Geometry rub = rubOut();
        if (setup.clearing() != MillSetup.Clearing.RUB_OUT) {
            rings(width, reach, out);
        }
        if (!rub.isEmpty()) {
            clear(
                    Geo.difference(Geo.offset(rub, width / 2, Reach.CHORD_NM), reach.around()),
                    width,
                    Integer.MAX_VALUE,
                    out);
        }
    }

    private Geometry rubOut() {
        if (setup.clearing() == MillSetup.Clearing.RUB_OUT) {
            return copper.board().isEmpty()
                    ? Geo.rectangle(
                            Geo.expanded(
                                    copper.all().getEnvelopeInternal(), mill.cutting().channel()))
                    : copper.board();
        }
        return Geo.union(setup.rubOut().stream().map(Geo::rectangle).toList());
    }

    /** Rings round the copper, each a step further out, until the channel is wide enough. */
    private void rings(double width, Reach reach, List<LineString> out) {
        Geometry others = null;
        if (groundNet >= 0) {
            others =
                    Geo.union(
                            copper.nets().entrySet().stream()
                                    .filter(e -> e.getKey() != groundNet)
                                    .map(e -> e.getValue())
                                    .toList());
        }
        Geometry around = reach.around();
        for (int k = 0; k == 0 || width + (k - 1) * step(width) < mill.cutting().channel(); k++) {
            if (k > 0) {
                around = Geo.offsetAbout(around, step(width), Reach.CHORD_NM);
            }
            Geometry lines = around.getBoundary();
            if (others != null) {
                double near = width / 2 + Reach.MARGIN_NM + k * step(width) + 3 * Reach.CHORD_NM;
                lines = Geo.intersection(lines, Geo.offset(others, near, Reach.CHORD_NM));
            }
            add(lines, out);
        }
    }

    /** A finer tool: along the copper wherever it takes something of what is left. */
    private void rest(Cutter c, Reach reach, List<Polygon> left, List<LineString> out) {
        double r = width(c) / 2;
        List<Geometry> grown = left.parallelStream().map(p -> near(p, r)).toList();
        Geometry near = Geo.union(grown);
        Geometry lines = Geo.intersection(reach.around().getBoundary(), near);
        add(lines, out);
        Geometry free = Geo.difference(near, reach.around());
        int rings = (int) Math.ceil((mill.cutting().channel() - width(c)) / step(width(c)));
        Geometry inner = Geo.offset(free, -step(width(c)), Reach.CHORD_NM);
        if (!inner.isEmpty()) {
            boolean all = setup.clearing() == MillSetup.Clearing.RUB_OUT;
            clear(inner, width(c), all ? MOST_RINGS : rings, out);
        }
    }

    private static Geometry near(Polygon p, double r) {
        return Geo.offset(p, r, Reach.CHORD_NM);
    }

    /** Rings inward from the edge of an area of centres, and what they leave between them. */
    private void clear(Geometry centres, double width, int most, List<LineString> out) {
        double step = step(width);
        List<LineString> rings = new ArrayList<>();
        Geometry now = centres;
        for (int k = 0; k < Math.min(most, MOST_RINGS) && !now.isEmpty(); k++) {
            add(now.getBoundary(), rings);
            now = Geo.offsetAbout(now, -step, Reach.CHORD_NM);
        }
        out.addAll(rings);
        if (most < MOST_RINGS || rings.isEmpty()) {
            return;
        }
        // Where rings end in a corner or a middle line, a little stays: go round that too.
        Geometry swept =
                Geo.union(
                        rings.parallelStream()
                                .map(l -> Geo.offset(l, width / 2 - 1_000, Reach.CHORD_NM))
                                .toList());
        Geometry stays = Geo.difference(centres, swept);
        List<Geometry> spots = new ArrayList<>();
        Geo.eachPolygon(
                stays,
                p -> {
                    if (p.getArea() / p.getLength() > 1_000) {
                        spots.add(Geo.offset(p, width / 4, Reach.CHORD_NM));
                    }
                });
        if (!spots.isEmpty()) {
            Geometry again = Geo.sharedArea(centres, Geo.union(spots));
            add(again.getBoundary(), out);
        }
    }

    private void nick(Cutter finest) {
        double width = width(finest);
        double nearer = width - 2.0 * setup.nick();
        Geometry around = Geo.offset(copper.all(), nearer / 2 + Reach.MARGIN_NM, Reach.CHORD_NM);
        Geometry near =
                Geo.union(
                        joined.stream()
                                .map(j -> Geo.offset(j.area(), width / 2, Reach.CHORD_NM))
                                .toList());
        List<LineString> lines = new ArrayList<>();
        add(Geo.intersection(around.getBoundary(), near), lines);
        works.get(works.size() - 1).lines().addAll(lines);
        Geometry swept =
                Geo.union(
                        lines.stream().map(l -> Geo.offset(l, width / 2, Reach.CHORD_NM)).toList());
        List<Nick> taken = new ArrayList<>();
        Geo.eachPolygon(
                Geo.sharedArea(swept, copper.all()),
                p -> {
                    if (p.getArea() / p.getLength() > 500) {
                        copper.netsAt(p).stream()
                                .findFirst()
                                .ifPresent(net -> taken.add(new Nick(net, p)));
                    }
                });
        nicks = taken;
        joined = places(copper.reach(nearer));
    }

    private void add(Geometry lines, List<LineString> out) {
        Geometry within = reachable.covers(lines) ? lines : Geo.intersection(lines, allowed);
        LineMerger merger = new LineMerger();
        merger.add(within);
        @SuppressWarnings("unchecked")
        Collection<LineString> merged = merger.getMergedLineStrings();
        for (LineString line : merged) {
            if (line.getLength() > SIMPLIFY_NM) {
                out.add((LineString) DouglasPeuckerSimplifier.simplify(line, SIMPLIFY_NM));
            }
        }
    }

    /** What each tool cuts, the coarsest first. */
    public List<Work> works() {
        return works;
    }

    public SideCopper copper() {
        return copper;
    }

    /** The tool that cuts narrowest. */
    public Cutter finest() {
        return tools.get(tools.size() - 1);
    }

    public double finestWidth() {
        return width(finest());
    }

    /** Nets that stay joined, at each place. */
    public List<Joined> joined() {
        return joined;
    }

    /** Copper that stays though it is not wanted, because no chosen tool gets there. */
    List<Reach.Nook> nooks() {
        return copper.reach(finestWidth()).nooks().stream()
                .filter(n -> reachable.intersects(n.area()))
                .toList();
    }

    /** Wanted copper that goes, where a nick was allowed. */
    public List<Nick> nicks() {
        return nicks;
    }

    /** Area where the centre of a tool may not be; for joining paths without lifting. */
    Geometry barred(Work work) {
        return copper.reach(work.width()).around();
    }
}
