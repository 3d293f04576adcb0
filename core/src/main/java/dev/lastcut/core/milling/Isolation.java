package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.DisjointOverlay;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
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
    private final Lazy<Geometry> others = new Lazy<>(this::findOthers);
    private final Lazy<List<Joined>> joined = new Lazy<>(this::findJoined);
    private double reached;
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
        this.reached = finestWidth();
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
        List<Reach> reaches = tools.stream().map(c -> copper.reach(width(c))).toList();
        Parallel.forEach(reaches, Reach::around);
        // Each tool's lines hang on where it and the one before may go, and on nothing else: so
        // they are found side by side.
        int n = tools.size();
        List<List<LineString>> lines = Parallel.map(n, i -> lines(i, reaches));
        for (int i = 0; i < n; i++) {
            works.add(new Work(tools.get(i), width(tools.get(i)), lines.get(i)));
        }
        if (setup.nick() > 0 && finestWidth() > 2.0 * setup.nick()) {
            List<Joined> places = places(finestWidth());
            if (!places.isEmpty()) {
                nick(finest(), places);
            }
        }
    }

    private List<LineString> lines(int i, List<Reach> reaches) {
        List<LineString> out = new ArrayList<>();
        if (i == 0) {
            first(tools.get(0), reaches.get(0), out);
        } else {
            rest(tools.get(i), reaches.get(i), reaches.get(i - 1), out);
        }
        return out;
    }

    private List<Joined> places(double width) {
        return copper.reach(width).places().stream().filter(this::isOnAllowed).toList();
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
            Geometry centres =
                    Geo.difference(Geo.offset(rub, width / 2, Reach.CHORD_NM), reach.around());
            out.addAll(cleared(centres, width, MOST_RINGS));
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
        Geometry around = reach.around();
        for (int k = 0; k == 0 || width + (k - 1) * step(width) < mill.cutting().channel(); k++) {
            if (k > 0) {
                around = DisjointOverlay.offsetAbout(around, step(width), Reach.CHORD_NM);
            }
            double near = width / 2 + Reach.MARGIN_NM + k * step(width) + 3 * Reach.CHORD_NM;
            add(untied(around.getBoundary(), near), groundNet < 0, out);
        }
    }

    /** Those parts of lines that are near other nets than the one leftover copper is tied to. */
    private Geometry untied(Geometry lines, double near) {
        if (groundNet < 0) {
            return lines;
        }
        return Geo.intersection(lines, Geo.offset(others.get(), near, Reach.CHORD_NM));
    }

    private Geometry findOthers() {
        List<Geometry> all = new ArrayList<>();
        copper.nets().forEach((net, shape) -> all.add(net == groundNet ? Geo.empty() : shape));
        return Geo.union(all);
    }

    /** A finer tool: along the copper wherever the coarser one left something, and inward. */
    private void rest(Cutter c, Reach reach, Reach coarser, List<LineString> out) {
        double width = width(c);
        Reach.Rest rest = reach.leftBy(coarser, groundNet);
        add(Geo.FACTORY.buildGeometry(rest.edges()), true, out);
        int rings = (int) Math.ceil((mill.cutting().channel() - width) / step(width));
        int most = setup.clearing() == MillSetup.Clearing.RUB_OUT ? MOST_RINGS : rings;
        if (most <= 0) {
            return;
        }
        // The places lie apart, so each is cleared by itself.
        Parallel.map(
                        rest.centres(),
                        p -> {
                            Geometry inner = Geo.offsetAbout(p, -step(width), Reach.CHORD_NM);
                            return inner.isEmpty()
                                    ? List.<LineString>of()
                                    : cleared(inner, width, most);
                        })
                .forEach(out::addAll);
    }

    /** Rings inward from the edge of an area of centres, and what they leave between them. */
    private List<LineString> cleared(Geometry centres, double width, int most) {
        double step = step(width);
        List<LineString> rings = new ArrayList<>();
        Geometry now = centres;
        for (int k = 0; k < most && !now.isEmpty(); k++) {
            add(now.getBoundary().reverse(), true, rings);
            now = Geo.offsetAbout(now, -step, Reach.CHORD_NM);
        }
        if (most < MOST_RINGS || rings.isEmpty()) {
            return rings;
        }
        // Where rings end in a corner or a middle line, a little stays: go round that too.
        Geometry swept =
                Geo.union(
                        Parallel.map(rings, l -> Geo.offset(l, width / 2 - 1_000, Reach.CHORD_NM)));
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
            add(again.getBoundary().reverse(), true, rings);
        }
        return rings;
    }

    private void nick(Cutter finest, List<Joined> places) {
        double width = width(finest);
        double nearer = width - 2.0 * setup.nick();
        Geometry around = Geo.offset(copper.all(), nearer / 2 + Reach.MARGIN_NM, Reach.CHORD_NM);
        Geometry near =
                Geo.union(
                        places.stream()
                                .map(j -> Geo.offset(j.area(), width / 2, Reach.CHORD_NM))
                                .toList());
        List<LineString> lines = new ArrayList<>();
        add(Geo.intersection(around.getBoundary(), near), false, lines);
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
        reached = nearer;
    }

    /**
     * Adds lines, where centres may be at all, with the copper on their right.
     *
     * @param turned whether they have it there as they come
     */
    private void add(Geometry lines, boolean turned, List<LineString> out) {
        boolean whole = reachable.covers(lines);
        LineMerger merger = new LineMerger();
        merger.add(whole ? lines : Geo.intersection(lines, allowed));
        @SuppressWarnings("unchecked")
        Collection<LineString> merged = merger.getMergedLineStrings();
        for (LineString line : merged) {
            if (line.getLength() > SIMPLIFY_NM) {
                LineString few = (LineString) DouglasPeuckerSimplifier.simplify(line, SIMPLIFY_NM);
                // An overlay gives lines back either way round.
                out.add(whole && turned ? few : copper.onTheRight(few));
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

    private List<Joined> findJoined() {
        return copper.all().isEmpty() ? List.of() : places(reached);
    }

    /** Nets that stay joined, at each place; looked for when first asked. */
    public List<Joined> joined() {
        return joined.get();
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
