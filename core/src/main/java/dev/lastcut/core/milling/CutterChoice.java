package dev.lastcut.core.milling;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * What a set of tools makes of a board: what each cuts, what stays out of reach, and how long it
 * takes. Sets are held side by side by asking for several.
 *
 * @param tools the set, the coarsest first
 * @param joined places where nets stay joined; none when the set makes the board
 * @param unreached copper that stays though it is not wanted
 * @param minutes of cutting, travel and tool changes
 */
public record CutterChoice(
        List<Cutter> tools,
        List<ToolShare> shares,
        List<Place> joined,
        List<Place> unreached,
        List<NickedPad> nicked,
        double minutes) {
    /** What one tool does on one side: the length of its way in mm. */
    public record ToolShare(
            Side side, Cutter cutter, double width, double lengthMm, double minutes) {}

    /** A place on a side: its area and how wide it is at its narrowest, mm² and nm. */
    public record Place(
            Side side, Polygon area, double areaMm2, double gap, List<Integer> nets, Pt at) {}

    /** A pad that loses copper: how much of it, in mm² and as a share of the pad. */
    public record NickedPad(Side side, int net, Pt at, double lostMm2, double share) {}

    public CutterChoice {
        tools = List.copyOf(tools);
    }

    /** Whether every net is cut free with this set. */
    public boolean makesTheBoard() {
        return joined.isEmpty() && !shares.isEmpty();
    }

    /** The tools of a set-up; where it names none, the coarsest set that makes the board. */
    public static List<Cutter> tools(BoardGeometry geometry, Mill mill, MillSetup setup) {
        if (setup.tools().isEmpty()) {
            record Key(Mill mill, MillSetup setup) {}
            return Recent.of(geometry, new Key(mill, setup), () -> coarsest(geometry, mill, setup));
        }
        return setup.tools().stream()
                .map(mill::tool)
                .flatMap(Optional::stream)
                .filter(Cutter::isMill)
                .toList();
    }

    /**
     * The coarsest tool in the rack that leaves no nets joined, with one coarser tool before it
     * where that saves time; the finest there is when none will do.
     */
    private static List<Cutter> coarsest(BoardGeometry geometry, Mill mill, MillSetup setup) {
        List<Cutter> rack = mill.isolationTools();
        if (rack.isEmpty()) {
            return List.of();
        }
        Cutter needed = rack.get(rack.size() - 1);
        for (Cutter c : rack) {
            if (cutsApart(geometry, mill, setup, c)) {
                needed = c;
                break;
            }
        }
        List<List<Cutter>> sets = new ArrayList<>();
        sets.add(List.of(needed));
        for (Cutter c : rack.subList(0, rack.indexOf(needed))) {
            sets.add(List.of(c, needed));
        }
        List<List<Cutter>> few = sets.size() > 4 ? sets.subList(0, 4) : sets;
        return few.stream()
                .min(Comparator.comparingDouble(s -> of(geometry, mill, setup, s).minutes))
                .orElseThrow();
    }

    private static boolean cutsApart(BoardGeometry geometry, Mill mill, MillSetup setup, Cutter c) {
        double width = c.widthAt(mill.cutting().isolationDepth());
        double nearer = width > 2.0 * setup.nick() ? width - 2.0 * setup.nick() : width;
        return MillingPlan.sides(geometry, setup).stream()
                .map(side -> SideCopper.of(geometry, side, setup.leaveFreeCopper()))
                .flatMap(Optional::stream)
                .allMatch(copper -> copper.reach(nearer).joined().isEmpty());
    }

    /** What the set-up's own tools, or the found ones, make of the board. */
    public static CutterChoice of(BoardGeometry geometry, Mill mill, MillSetup setup) {
        return of(geometry, mill, setup, tools(geometry, mill, setup));
    }

    private static CutterChoice of(
            BoardGeometry geometry, Mill mill, MillSetup setup, List<Cutter> tools) {
        List<ToolShare> shares = new ArrayList<>();
        List<Place> joined = new ArrayList<>();
        List<Place> unreached = new ArrayList<>();
        List<NickedPad> nicked = new ArrayList<>();
        MillSetup exact = setup.withTools(tools.stream().map(Cutter::id).toList());
        double minutes = 0;
        for (Side side : MillingPlan.sides(geometry, setup)) {
            Optional<Isolation> plan = MillingPlan.isolation(geometry, mill, exact, side);
            if (plan.isEmpty()) {
                continue;
            }
            for (Isolation.Work w : plan.get().works()) {
                ToolShare share = share(side, w, mill);
                shares.add(share);
                minutes += share.minutes + mill.controller().toolChangeMinutes();
            }
            plan.get().joined().forEach(j -> joined.add(place(side, j)));
            plan.get().nooks().forEach(n -> unreached.add(place(side, n)));
            plan.get().nicks().forEach(n -> nicked.addAll(pads(geometry, side, n)));
        }
        return new CutterChoice(tools, shares, joined, unreached, nicked, minutes);
    }

    private static ToolShare share(Side side, Isolation.Work w, Mill mill) {
        double length = w.lines().stream().mapToDouble(LineString::getLength).sum() / 1e6;
        double passes =
                ContourCut.passes(mill.cutting().isolationDepth(), w.cutter().depthPerPass())
                        .size();
        double plunge =
                (ProgramWriter.APPROACH_NM + mill.cutting().isolationDepth())
                        / 1e6
                        / w.cutter().plunge();
        double minutes = passes * (length / w.cutter().feed() + w.lines().size() * plunge);
        return new ToolShare(side, w.cutter(), w.width(), length, minutes);
    }

    private static Place place(Side side, Joined j) {
        return new Place(
                side,
                j.area(),
                j.area().getArea() / 1e12,
                j.gap().nm(),
                List.of(j.netA(), j.netB()),
                j.gap().middle());
    }

    private static Place place(Side side, Reach.Nook n) {
        Pt at = Pt.of(n.area().getInteriorPoint().getCoordinate());
        double thick = 4 * n.area().getArea() / n.area().getLength();
        return new Place(
                side, n.area(), n.area().getArea() / 1e12, thick, List.copyOf(n.nets()), at);
    }

    private static List<NickedPad> pads(BoardGeometry geometry, Side side, Isolation.Nick nick) {
        List<NickedPad> result = new ArrayList<>();
        int layer = geometry.copperIndex(side);
        for (CopperNode n : geometry.nets().near(layer, nick.area().getEnvelopeInternal())) {
            if (n.net() == nick.net() && n.feature() instanceof Feature.Flash) {
                Geometry lost = Geo.sharedArea(n.polygon(), nick.area());
                if (lost.getArea() > 0) {
                    result.add(
                            new NickedPad(
                                    side,
                                    n.net(),
                                    Pt.of(n.polygon().getCentroid().getCoordinate()),
                                    lost.getArea() / 1e12,
                                    lost.getArea() / n.polygon().getArea()));
                }
            }
        }
        return result;
    }
}
