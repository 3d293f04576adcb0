package dev.lastcut.core.panel;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Where the boards of a panel lie: in rows and columns from the lower left, other boards in rows
 * above them; or as they were moved by hand.
 *
 * @param widthNm and {@code heightNm} of the panel
 */
record Layout(List<PlacedBoard> boards, double widthNm, double heightNm) {
    /** Boxes may touch; what overlaps by less than this is rounding. */
    private static final double TOUCH_NM = 1_000;

    /**
     * @throws IllegalArgumentException when a pack is not there
     */
    static Layout of(PanelPlan plan, PanelSource own, Map<String, PanelSource> others) {
        List<PlacedBoard> boards =
                plan.places().isEmpty() ? grid(plan, own, others) : byHand(plan, own, others);
        Envelope all = new Envelope();
        boards.forEach(b -> all.expandToInclude(b.box()));
        double rail = Length.mm(plan.railMm() + plan.gap());
        double beside = plan.rails().beside() ? rail : 0;
        double above = plan.rails().above() ? rail : 0;
        Pt to = new Pt(Math.round(beside - all.getMinX()), Math.round(above - all.getMinY()));
        List<PlacedBoard> moved = boards.stream().map(b -> b.moved(to)).toList();
        return new Layout(moved, all.getWidth() + 2 * beside, all.getHeight() + 2 * above);
    }

    private static List<PlacedBoard> grid(
            PanelPlan plan, PanelSource own, Map<String, PanelSource> others) {
        List<PlacedBoard> boards = new ArrayList<>();
        double gap = Length.mm(plan.gap());
        Envelope one = own.box(plan.rotationDeg(), Pt.ORIGIN);
        double width = plan.columns() * (one.getWidth() + gap) - gap;
        for (int r = 0; r < plan.rows(); r++) {
            for (int c = 0; c < plan.columns(); c++) {
                put(
                        own,
                        plan.rotationDeg(),
                        c * (one.getWidth() + gap),
                        r * (one.getHeight() + gap),
                        boards);
            }
        }
        double x = 0;
        double y = plan.rows() * (one.getHeight() + gap);
        double high = 0;
        for (PanelPlan.Also also : plan.also()) {
            PanelSource source = source(also.pack(), others);
            Envelope e = source.box(plan.rotationDeg(), Pt.ORIGIN);
            for (int i = 0; i < also.count(); i++) {
                if (x > 0 && x + e.getWidth() > width + TOUCH_NM) {
                    x = 0;
                    y += high + gap;
                    high = 0;
                }
                put(source, plan.rotationDeg(), x, y, boards);
                x += e.getWidth() + gap;
                high = Math.max(high, e.getHeight());
            }
        }
        return boards;
    }

    /** With the lower left corner of its box at a place. */
    private static void put(
            PanelSource source, double deg, double x, double y, List<PlacedBoard> boards) {
        Envelope e = source.box(deg, Pt.ORIGIN);
        Pt shift = new Pt(Math.round(x - e.getMinX()), Math.round(y - e.getMinY()));
        boards.add(new PlacedBoard(boards.size() + 1, source, deg, shift));
    }

    private static List<PlacedBoard> byHand(
            PanelPlan plan, PanelSource own, Map<String, PanelSource> others) {
        List<PlacedBoard> boards = new ArrayList<>();
        for (PanelPlan.Place p : plan.places()) {
            PanelSource source = p.pack().map(n -> source(n, others)).orElse(own);
            boards.add(
                    new PlacedBoard(
                            boards.size() + 1, source, p.rotationDeg(), Pt.mm(p.xMm(), p.yMm())));
        }
        return boards;
    }

    private static PanelSource source(String pack, Map<String, PanelSource> others) {
        PanelSource source = others.get(pack);
        if (source == null) {
            throw new IllegalArgumentException("also.pack: there is no pack " + pack);
        }
        return source;
    }

    /**
     * @throws IllegalArgumentException when boards overlap
     */
    void requireApart() {
        STRtree tree = new STRtree();
        boards.forEach(b -> tree.insert(b.box(), b));
        for (PlacedBoard b : boards) {
            for (Object o : tree.query(b.box())) {
                PlacedBoard other = (PlacedBoard) o;
                if (other.number() > b.number() && overlap(b, other)) {
                    throw new IllegalArgumentException(
                            "places: boards "
                                    + b.number()
                                    + " and "
                                    + other.number()
                                    + " lie upon each other. Move one of them away");
                }
            }
        }
    }

    private static boolean overlap(PlacedBoard a, PlacedBoard b) {
        Envelope shared = a.box().intersection(b.box());
        return Math.min(shared.getWidth(), shared.getHeight()) > TOUCH_NM
                && a.filled().intersection(b.filled()).getArea() > TOUCH_NM * TOUCH_NM;
    }
}
