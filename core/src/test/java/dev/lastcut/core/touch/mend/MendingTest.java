package dev.lastcut.core.touch.mend;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.touch.Drawings;
import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.Touches;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A planted fault of each kind that a touch mends: it is offered, done, and the finding is gone.
 */
class MendingTest {
    private static final CapabilitySheet HOUSE =
            TestBoards.house(
                    Map.of(
                            LimitKey.TRACK_WIDTH, 0.2,
                            LimitKey.CLEARANCE, 0.2,
                            LimitKey.COPPER_SLIVER, 0.2,
                            LimitKey.COPPER_TO_EDGE, 0.4,
                            LimitKey.COPPER_TO_HOLE, 0.3,
                            LimitKey.ANNULAR_RING, 0.2,
                            LimitKey.MASK_DAM, 0.15,
                            LimitKey.MASK_EXPANSION, 0.05,
                            LimitKey.SILK_TO_MASK, 0.15,
                            LimitKey.SILK_WIDTH, 0.15));

    private static TestBoards plain() {
        TestBoards b = new TestBoards().outline(0, 0, 40, 30);
        return b.on(Role.Kind.COPPER, Side.TOP);
    }

    private static TestBoards pads(TestBoards b, double opening) {
        b.on(Role.Kind.COPPER, Side.TOP).box(10, 10, 1, 1, 0).box(12, 10, 1, 1, 0);
        return b.on(Role.Kind.MASK, Side.TOP).box(10, 10, opening, opening, 0);
    }

    static Stream<Arguments> planted() {
        UnaryOperator<TestBoards> top = b -> b.on(Role.Kind.COPPER, Side.TOP);
        return Stream.of(
                Arguments.of(
                        "copper-to-edge",
                        "Keep the pour 0.4 mm away",
                        plain().area(0.2, 5, 10, 5, 10, 15, 0.2, 15)),
                Arguments.of(
                        "copper-to-hole",
                        "Keep the pour 0.3 mm away",
                        plain().area(5, 5, 15, 5, 15, 15, 5, 15)
                                .clear(10, 10, 2.2)
                                .hole(10, 10, 2, false)),
                Arguments.of(
                        "clearance",
                        "Keep the pour 0.2 mm away",
                        plain().area(5, 5, 15, 5, 15, 15, 5, 15).line(0.3, 15.25, 3, 15.25, 17)),
                Arguments.of(
                        "track-width",
                        "Widen where there is room",
                        plain().line(0.1, 5, 5, 20, 5).pin("A", "J1", "1", 5, 5)),
                Arguments.of(
                        "annular-ring",
                        "Thicken the ring",
                        plain().round(10, 10, 1).hole(10.1, 10, 0.7, true)),
                Arguments.of(
                        "copper-sliver",
                        "Mend the neck",
                        plain().area(
                                        5, 5, 10, 5, 10, 7.45, 12, 7.45, 12, 5, 17, 5, 17, 10, 12,
                                        10, 12, 7.55, 10, 7.55, 10, 10, 5, 10)),
                Arguments.of("mask-missing", "Open the mask there", pads(plain(), 1.1)),
                Arguments.of(
                        "mask-expansion",
                        "Enlarge the openings",
                        pads(plain(), 1.04).box(12, 10, 1.04, 1.04, 0)),
                Arguments.of(
                        "mask-dam",
                        "Leave the web out",
                        top.apply(pads(plain(), 1.1))
                                .box(11.2, 10, 1, 1, 0)
                                .on(Role.Kind.MASK, Side.TOP)
                                .box(11.2, 10, 1.1, 1.1, 0)),
                Arguments.of(
                        "silk-on-pad",
                        "Clip the silk",
                        pads(plain(), 1.1).on(Role.Kind.SILK, Side.TOP).line(0.2, 5, 10, 15, 10)),
                Arguments.of(
                        "silk-width",
                        "Thicken the silk",
                        plain().on(Role.Kind.SILK, Side.TOP).line(0.1, 20, 20, 30, 20)));
    }

    private static List<Finding> findings(BoardGeometry g, String rule) {
        return CheckRunner.run(new CheckContext(g, HOUSE, Headroom.NONE)).findings().stream()
                .filter(f -> f.rule().equals(rule))
                .toList();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("planted")
    void isOfferedDoneAndGone(String rule, String label, TestBoards board) {
        BoardGeometry g = new BoardGeometry(board.board());
        List<Finding> found = findings(g, rule);
        assertThat(found).as("planted").isNotEmpty();
        TouchClearances room =
                TouchClearances.of(Optional.of(HOUSE), Headroom.NONE, Order.USUAL, 1);
        Mending.Plan plan = new Mending(g, room).plan(found);
        assertThat(plan.left()).isEmpty();
        assertThat(plan.offers()).hasSize(1);
        assertThat(plan.offers().get(0).label()).isEqualTo(label);
        assertThat(plan.offers().get(0).findings()).hasSize(found.size());
        Touched t =
                Touches.on(
                        g,
                        List.of(new Step(plan.offers().get(0).touch(), true)),
                        room,
                        Drawings.NONE);
        assertThat(t.outcomes().get(0).done()).as(t.outcomes().get(0).why()).isTrue();
        assertThat(findings(t.geometry(), rule)).isEmpty();
    }

    @Test
    void whatATouchCannotMendSaysWhy() {
        TestBoards b = plain().line(0.3, 5, 5, 20, 5).line(0.3, 5, 5.4, 20, 5.4);
        BoardGeometry g = new BoardGeometry(b.board());
        List<Finding> found = findings(g, "clearance");
        Mending.Plan plan = new Mending(g, TouchClearances.USUAL).plan(found);
        assertThat(plan.offers()).isEmpty();
        assertThat(plan.left()).hasSize(1);
        assertThat(plan.left().get(0).why()).contains("tracks or pads");
    }

    /** The distances of the shop, its headroom with them; usual ones where it states none. */
    @Test
    void roomIsWhatTheShopAsksWithHeadroom() {
        TouchClearances room =
                TouchClearances.of(Optional.of(HOUSE), Headroom.ofPercent(10), Order.USUAL, 2);
        assertThat(room.clearance()).isEqualTo(220_000);
        assertThat(room.edge()).isEqualTo(440_000);
        assertThat(room.neck()).isEqualTo(220_000);
        assertThat(room.web()).isEqualTo(TouchClearances.USUAL.web() * 1.1);
        assertThat(TouchClearances.of(Optional.empty(), Headroom.NONE, Order.USUAL, 2))
                .isEqualTo(TouchClearances.USUAL);
    }
}
