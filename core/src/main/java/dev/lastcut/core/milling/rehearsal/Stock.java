package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * What the tools take of the stock: on each side at the surface and at the foot of the foil, and
 * all the way through.
 */
final class Stock {
    private static final double FINE_NM = 200;
    private static final double WARPED_NM = 2_000;

    private final double thickness;
    private final double foil;
    private final Map<Side, Sweep> surface = new EnumMap<>(Side.class);
    private final Map<Side, Sweep> foot = new EnumMap<>(Side.class);
    private final Sweep through;
    private final List<Drilled> drilled = new ArrayList<>();
    private final Map<Side, Geometry> surfaceArea = new EnumMap<>(Side.class);
    private Geometry throughArea;

    /** A hole made by going straight down. */
    record Drilled(Coordinate at, double diameter, Cutting by) {}

    /**
     * @param warped whether depths vary all the time, so that widths are taken in coarser steps
     */
    Stock(double thickness, double foil, boolean warped) {
        this.thickness = thickness;
        this.foil = foil;
        double quantum = warped ? WARPED_NM : FINE_NM;
        for (Side side : Side.values()) {
            surface.put(side, new Sweep(quantum));
            foot.put(side, new Sweep(quantum));
        }
        through = new Sweep(quantum);
    }

    void take(List<Cutting> all, List<Script> scripts) {
        for (int i = 0; i < all.size(); i++) {
            Cutting c = all.get(i);
            if (!c.cuts()) {
                continue;
            }
            Side side = scripts.get(c.script()).side();
            Cutter tool = c.tool();
            surface.get(side).add(c, i, width(tool, c.depth0(), 0), width(tool, c.depth1(), 0));
            foot.get(side).add(c, i, width(tool, c.depth0(), foil), width(tool, c.depth1(), foil));
            if (Math.max(c.depth0(), c.depth1()) > thickness) {
                double w0 = width(tool, c.depth0(), thickness);
                double w1 = width(tool, c.depth1(), thickness);
                through.add(c, i, w0, w1);
                if (c.x0() == c.x1() && c.y0() == c.y1() && c.depth1() > thickness) {
                    drilled.add(new Drilled(new Coordinate(c.x1(), c.y1()), tool.diameter(), c));
                }
            }
        }
    }

    /** How wide the tool cuts at a level below the surface when its tip is at a depth. */
    private static double width(Cutter tool, double depth, double level) {
        return depth > level ? tool.widthAt(depth - level) : 0;
    }

    /** What is gone of the copper's surface. */
    Geometry goneAtSurface(Side side) {
        return surfaceArea.computeIfAbsent(
                side, s -> Geo.union(surface.get(s).area(), goneThrough()));
    }

    /** What is cut down to the laminate: only that parts copper. */
    Geometry goneAtFoot(Side side) {
        return Geo.union(foot.get(side).area(), goneThrough());
    }

    Geometry goneThrough() {
        if (throughArea == null) {
            throughArea = through.area();
        }
        return throughArea;
    }

    /** Through cuts in the order they were made. */
    List<Sweep.Chain> throughChains() {
        return through.chains();
    }

    List<Drilled> drilled() {
        return drilled;
    }
}
