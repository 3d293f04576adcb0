package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.Rails;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Planted places; the distances are drawn, so the sums are plain. */
class PanelRulesTest {
    private static final CapabilitySheet SHOP =
            TestBoards.house(Map.of())
                    .with(
                            new PanelTerms(
                                    mm(200),
                                    mm(100),
                                    mm(5),
                                    mm(2),
                                    mm(0.5),
                                    mm(1.5),
                                    List.of("tabs", "score")));

    private static Optional<Limit> mm(double n) {
        return Optional.of(new Limit(n, "mm", "test", "2026-01-01"));
    }

    private static PanelPlan plan(
            int rows, int columns, Join join, Rails rails, double railMm, String... also) {
        return new PanelPlan(
                rows,
                columns,
                Optional.empty(),
                0,
                join,
                rails,
                railMm,
                PanelPlan.TabForm.USUAL,
                0,
                0,
                List.of(also).stream().map(a -> new PanelPlan.Also(a, 1)).toList(),
                List.of());
    }

    private static List<Finding> findings(
            String rule, Board board, PanelPlan plan, Map<String, Board> others) {
        Map<String, BoardGeometry> beside =
                others.entrySet().stream()
                        .collect(
                                Collectors.toMap(
                                        Map.Entry::getKey, e -> new BoardGeometry(e.getValue())));
        CheckTarget against =
                new CheckTarget(SHOP, Headroom.NONE)
                        .with(new PanelAsk(plan, PartsPlan.NONE, beside, Optional.empty()));
        CheckRun run = CheckRunner.run(new CheckContext(new BoardGeometry(board), against));
        return run.findings().stream().filter(f -> f.rule().equals(rule)).toList();
    }

    private static TestBoards plain(double w, double h) {
        return new TestBoards()
                .on(Role.Kind.COPPER, Side.TOP)
                .round(w / 2, h / 2, 1)
                .outline(0, 0, w, h);
    }

    @Test
    void aPanelLargerThanTheShopsIsMeasured() {
        Board b = plain(30, 20).board();
        assertThat(findings("panel-size", b, plan(4, 6, Join.SCORE, Rails.NONE, 5), Map.of()))
                .isEmpty();
        // Turned it still fits: 80 × 180 on 200 × 100.
        assertThat(findings("panel-size", b, plan(9, 2, Join.SCORE, Rails.NONE, 5), Map.of()))
                .isEmpty();
        List<Finding> wide =
                findings("panel-size", b, plan(4, 7, Join.SCORE, Rails.NONE, 5), Map.of());
        assertThat(wide).hasSize(1);
        assertThat(wide.get(0).measured()).isEqualTo(210);
        assertThat(wide.get(0).limit()).isEqualTo(200);
        assertThat(wide.get(0).severity()).isEqualTo(Severity.STOP);
        assertThat(findings("panel-size", b, plan(2, 2, Join.NONE, Rails.ALL, 4), Map.of()))
                .extracting(Finding::message)
                .anyMatch(m -> m.contains("does not make panels held by nothing"))
                .anyMatch(m -> m.contains("rails are 4.000 mm"));
    }

    /** Boards of 30 and 40 mm in two rows: the side of the upper ends above the lower's middle. */
    @Test
    void aScoreThatWouldCutABoardIsNamedWithItsWay() {
        Map<String, Board> other = Map.of("wide", plain(40, 20).board());
        List<Finding> crossing =
                findings(
                        "score-crosses",
                        plain(30, 20).board(),
                        plan(1, 2, Join.SCORE, Rails.NONE, 5, "wide"),
                        other);
        // x = 30 runs through the wide board, x = 40 through the second of the narrow ones.
        assertThat(crossing).hasSize(2);
        assertThat(crossing).allSatisfy(f -> assertThat(f.measured()).isEqualTo(20));
        assertThat(crossing)
                .extracting(f -> f.at().x() / 1e6)
                .containsExactlyInAnyOrder(30.0, 40.0);
        assertThat(
                        findings(
                                "score-crosses",
                                plain(30, 20).board(),
                                plan(2, 3, Join.SCORE, Rails.ALL, 5),
                                Map.of()))
                .isEmpty();
    }

    @Test
    void anEdgeThatIsNotStraightIsNotScored() {
        TestBoards hex = new TestBoards().on(Role.Kind.COPPER, Side.TOP).round(0, 0, 1);
        hex.on(Role.OUTLINE);
        for (int i = 0; i < 6; i++) {
            double a = Math.toRadians(60 * i);
            double b = Math.toRadians(60 * (i + 1));
            hex.line(0.1, 10 * Math.cos(a), 10 * Math.sin(a), 10 * Math.cos(b), 10 * Math.sin(b));
        }
        List<Finding> f =
                findings(
                        "score-crosses",
                        hex.board(),
                        plan(1, 2, Join.SCORE, Rails.NONE, 5),
                        Map.of());
        assertThat(f).hasSize(1);
        assertThat(f.get(0).severity()).isEqualTo(Severity.STOP);
        // The box is 20 × 17.32, the hexagon 3/2·√3·100 = 259.8 mm²: a third of its area is left.
        assertThat(f.get(0).measured()).isCloseTo(33.33, within(0.01));
    }

    @Test
    void copperAtAScoreIsMeasuredAtItsNearest() {
        Board b =
                plain(30, 20)
                        .on(Role.Kind.COPPER, Side.TOP)
                        // Its edge is 0.4 mm from the right side, and 0.9 mm from the lower.
                        .round(29.1, 1.4, 1)
                        .board();
        List<Finding> f =
                findings("copper-at-score", b, plan(2, 2, Join.SCORE, Rails.NONE, 5), Map.of());
        assertThat(f).hasSize(1);
        assertThat(f.get(0).measured()).isCloseTo(0.4, within(0.002));
        assertThat(f.get(0).severity()).isEqualTo(Severity.LOOK);
        // The right side is a score for the two boards of the left column only.
        assertThat(f.get(0).also()).hasSize(2);
        assertThat(f.get(0).message()).contains("The same on 2 boards");
    }

    @Test
    void partsAtAScoreAndConnectorsUnderTabsAreNamed() {
        Board b =
                plain(30, 20)
                        .on(Role.Kind.COPPER, Side.TOP)
                        .pin("A", "C1", "1", 28.55, 10)
                        .pin("B", "C1", "2", 26.95, 10)
                        .box(28.55, 10, 0.9, 0.9, 0)
                        .box(26.95, 10, 0.9, 0.9, 0)
                        .placed("C1,100n,0603,27.75,10,0,top")
                        .board();
        List<Finding> near =
                findings("part-at-break", b, plan(1, 2, Join.SCORE, Rails.NONE, 5), Map.of());
        assertThat(near).hasSize(1);
        // An 0603 is 1.6 mm long (common practice): it ends at 28.55, 1.45 mm from the score.
        assertThat(near.get(0).measured()).isCloseTo(1.45, within(0.002));
        assertThat(near.get(0).parts()).containsExactly("C1");
        assertThat(findings("part-at-break", b, plan(2, 1, Join.SCORE, Rails.NONE, 5), Map.of()))
                .isEmpty();
        // A plug as wide as the side leaves no place for a tab.
        TestBoards plug = plain(30, 20).on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < 8; i++) {
            plug.pin("N" + i, "J1", String.valueOf(i + 1), 29.6, 1.1 + 2.54 * i)
                    .box(29.6, 1.1 + 2.54 * i, 2, 1.6, 0);
        }
        plug.placed("J1,PLUG,EDGE8,29.6,10,90,top");
        List<Finding> under =
                findings(
                        "tab-at-connector",
                        plug.board(),
                        plan(1, 2, Join.TABS, Rails.NONE, 5),
                        Map.of());
        assertThat(under).hasSize(1);
        assertThat(under.get(0).parts()).containsExactly("J1");
    }

    @Test
    void aBoardThatHangsOnNothingIsTold() {
        assertThat(
                        findings(
                                "panel-size",
                                plain(30, 20).board(),
                                new PanelPlan(
                                        1,
                                        1,
                                        Optional.of(3.0),
                                        0,
                                        Join.TABS,
                                        Rails.NONE,
                                        5,
                                        PanelPlan.TabForm.USUAL,
                                        0,
                                        0,
                                        List.of(),
                                        List.of(
                                                new PanelPlan.Place(Optional.empty(), 0, 0, 0),
                                                new PanelPlan.Place(Optional.empty(), 80, 0, 0))),
                                Map.of()))
                .hasSize(2)
                .allSatisfy(f -> assertThat(f.message()).contains("hangs on 0 tabs"));
    }
}
