package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/** Small boards with one defect, and what the checks say of them. */
final class Planted {
    static final double MICRON_2 = 0.002;

    /** Bare shapes without mask, pads and ends are no whole board: not what is tested by them. */
    private static final Set<String> OF_WHOLE_BOARDS =
            Set.of("layer-missing", "layer-empty", "copper-island", "stub", "hole-without-pad");

    static final CapabilitySheet SHEET =
            TestBoards.house(
                    Map.ofEntries(
                            Map.entry(LimitKey.TRACK_WIDTH, 0.15),
                            Map.entry(LimitKey.CLEARANCE, 0.15),
                            Map.entry(LimitKey.COPPER_SLIVER, 0.12),
                            Map.entry(LimitKey.ANNULAR_RING, 0.13),
                            Map.entry(LimitKey.HOLE_MIN, 0.3),
                            Map.entry(LimitKey.HOLE_MAX, 6.0),
                            Map.entry(LimitKey.SLOT_WIDTH, 0.6),
                            Map.entry(LimitKey.ASPECT_RATIO, 8.0),
                            Map.entry(LimitKey.HOLE_SPACING, 0.25),
                            Map.entry(LimitKey.HOLE_TO_EDGE, 0.4),
                            Map.entry(LimitKey.COPPER_TO_EDGE, 0.3),
                            Map.entry(LimitKey.COPPER_TO_HOLE, 0.25),
                            Map.entry(LimitKey.MASK_DAM, 0.1),
                            Map.entry(LimitKey.MASK_EXPANSION, 0.05),
                            Map.entry(LimitKey.SILK_WIDTH, 0.13),
                            Map.entry(LimitKey.SILK_HEIGHT, 0.8),
                            Map.entry(LimitKey.SILK_TO_MASK, 0.1),
                            Map.entry(LimitKey.BOARD_WIDTH_MAX, 100.0),
                            Map.entry(LimitKey.BOARD_HEIGHT_MAX, 80.0)));

    private Planted() {}

    /** Everything the checks say of a board. */
    static CheckRun all(Board board, Headroom headroom) {
        return CheckRunner.run(new CheckContext(new BoardGeometry(board), SHEET, headroom));
    }

    /** What they say of it but for the checks that ask for a whole board. */
    static CheckRun check(Board board, Headroom headroom) {
        return new CheckRun(
                all(board, headroom).results().stream()
                        .filter(r -> !OF_WHOLE_BOARDS.contains(r.rule()))
                        .toList());
    }

    /** Draws on the top copper of a board of 60 × 40 mm. */
    static CheckRun check(Consumer<TestBoards> draw) {
        return check(board(draw), Headroom.NONE);
    }

    static Board board(Consumer<TestBoards> draw) {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        draw.accept(t);
        return t.outline(0, 0, 60, 40).board();
    }

    /** What one rule says of a board, which it must have been able to check. */
    static List<Finding> of(String rule, Consumer<TestBoards> draw) {
        CheckRun run = all(board(draw), Headroom.NONE);
        assertThat(run.results())
                .filteredOn(r -> r.rule().equals(rule))
                .extracting(r -> r.outcome().status())
                .as(rule)
                .doesNotContain(Outcome.Status.NOT_RUN)
                .hasSize(1);
        return of(rule, run);
    }

    static List<Finding> of(String rule, CheckRun run) {
        assertThat(run.results()).anyMatch(r -> r.rule().equals(rule));
        return run.findings().stream().filter(f -> f.rule().equals(rule)).toList();
    }

    /** The one finding of a rule, at a place and with a measure true to 2 µm. */
    static Finding at(String rule, double mm, double x, double y, Consumer<TestBoards> draw) {
        List<Finding> found = of(rule, draw);
        assertThat(found).as(rule).hasSize(1);
        Finding f = found.get(0);
        assertThat(f.measured()).as(f.message()).isCloseTo(mm, within(MICRON_2));
        assertThat(f.at().distance(Pt.mm(x, y)) / 1e6).as("place %s", f.at()).isLessThan(0.06);
        return f;
    }

    static Finding only(String rule, CheckRun run, double mm, double x, double y) {
        assertThat(run.findings()).extracting(Finding::rule).containsExactly(rule);
        Finding f = run.findings().get(0);
        assertThat(f.measured()).isCloseTo(mm, within(MICRON_2));
        assertThat(f.at().distance(Pt.mm(x, y))).as("place %s", f.at()).isLessThan(60_000);
        return f;
    }
}
