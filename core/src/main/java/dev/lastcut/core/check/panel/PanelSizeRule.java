package dev.lastcut.core.check.panel;

import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.Rails;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A panel against what the shop takes: its size, which may be turned, its rails and channels and
 * how its boards are held; and whether each board is held at all.
 */
public final class PanelSizeRule extends PanelRule {
    /** Fewer tabs let a board tip while it is routed (common practice, no source). */
    private static final int LEAST_TABS = 2;

    private static final double SLACK_NM = 1_000;

    @Override
    public String id() {
        return "panel-size";
    }

    @Override
    public String title() {
        return "Panel size, rails and joins";
    }

    @Override
    Outcome unlaid(String problem) {
        return Outcome.of(
                List.of(
                        finding(Severity.STOP)
                                .about(problem)
                                .say("The panel cannot be made: " + problem + ".")));
    }

    @Override
    Optional<String> run(CheckContext c, Panel panel, List<Finding> out) {
        held(panel, out);
        Optional<PanelTerms> terms = c.panelTerms();
        Optional<Mill.Stock> stock = c.mill().map(Mill::stock);
        if (stock.isPresent()) {
            size(c, panel, stock.get().width(), stock.get().height(), "the stock of ", out);
        } else if (terms.flatMap(PanelTerms::widthMax).isPresent()) {
            size(
                    c,
                    panel,
                    terms.get().widthMax().get().nm(),
                    terms.get().heightMax().get().nm(),
                    "",
                    out);
        } else if (out.isEmpty()) {
            return Optional.of("the sheet of " + c.shopName() + " says nothing of panel sizes");
        }
        terms.ifPresent(t -> details(c, panel.plan(), t, out));
        return Optional.empty();
    }

    private void size(
            CheckContext c,
            Panel panel,
            double mostWidth,
            double mostHeight,
            String of,
            List<Finding> out) {
        double large = Math.max(panel.widthNm(), panel.heightNm());
        double small = Math.min(panel.widthNm(), panel.heightNm());
        side(c, panel, large, Math.max(mostWidth, mostHeight), of, out);
        side(c, panel, small, Math.min(mostWidth, mostHeight), of, out);
    }

    private void side(
            CheckContext c, Panel panel, double size, double most, String of, List<Finding> out) {
        if (size <= most + SLACK_NM) {
            return;
        }
        boolean wide = size == panel.widthNm();
        Pt end = wide ? new Pt(Math.round(size), 0) : new Pt(0, Math.round(size));
        out.add(
                finding(Severity.STOP)
                        .measure(new Measure(Pt.ORIGIN, end, size))
                        .limitNm(most)
                        .say(
                                "The panel is "
                                        + Length.text(size)
                                        + (wide ? " wide; " : " high; ")
                                        + of
                                        + c.shopName()
                                        + " takes at most "
                                        + Length.text(most)
                                        + ". Put fewer boards on it, or turn them."));
    }

    private void details(CheckContext c, PanelPlan plan, PanelTerms t, List<Finding> out) {
        if (!t.joins().isEmpty() && !t.joins().contains(plan.join().id())) {
            out.add(
                    finding(Severity.STOP)
                            .about("join")
                            .say(
                                    c.shopName()
                                            + " does not make panels held by "
                                            + plan.join().words()
                                            + "; it offers "
                                            + String.join(
                                                    ", ",
                                                    t.joins().stream()
                                                            .map(
                                                                    j ->
                                                                            Join.parse(j)
                                                                                    .orElseThrow()
                                                                                    .words())
                                                            .toList())
                                            + ". Join the boards otherwise."));
        }
        if (plan.rails() != Rails.NONE) {
            least("rail", "The rails are ", plan.railMm(), t.railMin(), c.shopName(), out);
        }
        if (plan.join() == Join.TABS) {
            least("gap", "The channels are ", plan.gap(), t.gapMin(), c.shopName(), out);
        }
    }

    private void least(
            String what,
            String words,
            double mm,
            Optional<Limit> limit,
            String shop,
            List<Finding> out) {
        if (limit.isPresent() && mm * 1e6 < limit.get().nm() - SLACK_NM) {
            out.add(
                    finding(Severity.STOP)
                            .about(what)
                            .lengths(mm * 1e6, limit.get().nm())
                            .say(
                                    words
                                            + Length.text(mm * 1e6)
                                            + " wide; "
                                            + shop
                                            + " wants at least "
                                            + Length.text(limit.get().nm())
                                            + "."));
        }
    }

    private void held(Panel panel, List<Finding> out) {
        if (panel.boards().size() == 1 && panel.plan().rails() == Rails.NONE) {
            return;
        }
        Map<Integer, Integer> tabs = panel.tabsOfBoards();
        panel.boards().stream()
                .filter(b -> tabs.getOrDefault(b.number(), LEAST_TABS) < LEAST_TABS)
                .forEach(
                        b ->
                                out.add(
                                        finding(Severity.STOP)
                                                .about("board " + b.number())
                                                .at(Pt.of(b.box().centre()))
                                                .count(tabs.get(b.number()), LEAST_TABS, "tabs")
                                                .say(
                                                        "Board "
                                                                + b.number()
                                                                + " hangs on "
                                                                + tabs.get(b.number())
                                                                + " tabs, so it tips or falls out"
                                                                + " when it is routed. Add rails,"
                                                                + " move it nearer to its"
                                                                + " neighbours, or ask for more"
                                                                + " tabs a side.")));
    }
}
