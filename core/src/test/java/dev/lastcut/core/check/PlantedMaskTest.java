package dev.lastcut.core.check;

import static dev.lastcut.core.check.Planted.MICRON_2;
import static dev.lastcut.core.check.Planted.at;
import static dev.lastcut.core.check.Planted.board;
import static dev.lastcut.core.check.Planted.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Defects of mask, silk, paste and stencil at a known place, and the same just within the limit.
 */
class PlantedMaskTest {
    private static TestBoards mask(TestBoards t) {
        return t.on(Role.Kind.MASK, Side.TOP);
    }

    private static TestBoards paste(TestBoards t) {
        return t.on(Role.Kind.PASTE, Side.TOP);
    }

    private static TestBoards silk(TestBoards t) {
        return t.on(Role.Kind.SILK, Side.TOP);
    }

    @Test
    void websOfMask() {
        at("mask-dam", 0.08, 21.04, 20, t -> mask(t).round(20, 20, 2).round(22.08, 20, 2));
        Finding straight =
                of("mask-dam", t -> mask(t).box(20, 20, 2, 2, 0).box(22.08, 20, 2, 2, 0)).get(0);
        assertThat(straight.measured()).isCloseTo(0.08, within(MICRON_2));
        assertThat(straight.at().x()).isEqualTo(21_040_000);
        double a = Math.toRadians(33);
        Finding turned =
                of(
                                "mask-dam",
                                t ->
                                        mask(t).box(20, 20, 2, 2, 33)
                                                .box(
                                                        20 + 2.08 * Math.cos(a),
                                                        20 + 2.08 * Math.sin(a),
                                                        2,
                                                        2,
                                                        33))
                        .get(0);
        assertThat(turned.measured()).isCloseTo(0.08, within(MICRON_2));
        // As wide as the limit, or merged into one opening: no web to peel.
        assertThat(
                        of(
                                "mask-dam",
                                t ->
                                        mask(t).round(20, 20, 2)
                                                .round(22.1, 20, 2)
                                                .box(20, 25, 2, 2, 0)
                                                .box(21, 25, 2, 2, 0)))
                .isEmpty();
    }

    @Test
    void openingsTooSmallForTheirPads() {
        Finding round =
                of("mask-expansion", t -> mask(t.round(20, 20, 2)).round(20, 20, 2.06)).get(0);
        assertThat(round.measured()).isCloseTo(0.03, within(MICRON_2));
        assertThat(round.at().distance(Pt.mm(20, 20)) / 1e6).isCloseTo(1.015, within(MICRON_2));
        Finding box =
                of("mask-expansion", t -> mask(t.box(20, 20, 2, 1, 33)).box(20, 20, 2.2, 1.06, 33))
                        .get(0);
        assertThat(box.measured()).isCloseTo(0.03, within(MICRON_2));
        // A shifted opening covers a tenth of a millimetre of its pad.
        Finding covered =
                of("mask-expansion", t -> mask(t.round(20, 20, 2)).round(20.15, 20, 2.1)).get(0);
        assertThat(covered.measured()).isCloseTo(-0.1, within(MICRON_2));
        assertThat(
                        of(
                                "mask-expansion",
                                t ->
                                        mask(t.round(20, 20, 2).box(30, 20, 2, 1, 33))
                                                .round(20, 20, 2.1)
                                                .box(30, 20, 2.1, 1.1, 33)))
                .isEmpty();
    }

    @Test
    void openingsThatLayOtherCopperBare() {
        Finding track =
                of(
                                "mask-exposes",
                                t ->
                                        mask(t.round(20, 20, 2).line(0.3, 10, 21.3, 30, 21.3))
                                                .round(20, 20, 2.6))
                        .get(0);
        assertThat(track.at().distance(Pt.mm(20, 21.22))).isLessThan(300_000);
        assertThat(
                        of(
                                "mask-exposes",
                                t ->
                                        mask(t.round(20, 20, 2).box(23.6, 20, 2, 2, 33))
                                                .box(21, 20, 4, 3, 0)))
                .hasSize(1);
        // Copper beside the opening, and a second pad within it, are meant so.
        assertThat(
                        of(
                                "mask-exposes",
                                t ->
                                        mask(t.round(20, 20, 2)
                                                        .line(0.3, 10, 21.45, 30, 21.45)
                                                        .box(30, 20, 1, 1, 0)
                                                        .box(32, 20, 1, 1, 0))
                                                .round(20, 20, 2.6)
                                                .box(31, 20, 4, 2, 0)))
                .isEmpty();
    }

    private static void vias(TestBoards t, double... open) {
        for (double x : new double[] {10, 20, 30}) {
            t.round(x, 10, 0.6).hole(x, 10, 0.3, true);
        }
        mask(t).box(50, 30, 1, 1, 0);
        for (double x : open) {
            t.round(x, 10, 0.7);
        }
    }

    @Test
    void viasOpenAndCovered() {
        Finding mixed = of("via-cover", t -> vias(t, 20)).get(0);
        assertThat(mixed.at()).isEqualTo(Pt.mm(20, 10));
        assertThat(mixed.measured()).isEqualTo(1);
        assertThat(of("via-cover", t -> vias(t))).isEmpty();
        assertThat(of("via-cover", t -> vias(t, 10, 20, 30))).isEmpty();
        var tented =
                new CheckTarget(
                        Planted.SHEET,
                        Headroom.NONE,
                        Order.USUAL.with(OrderOption.VIA_COVER, "tented"),
                        List.of());
        var board = new BoardGeometry(board(t -> vias(t, 10, 20, 30)));
        assertThat(of("via-cover", CheckRunner.run(new CheckContext(board, tented))).get(0).also())
                .hasSize(3);
    }

    @Test
    void silkTooThinTooSmallAndOffTheBoard() {
        at("silk-width", 0.1, 22, 20, t -> silk(t).line(0.1, 20, 20, 24, 20));
        assertThat(of("silk-width", t -> silk(t).arc(0.12, 20, 20, 3, 0, 90)).get(0).measured())
                .isEqualTo(0.12);
        assertThat(of("silk-width", t -> silk(t).line(0.13, 20, 20, 23, 24))).isEmpty();
        at("silk-off-board", 0.5, 60.25, 20, t -> silk(t).line(0.2, 58, 20, 60.4, 20));
        assertThat(of("silk-off-board", t -> silk(t).arc(0.2, 30, 40, 3, 200, 340))).isEmpty();
        assertThat(of("silk-off-board", t -> silk(t).arc(0.2, 30, 39, 3, 0, 180)).get(0).measured())
                .isCloseTo(2.1, within(MICRON_2));
    }

    /** Three letters like I, L and T of the given height, turned about (20, 20). */
    private static void word(TestBoards t, double height, double turnDeg) {
        double h = height - 0.13;
        double[][] strokes = {
            {0, 0, 0, h},
            {0.5, 0, 0.5, h},
            {0.5, 0, 0.8, 0},
            {1.2, 0, 1.2, h},
            {1, h, 1.4, h}
        };
        double a = Math.toRadians(turnDeg);
        for (double[] s : strokes) {
            t.line(
                    0.13,
                    20 + s[0] * Math.cos(a) - s[1] * Math.sin(a),
                    20 + s[0] * Math.sin(a) + s[1] * Math.cos(a),
                    20 + s[2] * Math.cos(a) - s[3] * Math.sin(a),
                    20 + s[2] * Math.sin(a) + s[3] * Math.cos(a));
        }
    }

    @Test
    void letteringTooSmall() {
        for (double turn : new double[] {0, 90, 180}) {
            List<Finding> found = of("silk-height", t -> word(silk(t), 0.7, turn));
            assertThat(found).as("turned by %s", turn).hasSize(1);
            assertThat(found.get(0).measured()).isCloseTo(0.7, within(MICRON_2));
            assertThat(of("silk-height", t -> word(silk(t), 0.8, turn))).isEmpty();
        }
        // Round letters: two rings of 0.6 mm in a row.
        Finding round =
                of(
                                "silk-height",
                                t ->
                                        silk(t).arc(0.13, 20, 20, 0.235, 0, 360)
                                                .arc(0.13, 20.7, 20, 0.235, 0, 360))
                        .get(0);
        assertThat(round.measured()).isCloseTo(0.6, within(MICRON_2));
    }

    @Test
    void pasteWhereItBelongs() {
        Finding missing =
                of(
                                "paste-missing",
                                t ->
                                        paste(t.box(20, 20, 1, 2, 33).round(30, 20, 1))
                                                .round(30, 20, 0.9))
                        .get(0);
        assertThat(missing.at()).isEqualTo(Pt.mm(20, 20));
        at(
                "paste-outside-pad",
                0.1,
                20.55,
                20,
                t -> paste(t.round(20, 20, 1)).round(20.05, 20, 1.1));
        Finding box =
                of("paste-outside-pad", t -> paste(t.box(20, 20, 2, 1, 33)).box(20, 20, 2, 1.1, 33))
                        .get(0);
        assertThat(box.measured()).isCloseTo(0.05, within(MICRON_2));
        assertThat(of("paste-outside-pad", t -> paste(t.round(20, 20, 1)).round(25, 20, 1)))
                .hasSize(1);
        assertThat(
                        of(
                                "paste-outside-pad",
                                t -> paste(t.box(20, 20, 2, 1, 33)).box(20, 20, 2, 1, 33)))
                .isEmpty();
        Finding hole =
                of(
                                "paste-on-hole",
                                t ->
                                        paste(t.box(20, 20, 3, 3, 0))
                                                .box(20, 20, 2.8, 2.8, 0)
                                                .hole(21, 20, 0.3, true))
                        .get(0);
        assertThat(hole.at()).isEqualTo(Pt.mm(21, 20));
        assertThat(
                        of(
                                "paste-on-hole",
                                t ->
                                        paste(t.box(20, 20, 3, 3, 0))
                                                .box(20, 20, 1, 1, 0)
                                                .hole(21, 20, 0.3, true)))
                .isEmpty();
    }

    /** IPC-7525 worked examples (the standard's formulas from memory), foil 0.127 mm. */
    @Test
    void stencilOpenings() {
        Finding round =
                of("stencil-area-ratio", t -> paste(t.round(20, 20, 1)).round(20, 20, 0.3)).get(0);
        assertThat(round.measured()).isCloseTo(0.591, within(0.001));
        assertThat(round.at()).isEqualTo(Pt.mm(20, 20));
        // 0.30 × 1.00 mm: area ratio 0.909, aspect 2.36; both pass.
        assertThat(of("stencil-area-ratio", t -> paste(t).box(20, 20, 0.3, 1, 33))).isEmpty();
        assertThat(of("stencil-aspect", t -> paste(t).box(20, 20, 0.3, 1, 33))).isEmpty();
        Finding thin = of("stencil-aspect", t -> paste(t).box(20, 20, 0.18, 2, 45)).get(0);
        assertThat(thin.measured()).isCloseTo(0.18 / 0.127, within(0.001));
        assertThat(thin.from().distance(thin.to()) / 1e6).isCloseTo(0.18, within(MICRON_2));
        // A square of 4·0.66·0.127 mm is just at 0.66.
        double edge = 4 * 0.66 * 0.127;
        assertThat(of("stencil-area-ratio", t -> paste(t).box(20, 20, edge, edge, 0))).isEmpty();
        at("stencil-web", 0.12, 21.06, 20, t -> paste(t).round(20, 20, 2).round(22.12, 20, 2));
        assertThat(of("stencil-web", t -> paste(t).box(20, 20, 2, 2, 0).box(22.15, 20, 2, 2, 0)))
                .isEmpty();
    }
}
