package dev.lastcut.core.quote;

import dev.lastcut.core.assembly.Cost;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.panel.Panel;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * What a job costs at a shop: its boards, singly or on panels, and their parts where the shop fits
 * them. A board is charged by the box about it, as houses do (common practice, no source).
 */
public final class JobQuote {
    private JobQuote() {}

    /** Empty for a board without a closed outline: nobody knows how large it is. */
    public static Optional<Quote> of(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            Order order,
            PartsPlan plan,
            Optional<Panel> panel) {
        Envelope e = geometry.boardArea().getEnvelopeInternal();
        if (e.isNull()) {
            return Optional.empty();
        }
        Quote.Pieces pieces =
                panel.filter(p -> p.plan().own() > 0)
                        .map(
                                p ->
                                        pieces(
                                                order.quantity(),
                                                p.plan().own(),
                                                p.widthNm(),
                                                p.heightNm(),
                                                "panel"))
                        .orElseGet(
                                () ->
                                        pieces(
                                                order.quantity(),
                                                1,
                                                e.getWidth(),
                                                e.getHeight(),
                                                "board"));
        return Optional.of(of(geometry, sheet, order, plan, pieces));
    }

    /** The same for pieces of a known size, each one board or a panel of some. */
    public static Quote of(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            Order order,
            PartsPlan plan,
            Quote.Pieces pieces) {
        int layers = geometry.board().copper().size();
        Quote boards = Quote.of(sheet, order, layers, pieces, FineMeasures.of(geometry, sheet));
        Assignments who = Assignments.of(geometry, sheet, order, plan);
        if (!who.isOrdered()) {
            return boards;
        }
        List<Part> parts = who.house();
        Cost cost = Cost.of(parts, plan.known(), sheet, order.quantity(), true);
        String unknown =
                cost.unpriced().isEmpty()
                        ? ""
                        : ", without " + cost.unpriced().size() + " kinds of no known price";
        return boards.with("Parts and their fitting" + unknown, cost.batch());
    }

    /**
     * Whole pieces for so many boards.
     *
     * @param each boards on one
     * @param widthNm and {@code heightNm} of one, with its rails
     * @param what one is called
     */
    public static Quote.Pieces pieces(
            int boards, int each, double widthNm, double heightNm, String what) {
        return new Quote.Pieces(
                (boards + each - 1) / each, Length.toMm(widthNm), Length.toMm(heightNm), what);
    }
}
