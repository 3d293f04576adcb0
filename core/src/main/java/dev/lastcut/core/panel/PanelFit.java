package dev.lastcut.core.panel;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OwnMeasure;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;

/**
 * One way to put a board on panels of a shop, and what a batch costs so.
 *
 * @param boards on one panel
 * @param panels of the batch
 * @param spare boards made beyond those ordered
 * @param total in the currency of the shop's price
 */
public record PanelFit(
        int rows,
        int columns,
        double rotationDeg,
        double widthMm,
        double heightMm,
        int boards,
        double usedPercent,
        int panels,
        int spare,
        double total) {
    private static final int MOST = 6;
    private static final double SLACK_NM = 1_000;

    /** What one ordered board costs. */
    public double each(int ordered) {
        return total / ordered;
    }

    /**
     * The cheapest ways for the batch, one for each number of panels, the cheapest first; empty
     * where the shop states no size of panels.
     *
     * @param plan gap, join and rails hold; rows, columns and the turn are what is sought
     * @param smallest what the shop's finer work is measured by
     */
    public static List<PanelFit> best(
            PanelPlan plan,
            PanelSource own,
            CapabilitySheet sheet,
            Order order,
            Map<LimitKey, OwnMeasure> smallest) {
        int ordered = order.quantity();
        int layers = own.geometry().board().copper().size();
        Optional<double[]> most = most(sheet);
        if (most.isEmpty()) {
            return List.of();
        }
        double area = own.geometry().boardArea().getArea();
        double gap = Length.mm(plan.gap());
        double rail = Length.mm(plan.railMm() + plan.gap());
        double beside = plan.rails().beside() ? 2 * rail : 0;
        double above = plan.rails().above() ? 2 * rail : 0;
        Map<Integer, PanelFit> byPanels = new TreeMap<>();
        for (double deg : new double[] {plan.rotationDeg(), plan.rotationDeg() + 90}) {
            Envelope e = own.box(deg, Pt.ORIGIN);
            for (int r = 1; ; r++) {
                double h = r * (e.getHeight() + gap) - gap + above;
                if (!fits(most.get(), e.getWidth() + beside, h)) {
                    break;
                }
                for (int c = 1; (long) r * c <= Math.min(PanelPlan.MOST_BOARDS, ordered); c++) {
                    double w = c * (e.getWidth() + gap) - gap + beside;
                    if (!fits(most.get(), w, h)) {
                        break;
                    }
                    PanelFit fit = of(sheet, order, layers, r, c, deg % 360, w, h, area, smallest);
                    byPanels.merge(fit.panels, fit, (x, y) -> ORDER.compare(x, y) <= 0 ? x : y);
                }
                if (r >= ordered) {
                    break;
                }
            }
        }
        List<PanelFit> all = new ArrayList<>(byPanels.values());
        all.sort(ORDER);
        return List.copyOf(all.subList(0, Math.min(MOST, all.size())));
    }

    private static final Comparator<PanelFit> ORDER =
            Comparator.comparingDouble(PanelFit::total)
                    .thenComparingInt(PanelFit::panels)
                    .thenComparingInt(PanelFit::spare)
                    .thenComparingDouble(PanelFit::rotationDeg);

    private static PanelFit of(
            CapabilitySheet sheet,
            Order order,
            int layers,
            int rows,
            int columns,
            double deg,
            double w,
            double h,
            double area,
            Map<LimitKey, OwnMeasure> own) {
        int boards = rows * columns;
        int ordered = order.quantity();
        int panels = (ordered + boards - 1) / boards;
        Quote.Pieces pieces = new Quote.Pieces(panels, Length.toMm(w), Length.toMm(h), "panel");
        double total = Quote.of(sheet, order, layers, pieces, own).total();
        return new PanelFit(
                rows,
                columns,
                deg,
                Length.toMm(w),
                Length.toMm(h),
                boards,
                100 * boards * area / (w * h),
                panels,
                panels * boards - ordered,
                total);
    }

    /** Width and height, or the other way round. */
    private static boolean fits(double[] most, double w, double h) {
        return Math.max(w, h) <= most[0] + SLACK_NM && Math.min(w, h) <= most[1] + SLACK_NM;
    }

    private static Optional<double[]> most(CapabilitySheet sheet) {
        Optional<Mill.Stock> stock = sheet.mill().map(Mill::stock);
        Optional<PanelTerms> terms = sheet.panel().filter(t -> t.widthMax().isPresent());
        if (stock.isEmpty() && terms.isEmpty()) {
            return Optional.empty();
        }
        double a = stock.map(s -> (double) s.width()).orElseGet(() -> nm(terms.get().widthMax()));
        double b = stock.map(s -> (double) s.height()).orElseGet(() -> nm(terms.get().heightMax()));
        return Optional.of(new double[] {Math.max(a, b), Math.min(a, b)});
    }

    private static double nm(Optional<Limit> limit) {
        return limit.orElseThrow().nm();
    }
}
