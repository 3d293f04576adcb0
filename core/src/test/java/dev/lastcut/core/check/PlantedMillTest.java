package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.milling.TestMills;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What only a mill gets wrong, planted one at a time. */
class PlantedMillTest {
    private static final Cutter TOOL = TestMills.flat(0.2);

    private static final CapabilitySheet MILL = mill();

    private static CapabilitySheet mill() {
        CapabilitySheet house = TestBoards.house(Map.of(LimitKey.TRACK_WIDTH, 0.38));
        return new CapabilitySheet(
                "mill",
                "Test mill",
                CapabilitySheet.Kind.MILL,
                "",
                house.limits(),
                2,
                false,
                Map.of(),
                List.of(),
                house.price(),
                Optional.of(TestMills.mill(TOOL, TestMills.flat(2))));
    }

    private static List<Finding> of(String rule, long nick, Consumer<TestBoards> draw) {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        draw.accept(t);
        CheckTarget against =
                new CheckTarget(
                        MILL, Headroom.NONE, Order.USUAL, List.of(), TestMills.nick(nick, TOOL));
        CheckRun run = CheckRunner.run(new CheckContext(new BoardGeometry(t.board()), against));
        assertThat(run.results())
                .filteredOn(r -> r.rule().equals(rule))
                .extracting(r -> r.outcome().status())
                .doesNotContain(Outcome.Status.NOT_RUN)
                .hasSize(1);
        return Planted.of(rule, run);
    }

    private static TestBoards pads(TestBoards t, double gap, double turn) {
        double dx = (1 + gap) / 2 * Math.cos(Math.toRadians(turn));
        double dy = (1 + gap) / 2 * Math.sin(Math.toRadians(turn));
        return t.box(10 - dx, 10 - dy, 1, 2, turn)
                .box(10 + dx, 10 + dy, 1, 2, turn)
                .outline(0, 0, 20, 20);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 31})
    void aGapNarrowerThanEveryCutter(double turn) {
        List<Finding> found = of("gap-not-millable", 0, t -> pads(t, 0.15, turn));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).measured()).isCloseTo(0.15, within(Planted.MICRON_2));
        assertThat(found.get(0).severity()).isEqualTo(Severity.STOP);
        assertThat(of("gap-not-millable", 0, t -> pads(t, 0.21, turn))).isEmpty();
        assertThat(of("gap-not-millable", 40_000, t -> pads(t, 0.15, turn))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 31})
    void aPadThatIsNicked(double turn) {
        assertThat(of("pad-nicked", 0, t -> pads(t, 0.15, turn))).isEmpty();
        List<Finding> found = of("pad-nicked", 40_000, t -> pads(t, 0.15, turn));
        assertThat(found).hasSize(2);
        // Up to 40 µm off one long side of 1 mm: at most 4 %, and at least the 25 µm it takes.
        assertThat(found).allMatch(f -> f.measured() >= 2 && f.measured() <= 5);
    }

    @Test
    void copperTooNarrowOnceIsolated() {
        // Two areas joined by a bridge of 0.3 mm; a track of that width has its own check.
        Consumer<TestBoards> bridge =
                t ->
                        t.area(
                                        5, 5, 9, 5, 9, 6.85, 11, 6.85, 11, 5, 15, 5, 15, 9, 11, 9,
                                        11, 7.15, 9, 7.15, 9, 9, 5, 9)
                                .outline(0, 0, 20, 20);
        List<Finding> found = of("track-not-surviving", 0, bridge);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).measured()).isCloseTo(0.3, within(Planted.MICRON_2));
        assertThat(
                        of(
                                "track-not-surviving",
                                0,
                                t -> t.line(0.3, 5, 5, 12, 5).outline(0, 0, 20, 20)))
                .isEmpty();
        // A box of 0.4 mm is wide enough until the cutter takes its 40 µm of it.
        Consumer<TestBoards> beside =
                t ->
                        t.box(10, 10, 0.4, 4, 0)
                                .box(10.2 + 0.15 + 0.5, 10, 1, 4, 0)
                                .outline(0, 0, 20, 20);
        assertThat(of("track-not-surviving", 0, beside)).isEmpty();
        assertThat(of("track-not-surviving", 40_000, beside))
                .hasSize(1)
                .allMatch(f -> f.measured() > 0.355 && f.measured() < 0.376);
    }

    /** A round cutter leaves (√2 − 1) · r in a square corner (plane geometry). */
    @Test
    void insideCornersStayRounded() {
        Consumer<TestBoards> notched =
                t -> {
                    double[] xy = {0, 0, 20, 0, 20, 20, 10, 20, 10, 12, 0, 12};
                    t.round(5, 5, 1).on(Role.OUTLINE);
                    for (int i = 0; i < xy.length; i += 2) {
                        int j = (i + 2) % xy.length;
                        t.line(0.1, xy[i], xy[i + 1], xy[j], xy[j + 1]);
                    }
                };
        List<Finding> found = of("inside-corner", 0, notched);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).measured()).isCloseTo(Math.sqrt(2) - 1, within(0.005));
        assertThat(found.get(0).at().x() / 1e6).isCloseTo(10, within(0.3));
        assertThat(found.get(0).at().y() / 1e6).isCloseTo(12, within(0.3));
        assertThat(of("inside-corner", 0, t -> t.round(5, 5, 1).outline(0, 0, 20, 20))).isEmpty();
    }
}
