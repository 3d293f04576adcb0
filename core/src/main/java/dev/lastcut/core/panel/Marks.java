package dev.lastcut.core.panel;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;

/**
 * Places for fiducials and tooling holes, in the middle of the rails: holes in the corners, marks
 * beside them, the fourth left out where three are wanted so that nobody lays the panel the wrong
 * way round (common practice, no source).
 */
record Marks(List<Pt> fiducials, List<Pt> tooling) {
    /** From the end of a rail to its hole, and on to its mark. */
    private static final double HOLE_MM = 5;

    private static final double MARK_MM = 10;

    static Marks of(PanelPlan plan, Layout layout) {
        boolean lying = plan.rails().above();
        double along = lying ? layout.widthNm() : layout.heightNm();
        double across = lying ? layout.heightNm() : layout.widthNm();
        double rail = Length.mm(plan.railMm()) / 2.0;
        List<Pt> fiducials = new ArrayList<>();
        List<Pt> tooling = new ArrayList<>();
        double hole = Math.min(Length.mm(HOLE_MM), along / 8);
        double mark = Math.min(Length.mm(MARK_MM), along / 4);
        for (int corner = 0; corner < 4; corner++) {
            boolean far = corner % 2 == 1;
            double v = corner < 2 ? rail : across - rail;
            if (plan.toolingMm() > 0) {
                tooling.add(at(lying, far ? along - hole : hole, v));
            }
            if (corner < plan.fiducials()) {
                fiducials.add(at(lying, far ? along - mark : mark, v));
            }
        }
        return new Marks(fiducials, tooling);
    }

    private static Pt at(boolean lying, double along, double across) {
        long u = Math.round(along);
        long v = Math.round(across);
        return lying ? new Pt(u, v) : new Pt(v, u);
    }
}
