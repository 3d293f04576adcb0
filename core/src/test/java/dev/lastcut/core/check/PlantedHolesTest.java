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
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Defects of holes, each at a known place and measure, and the same just within the limit. */
class PlantedHolesTest {
    @Test
    void narrowSlots() {
        Finding flat = at("slot-width", 0.5, 21, 20, t -> t.slot(20, 20, 22, 20, 0.5, false));
        assertThat(flat.from().distance(flat.to()) / 1e6).isCloseTo(0.5, within(MICRON_2));
        at("slot-width", 0.5, 20, 21, t -> t.slot(20, 20, 20, 22, 0.5, true));
        Finding turned = at("slot-width", 0.55, 21.5, 22, t -> t.slot(20, 20, 23, 24, 0.55, true));
        assertThat(turned.from().distance(turned.to()) / 1e6).isCloseTo(0.55, within(MICRON_2));
        assertThat(of("slot-width", t -> t.slot(20, 20, 23, 24, 0.6, true))).isEmpty();
    }

    @Test
    void holesTooDeepToPlate() {
        // 1.6 mm by 0.18 mm is 8.9 to 1; by 0.2 mm it is just the 8 to 1 allowed.
        Finding f = of("aspect-ratio", t -> t.round(20, 20, 1).hole(20, 20, 0.18, true)).get(0);
        assertThat(f.measured()).isCloseTo(1.6 / 0.18, within(0.001));
        assertThat(f.at()).isEqualTo(Pt.mm(20, 20));
        assertThat(of("aspect-ratio", t -> t.round(20, 20, 1).hole(20, 20, 0.2, true))).isEmpty();
        // A thinner board is ordered: the same hole is fine.
        var thin =
                new CheckTarget(
                        Planted.SHEET,
                        Headroom.NONE,
                        Order.USUAL.with(OrderOption.THICKNESS, "0.8"),
                        List.of());
        var board = board(t -> t.round(20, 20, 1).hole(20, 20, 0.18, true));
        CheckRun run = CheckRunner.run(new CheckContext(new BoardGeometry(board), thin));
        assertThat(of("aspect-ratio", run)).isEmpty();
    }

    @Test
    void holesNearTheEdge() {
        at("hole-to-edge", 0.3, 0.15, 20, t -> t.hole(0.8, 20, 1, false));
        at("hole-to-edge", 0.3, 30, 39.85, t -> t.slot(30, 39.2, 31, 39.2, 1, false));
        // About a round cut-out of radius 3 in the middle of the board, at 33°.
        double a = Math.toRadians(33);
        double r = 3 + 0.3 + 0.5;
        at(
                "hole-to-edge",
                0.3,
                30 + 3.15 * Math.cos(a),
                20 + 3.15 * Math.sin(a),
                t ->
                        t.hole(30 + r * Math.cos(a), 20 + r * Math.sin(a), 1, false)
                                .on(Role.OUTLINE)
                                .arc(0.1, 30, 20, 3, 0, 180)
                                .arc(0.1, 30, 20, 3, 180, 360));
        assertThat(of("hole-to-edge", t -> t.hole(0.9, 20, 1, false))).isEmpty();
        // A plated hole that the outline cuts is a castellation; an unplated one is a mistake.
        assertThat(of("hole-to-edge", t -> t.round(0, 20, 2).hole(0, 20, 1, true))).isEmpty();
        assertThat(of("hole-to-edge", t -> t.hole(0.2, 20, 1, false)).get(0).measured()).isZero();
        assertThat(of("hole-to-edge", t -> t.hole(-5, 20, 1, false)).get(0).unit())
                .isEqualTo("holes outside");
    }

    @Test
    void holesTwice() {
        Finding same =
                of("hole-duplicate", t -> t.hole(20, 20, 1, false).hole(20, 20, 1, false)).get(0);
        assertThat(same.at()).isEqualTo(Pt.mm(20, 20));
        assertThat(same.severity()).isEqualTo(Severity.LOOK);
        Finding plating =
                of("hole-duplicate", t -> t.hole(20, 20, 1, false).hole(20, 20, 1, true)).get(0);
        assertThat(plating.severity()).isEqualTo(Severity.STOP);
        Finding overlap =
                of("hole-duplicate", t -> t.hole(20, 20, 1, false).hole(20.6, 20.6, 1, false))
                        .get(0);
        assertThat(overlap.at()).isEqualTo(Pt.mm(20.3, 20.3));
        Finding row =
                of(
                                "hole-duplicate",
                                t ->
                                        t.hole(20, 20, 1, false)
                                                .hole(20.5, 20, 1, false)
                                                .hole(21, 20, 1, false))
                        .get(0);
        assertThat(row.severity()).isEqualTo(Severity.NOTE);
        assertThat(
                        of(
                                "hole-duplicate",
                                t ->
                                        t.hole(20, 20, 1, false)
                                                .hole(21, 20, 1, false)
                                                .slot(30, 20, 32, 20, 1, false)
                                                .slot(32, 20, 32, 22, 1, false)))
                .isEmpty();
    }

    @Test
    void leadsWithoutHolesAndHolesWithoutPads() {
        Finding pad =
                of(
                                "pad-without-hole",
                                t ->
                                        t.round(20, 20, 2)
                                                .box(25, 20, 2, 1, 33)
                                                .lead("A", "J1", "1", 20, 20)
                                                .lead("B", "J1", "2", 25, 20)
                                                .hole(25, 20, 0.8, true))
                        .get(0);
        assertThat(pad.at()).isEqualTo(Pt.mm(20, 20));
        assertThat(pad.parts()).containsExactly("J1");
        Finding hole = of("hole-without-pad", t -> t.round(10, 10, 1).hole(20, 20, 1, true)).get(0);
        assertThat(hole.at()).isEqualTo(Pt.mm(20, 20));
        assertThat(hole.severity()).isEqualTo(Severity.STOP);
        Finding oneSide =
                of(
                                "hole-without-pad",
                                t ->
                                        t.round(20, 20, 2)
                                                .hole(20, 20, 1, true)
                                                .on(Role.Kind.COPPER, Side.BOTTOM)
                                                .round(40, 20, 2))
                        .get(0);
        assertThat(oneSide.severity()).isEqualTo(Severity.LOOK);
        assertThat(of("hole-without-pad", t -> t.box(20, 20, 2, 2, 45).hole(20, 20, 1, true)))
                .isEmpty();
    }

    @Test
    void whatAShopThatCannotPlateLeavesToJoin() {
        CapabilitySheet s = Planted.SHEET;
        CapabilitySheet unplated =
                new CapabilitySheet(
                        s.id(),
                        s.name(),
                        s.kind(),
                        "",
                        s.limits(),
                        2,
                        false,
                        Map.of(),
                        List.of(),
                        s.price(),
                        Optional.empty());
        TestBoards t =
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .round(10, 10, 2)
                        .round(20, 10, 2)
                        .on(Role.Kind.COPPER, Side.BOTTOM)
                        .round(10, 10, 2)
                        .hole(10, 10, 1, true)
                        .hole(20, 10, 1, true);
        var geometry = new BoardGeometry(t.outline(0, 0, 60, 40).board());
        CheckRun run = CheckRunner.run(new CheckContext(geometry, unplated, Headroom.NONE));
        Finding f = of("plating-unsupported", run).get(0);
        assertThat(f.also()).extracting(m -> m.from()).containsExactly(Pt.mm(10, 10));
        assertThat(f.measured()).isEqualTo(1);
    }
}
