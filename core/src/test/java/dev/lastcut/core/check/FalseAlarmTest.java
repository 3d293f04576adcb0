package dev.lastcut.core.check;

import static dev.lastcut.core.check.Planted.at;
import static dev.lastcut.core.check.Planted.board;
import static dev.lastcut.core.check.Planted.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a careful engineer would call a false alarm, and what must be found all the same. */
class FalseAlarmTest {
    /** Four decimals of an inch: 2.54 µm (1 in = 25.4 mm exactly). */
    private static final double INCH_2_4 = 2_540;

    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);

    /** A board whose copper is written in nanometres and whose drill file has a coarser step. */
    private static Board drilledWith(double stepNm, Consumer<TestBoards> draw) {
        Board b = board(draw);
        List<SourceFile> files =
                List.of(
                        new SourceFile("top.gbr", TOP, "", 1, false).withStep(1),
                        new SourceFile("holes", Role.PLATED_HOLES, "", 1, false).withStep(stepNm));
        return new Board(
                files,
                b.layers(),
                b.outline(),
                b.holes(),
                b.netlist(),
                b.parts(),
                b.placements(),
                List.of());
    }

    @ParameterizedTest
    @CsvSource({
        // off centre by so many µm; the ring is short of its 0.130 mm by as much
        "1.8, 2540, false",
        "1.8, 0, true",
        "4.5, 2540, true",
        "0.3, 0, false"
    })
    void aRingShortByRoundingIsNoFinding(double offUm, double stepNm, boolean found) {
        Board b =
                drilledWith(
                        stepNm, t -> t.round(20, 20, 0.56).hole(20 + offUm / 1000, 20, 0.3, true));
        CheckRun run = Planted.all(b, Headroom.NONE);
        assertThat(of("annular-ring", run).isEmpty()).isNotEqualTo(found);
        CheckRun.Result rule =
                run.results().stream()
                        .filter(r -> r.rule().equals("annular-ring"))
                        .findFirst()
                        .orElseThrow();
        assertThat(rule.outcome().reason().contains("rounding")).isEqualTo(stepNm == INCH_2_4);
    }

    @Test
    void aHoleOfAnInchFileIsAsLargeAsItIsMeant() {
        Consumer<TestBoards> hole =
                t ->
                        t.round(20, 20, 0.8)
                                // as a coarse inch file may write 0.3 mm
                                .hole(20, 20, 0.2985, true);
        assertThat(of("hole-size", Planted.all(drilledWith(INCH_2_4, hole), Headroom.NONE)))
                .isEmpty();
        List<Finding> strict = of("hole-size", Planted.all(drilledWith(0, hole), Headroom.NONE));
        assertThat(strict).hasSize(1);
    }

    @Test
    void noSentenceShowsTwoEqualNumbersAsUnequal() {
        Finding f =
                of(
                                "hole-size",
                                Planted.all(
                                        drilledWith(
                                                0,
                                                t ->
                                                        t.round(20, 20, 0.8)
                                                                .hole(20, 20, 0.2991, true)),
                                        Headroom.NONE))
                        .get(0);
        assertThat(f.message()).contains("0.299");
        Finding hair =
                new FindingBuilder("x")
                        .lengths(149_600, 150_000)
                        .say("It is 0.150 mm wide; the limit is 0.150 mm.");
        assertThat(hair.message()).isEqualTo("It is 0.1496 mm wide; the limit is 0.150 mm.");
    }

    /** Holes and pads whose centres lie a rounding step apart, wherever a grid has its lines. */
    @ParameterizedTest
    @CsvSource({"0, 0", "9, 0", "11, 11", "-13, 7", "19, 0"})
    void aCoveredViaIsNoPadWithoutOpening(double dxUm, double dyUm) {
        Consumer<TestBoards> via =
                t ->
                        t.round(20.00999, 20.03, 0.6)
                                .hole(20.00999 + dxUm / 1000, 20.03 + dyUm / 1000, 0.3, true)
                                .round(30, 20, 1.6)
                                .hole(30, 20, 0.8, true)
                                .on(Role.Kind.MASK, Side.TOP)
                                .round(30, 20, 1.7);
        assertThat(of("mask-missing", Planted.all(board(via), Headroom.NONE))).isEmpty();
        // The pad beside it is one, and found when its opening is gone.
        Consumer<TestBoards> pad =
                t ->
                        t.round(20, 20, 0.6)
                                .hole(20 + dxUm / 1000, 20, 0.3, true)
                                .round(30, 20, 1.6)
                                .hole(30 + dxUm / 1000, 20, 0.8, true)
                                .on(Role.Kind.MASK, Side.TOP)
                                .round(40, 20, 1.7);
        assertThat(of("mask-missing", Planted.all(board(pad), Headroom.NONE)))
                .extracting(Finding::at)
                .containsExactly(Pt.mm(30, 20));
    }

    /** Pads painted as filled contours are pads: three alike, one of them without an opening. */
    @Test
    void paintedPadsAreHeldAgainstTheMask() {
        Consumer<TestBoards> painted =
                t ->
                        t.area(20, 20, 21, 20, 21, 22, 20, 22)
                                .area(25, 20, 26, 20, 26, 22, 25, 22)
                                .area(30, 20, 31, 20, 31, 22, 30, 22)
                                // an area that happens to be small is no pad
                                .area(40, 20, 43, 20, 44, 23, 40, 22)
                                .on(Role.Kind.MASK, Side.TOP)
                                .area(19.9, 19.9, 21.1, 19.9, 21.1, 22.1, 19.9, 22.1)
                                .area(29.9, 19.9, 31.1, 19.9, 31.1, 22.1, 29.9, 22.1);
        assertThat(of("mask-missing", Planted.all(board(painted), Headroom.NONE)))
                .extracting(Finding::at)
                .containsExactly(Pt.mm(25.5, 21));
    }

    @Test
    void testPointsNeedNoPaste() {
        Consumer<TestBoards> board =
                t ->
                        t.round(20, 20, 1.5)
                                .round(25, 20, 1.5)
                                .box(30, 20, 1, 2, 0)
                                .box(33, 20, 1, 2, 0)
                                .on(Role.Kind.PASTE, Side.TOP)
                                .box(30, 20, 0.9, 1.9, 0);
        assertThat(of("paste-missing", board))
                .extracting(Finding::at)
                .containsExactly(Pt.mm(33, 20));
        // Where others of the round ones have paste, one without is missing it.
        assertThat(of("paste-missing", board.andThen(t -> t.round(20, 20, 1.4))))
                .extracting(Finding::at)
                .containsExactlyInAnyOrder(Pt.mm(25, 20), Pt.mm(33, 20));
    }

    @Test
    void theMiddleOfTheNarrowestStretchIsTold() {
        // Two boxes side by side over 3 mm: not one end of the stretch, its middle.
        at("clearance", 0.1, 20.55, 20, t -> t.box(20, 20, 1, 3, 0).box(21.1, 20, 1, 3, 0));
        // Only half of them face each other.
        at("clearance", 0.1, 20.55, 20.75, t -> t.box(20, 20, 1, 3, 0).box(21.1, 21.5, 1, 3, 0));
        at(
                "mask-dam",
                0.06,
                20.53,
                20,
                t ->
                        t.round(5, 5, 1)
                                .on(Role.Kind.MASK, Side.TOP)
                                .box(20, 20, 1, 2, 0)
                                .box(21.06, 20, 1, 2, 0));
    }

    @Test
    void aHoleThatBitesIntoCopperIsMeasuredBelowNothing() {
        List<Finding> bites =
                of(
                        "copper-to-hole",
                        t -> t.line(1, 10, 20, 30, 20).round(5, 5, 1).hole(20, 21, 1.4, false));
        // The wall reaches 0.7 mm from the middle, the copper begins 0.5 mm off it.
        assertThat(bites).hasSize(1);
        assertThat(bites.get(0).measured()).isCloseTo(-0.2, within(0.002));
        assertThat(bites.get(0).message()).contains("cut into by 0.200 mm");
    }

    @Test
    void theLinesOfAHatchAreOneFinding() {
        Consumer<TestBoards> hatch =
                t -> {
                    t.line(0.4, 10, 10, 10, 30).line(0.4, 30, 10, 30, 30);
                    for (int i = 0; i < 40; i++) {
                        t.line(0.1, 10, 10.25 + i * 0.5, 30, 10.25 + i * 0.5);
                    }
                };
        List<Finding> found = of("track-width", hatch);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).also()).hasSize(40);
        assertThat(found.get(0).message()).contains("40 lines").contains("a hatch");
        // Brushes that overlap make an area: nothing in it is narrow.
        assertThat(
                        of(
                                "track-width",
                                t -> {
                                    for (int i = 0; i < 40; i++) {
                                        t.line(0.1, 10, 10 + i * 0.08, 14, 10 + i * 0.08);
                                    }
                                    t.line(0.2, 12, 10, 12, 5);
                                }))
                .isEmpty();
    }

    @Test
    void doubtfulFilesStopTheBoard() {
        Board b = board(t -> t.round(20, 20, 1));
        List<SourceFile> files =
                List.of(
                        new SourceFile("a", TOP, "", 0.5, false)
                                .doubted(new Doubt(Doubt.Kind.SIDE, "nothing tells")),
                        new SourceFile("b", TOP.across(), "", 0.5, false)
                                .doubted(new Doubt(Doubt.Kind.SIDE, "nothing tells")),
                        new SourceFile("c", Role.UNKNOWN, "", 0.3, false)
                                .doubted(new Doubt(Doubt.Kind.ROLE, "a picture of nothing")),
                        new SourceFile("d", Role.UNKNOWN, "", 0.3, false)
                                .doubted(new Doubt(Doubt.Kind.SHARED, "it looks like copper top")),
                        new SourceFile("e", Role.NOT_PART, "a text", 0.9, false));
        Board doubtful =
                new Board(
                        files,
                        b.layers(),
                        b.outline(),
                        b.holes(),
                        b.netlist(),
                        b.parts(),
                        b.placements(),
                        List.of());
        List<Finding> found = of("file-unassigned", Planted.all(doubtful, Headroom.NONE));
        assertThat(found).hasSize(3).allMatch(f -> f.severity() == Severity.STOP);
        assertThat(found).extracting(Finding::id).doesNotHaveDuplicates();
        assertThat(found.get(2).message()).contains("a, b");
        assertThat(
                        of(
                                "file-unassigned",
                                Planted.all(drilledWith(1, t -> t.round(9, 9, 1)), Headroom.NONE)))
                .isEmpty();
    }
}
