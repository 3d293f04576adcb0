package dev.lastcut.core.capability;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.order.CopperBalanceRule;
import dev.lastcut.core.check.order.LeadedFinishRule;
import dev.lastcut.core.check.order.ThinBoardRule;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelFit;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.PanelSource;
import dev.lastcut.core.panel.Rails;
import dev.lastcut.core.quote.JobQuote;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Sums are worked by hand, or another way. */
class QuoteTest {
    private static CapabilitySheet shop() {
        CapabilitySheet plain = TestBoards.house(Map.of());
        return new CapabilitySheet(
                plain.id(),
                plain.name(),
                plain.kind(),
                "",
                Map.of(),
                4,
                true,
                Map.of(
                        OrderOption.FINISH, List.of("tin", "gold"),
                        OrderOption.MATERIAL, List.of("FR-4", "transparent film"),
                        OrderOption.CASTELLATION, List.of("no", "yes")),
                List.of(),
                new Price(
                        "EUR",
                        10,
                        0.2,
                        5,
                        List.of(new Price.Step(50, 0.1), new Price.Step(10, 0.15)),
                        List.of(
                                new Price.Addition(OrderOption.FINISH, "gold", 8, 0.05, 0, 2),
                                new Price.Addition(
                                        OrderOption.MATERIAL, "transparent film", 0, 0, 50, 3),
                                new Price.Addition(OrderOption.LAYERS, "4", 30, 0, 0, 1))),
                Optional.empty(),
                Optional.empty(),
                Optional.of(
                        new PanelTerms(
                                limit(100),
                                limit(80),
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty(),
                                List.of())),
                List.of(
                        new Exclusion(
                                OrderOption.FINISH,
                                "gold",
                                OrderOption.MATERIAL,
                                "transparent film",
                                "gold does not hold on it")),
                Optional.empty(),
                ShopCalendar.EVERY_DAY,
                List.of());
    }

    private static Optional<Limit> limit(double mm) {
        return Optional.of(new Limit(mm, "mm", "test", "2026-01-01"));
    }

    private static BoardGeometry board() {
        return new BoardGeometry(
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .area(5, 5, 25, 5, 25, 15, 5, 15)
                        .hole(30, 10, 1, true)
                        .outline(0, 0, 30, 20)
                        .board());
    }

    @Test
    void linesAddUpToTheTotalAndOptionsToPriceAndDays() {
        Order order = new Order(Map.of(OrderOption.FINISH, "gold"), 12);
        Quote q = Quote.of(shop(), order, 2, new Quote.Pieces(12, 30, 20, "board"), Map.of());
        assertThat(q.lines())
                .containsExactly(
                        new Quote.Line("Setting up", 10),
                        new Quote.Line("12 boards of 6.00 cm²", 10.8), // 72 cm² at 0.15
                        new Quote.Line("Finish: gold", 11.6)); // 8 + 72 × 0.05
        assertThat(q.total()).isEqualTo(32.4);
        assertThat(q.days()).isEqualTo(7);
        Quote four =
                Quote.of(
                        shop(),
                        new Order(Map.of(OrderOption.MATERIAL, "transparent film"), 9),
                        4,
                        new Quote.Pieces(9, 20, 30, "board"),
                        Map.of());
        // 10 + 54 × 0.2, half of it more, and 30 for four layers.
        assertThat(four.total()).isEqualTo(20.8 * 1.5 + 30, within(1e-9));
        assertThat(four.days()).isEqualTo(9);
    }

    @Test
    void aTotalIsAlwaysTheSumOfWhatIsShown() {
        Random r = new Random(7);
        for (int i = 0; i < 500; i++) {
            Quote q =
                    Quote.of(
                            shop(),
                            Order.USUAL.of(1 + r.nextInt(200)),
                            r.nextBoolean() ? 4 : 2,
                            new Quote.Pieces(
                                    1 + r.nextInt(200), 100, r.nextDouble() * 300, "board"),
                            Map.of());
            long cents = q.lines().stream().mapToLong(l -> Math.round(l.amount() * 100)).sum();
            assertThat(Math.round(q.total() * 100)).isEqualTo(cents);
        }
    }

    @Test
    void onAPanelThePanelsArePaid() {
        PanelPlan plan =
                new PanelPlan(
                        2,
                        2,
                        Optional.of(0.0),
                        0,
                        Join.SCORE,
                        Rails.NONE,
                        5,
                        PanelPlan.TabForm.USUAL,
                        0,
                        0,
                        List.of(),
                        List.of());
        PanelSource own = new PanelSource("", board(), PartsPlan.NONE);
        Panel panel = Panel.of(plan, own, Map.of());
        Quote q =
                JobQuote.of(board(), shop(), Order.USUAL, PartsPlan.NONE, Optional.of(panel))
                        .orElseThrow();
        // Five boards are two panels of 6 × 4 cm.
        assertThat(q.lines().get(1)).isEqualTo(new Quote.Line("2 panels of 24.00 cm²", 9.6));
    }

    /** Every number of rows and columns tried, with nothing left out. */
    @Test
    void theBestFitIsTheCheapestOfAll() {
        PanelSource own = new PanelSource("", board(), PartsPlan.NONE);
        PanelPlan plan =
                new PanelPlan(
                        1,
                        1,
                        Optional.of(2.0),
                        0,
                        Join.TABS,
                        Rails.TOP_BOTTOM,
                        5,
                        PanelPlan.TabForm.USUAL,
                        0,
                        0,
                        List.of(),
                        List.of());
        for (int ordered : new int[] {1, 5, 7, 12, 40}) {
            double least = Double.MAX_VALUE;
            for (double[] size : new double[][] {{30, 20}, {20, 30}}) {
                for (int r = 1; r < 9; r++) {
                    for (int c = 1; c < 9; c++) {
                        double w = c * size[0] + (c - 1) * 2;
                        double h = r * size[1] + (r - 1) * 2 + 14;
                        if (Math.max(w, h) <= 100 && Math.min(w, h) <= 80 && r * c <= ordered) {
                            int panels = (int) Math.ceil((double) ordered / (r * c));
                            double rate = panels >= 50 ? 0.1 : panels >= 10 ? 0.15 : 0.2;
                            least = Math.min(least, 10 + panels * w * h / 100 * rate);
                        }
                    }
                }
            }
            List<PanelFit> fits =
                    PanelFit.best(plan, own, shop(), Order.USUAL.of(ordered), Map.of());
            assertThat(fits.get(0).total()).isCloseTo(least, within(0.01));
            assertThat(fits).isSortedAccordingTo((a, b) -> Double.compare(a.total(), b.total()));
            assertThat(fits).extracting(PanelFit::panels).doesNotHaveDuplicates();
        }
    }

    private static List<Finding> findings(String rule, Map<OrderOption, String> chosen) {
        CheckTarget against = new CheckTarget(shop(), Headroom.NONE, new Order(chosen), List.of());
        CheckRun run = CheckRunner.run(new CheckContext(board(), against));
        return run.findings().stream().filter(f -> f.rule().equals(rule)).toList();
    }

    @Test
    void pairsThatExcludeEachOtherAreNamedWithWhy() {
        assertThat(findings("order-conflict", Map.of(OrderOption.FINISH, "gold"))).isEmpty();
        List<Finding> both =
                findings(
                        "order-conflict",
                        Map.of(
                                OrderOption.FINISH,
                                "gold",
                                OrderOption.MATERIAL,
                                "transparent film"));
        assertThat(both).hasSize(1);
        assertThat(both.get(0).severity()).isEqualTo(Severity.STOP);
        assertThat(both.get(0).message())
                .contains("Finish gold with Material transparent film: gold does not hold on it");
    }

    @Test
    void edgesThatAreCutAndPoursThatHideAreFound() {
        List<Finding> edge = findings("edge-options", Map.of());
        assertThat(edge).hasSize(1);
        assertThat(edge.get(0).message()).contains("plated holes cut by its outline (1)");
        assertThat(findings("edge-options", Map.of(OrderOption.CASTELLATION, "yes"))).isEmpty();
        assertThat(findings("pour-on-transparent", Map.of())).isEmpty();
        List<Finding> pour =
                findings("pour-on-transparent", Map.of(OrderOption.MATERIAL, "transparent film"));
        assertThat(pour).hasSize(1);
        assertThat(pour.get(0).severity()).isEqualTo(Severity.NOTE);
        assertThat(pour.get(0).message()).contains("2.0 cm²");
    }

    /** A finish with lead is told, and none that merely has the word in it. */
    @Test
    void leadInTheFinishIsANote() {
        for (String finish : List.of("tin-lead levelled", "lead", "tin, contains lead")) {
            assertThat(leadIn(finish)).as(finish).isTrue();
        }
        for (String finish : List.of("lead-free tin", "leading gold", "tin, no lead")) {
            assertThat(leadIn(finish)).as(finish).isFalse();
        }
    }

    private static boolean leadIn(String finish) {
        CapabilitySheet s = shop();
        CapabilitySheet own =
                new CapabilitySheet(
                        s.id(),
                        s.name(),
                        s.kind(),
                        "",
                        Map.of(),
                        4,
                        true,
                        Map.of(OrderOption.FINISH, List.of(finish)),
                        List.of(),
                        s.price(),
                        Optional.empty());
        CheckContext c = new CheckContext(board(), own, Headroom.NONE);
        return !new LeadedFinishRule().run(c).findings().isEmpty();
    }

    /** 120 × 100 mm: a filled top of 90 % over an empty bottom, and thin as well. */
    @Test
    void aLargeBoardThatWarpsAndBendsIsTold() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.area(3, 3, 117, 3, 117, 97, 3, 97);
        t.on(Role.Kind.COPPER, Side.BOTTOM).box(10, 10, 2, 2, 0);
        BoardGeometry board = new BoardGeometry(t.outline(0, 0, 120, 100).board());
        CheckContext c = new CheckContext(board, shop(), Headroom.NONE);
        List<Finding> warp = new CopperBalanceRule().run(c).findings();
        assertThat(warp).hasSize(1);
        // 114 × 94 of 120 × 100 mm.
        assertThat(warp.get(0).message()).contains("89 % of the top and 0 % of the bottom");
        assertThat(new ThinBoardRule().run(c).status()).isEqualTo(Outcome.Status.NOT_RUN);
    }
}
