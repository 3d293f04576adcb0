package dev.lastcut.core.check.order;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.List;
import java.util.Locale;

/**
 * Much more copper on one side than on the other of a large board: it warps in the oven (common
 * practice, no source).
 */
public final class CopperBalanceRule implements Rule {
    private static final double LARGE_NM2 = 100e14;
    private static final double MOST_DIFFERENCE = 0.3;

    @Override
    public String id() {
        return "copper-balance";
    }

    @Override
    public String title() {
        return "Copper balance";
    }

    @Override
    public Outcome run(CheckContext c) {
        double board = c.geometry().boardArea().getArea();
        int top = c.geometry().copperIndex(Side.TOP);
        int bottom = c.geometry().copperIndex(Side.BOTTOM);
        if (board == 0 || top < 0 || bottom < 0) {
            return Outcome.notRun("it needs an outline and copper on both sides");
        }
        double above = share(c, top, board);
        double below = share(c, bottom, board);
        if (board <= LARGE_NM2 || Math.abs(above - below) <= MOST_DIFFERENCE) {
            return Outcome.of(List.of());
        }
        return Outcome.of(
                List.of(
                        new FindingBuilder(id())
                                .severity(Severity.NOTE)
                                .layers(c.copperId(above > below ? top : bottom))
                                .say(
                                        String.format(
                                                Locale.ROOT,
                                                "Copper covers %.0f %% of the top and %.0f %% of the"
                                                        + " bottom; a board of %.0f cm² warps in the oven"
                                                        + " when they differ by more than 30 %%. A pour on"
                                                        + " the emptier side evens it out.",
                                                100 * above,
                                                100 * below,
                                                board / 1e14))));
    }

    private static double share(CheckContext c, int layer, double board) {
        return c.geometry().nets().nodes().stream()
                        .filter(n -> n.layer() == layer)
                        .mapToDouble(n -> n.polygon().getArea())
                        .sum()
                / board;
    }
}
