package dev.lastcut.core.check;

import static dev.lastcut.core.check.Planted.MICRON_2;
import static dev.lastcut.core.check.Planted.all;
import static dev.lastcut.core.check.Planted.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Outlines and files that are wrong, a board that is right, and what is computed again. */
class PlantedFilesTest {
    private static List<Finding> outline(String rule, double... xy) {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP).round(5, 5, 1);
        t.on(Role.OUTLINE);
        for (int i = 0; i < xy.length; i += 2) {
            int next = (i + 2) % xy.length;
            t.line(0.1, xy[i], xy[i + 1], xy[next], xy[next + 1]);
        }
        return of(rule, all(t.board(), Headroom.NONE));
    }

    /** A shop of four layers, and boards of none to six. */
    @Test
    void moreCopperLayersThanTheShopMakes() {
        for (int inner : new int[] {0, 2, 4}) {
            TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP).round(5, 5, 1);
            for (int i = 1; i <= inner; i++) {
                t.on(Role.innerCopper(i)).round(5, 5, 1);
            }
            t.on(Role.Kind.COPPER, Side.BOTTOM).round(5, 5, 1);
            List<Finding> found =
                    of("layer-count", all(t.outline(0, 0, 40, 30).board(), Headroom.NONE));
            if (inner < 4) {
                assertThat(found).isEmpty();
            } else {
                assertThat(found).hasSize(1);
                assertThat(found.get(0).severity()).isEqualTo(Severity.STOP);
                assertThat(found.get(0).measured()).isEqualTo(6);
                assertThat(found.get(0).limit()).isEqualTo(4);
            }
        }
        TestBoards bare = new TestBoards().on(Role.Kind.SILK, Side.TOP).round(5, 5, 1);
        assertThat(of("layer-count", all(bare.outline(0, 0, 40, 30).board(), Headroom.NONE)))
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("no copper layer"));
    }

    @Test
    void outlinesThatCross() {
        List<Finding> bow =
                outline(
                        "outline-crossing",
                        0,
                        0,
                        40,
                        0,
                        40,
                        20,
                        10,
                        20,
                        10,
                        30,
                        20,
                        30,
                        20,
                        10,
                        0,
                        10);
        assertThat(bow).hasSize(1);
        assertThat(bow.get(0).at()).isEqualTo(Pt.mm(20, 20));
        List<Finding> skew =
                outline("outline-crossing", 0, 0, 40, 0, 40, 30, 18, 12, 22, 12, 0, 30);
        assertThat(skew).hasSize(1);
        assertThat(skew.get(0).at().distance(Pt.mm(20, 13.636364))).isLessThan(2_000);
        assertThat(outline("outline-crossing", 0, 0, 40, 0, 40, 30, 0, 30)).isEmpty();
        // A round cut-out that runs over the edge.
        List<Finding> cutout =
                of(
                        "outline-crossing",
                        t ->
                                t.on(Role.OUTLINE)
                                        .arc(0.1, 30, 1, 2, 0, 180)
                                        .arc(0.1, 30, 1, 2, 180, 360));
        assertThat(cutout).hasSize(2);
        double half = Math.sqrt(3);
        assertThat(cutout.get(0).at().distance(Pt.mm(30 - half, 0))).isLessThan(10_000);
    }

    @Test
    void outlinesTwice() {
        List<Finding> second =
                of(
                        "outline-doubled",
                        t ->
                                t.on(Role.OUTLINE)
                                        .line(0.1, 70, 0, 80, 0)
                                        .line(0.1, 80, 0, 80, 10)
                                        .line(0.1, 80, 10, 70, 0));
        assertThat(second).hasSize(1);
        assertThat(second.get(0).severity()).isEqualTo(Severity.STOP);
        assertThat(of("outline-doubled", t -> t.on(Role.OUTLINE).arc(0.1, 80, 10, 5, 0, 360)))
                .hasSize(1);
        List<Finding> again = of("outline-doubled", t -> t.on(Role.OUTLINE).line(0.1, 0, 0, 60, 0));
        assertThat(again).extracting(Finding::severity).containsExactly(Severity.LOOK);
        assertThat(again.get(0).at()).isEqualTo(Pt.mm(30, 0));
        // A cut-out is neither.
        assertThat(of("outline-doubled", t -> t.on(Role.OUTLINE).arc(0.1, 30, 20, 5, 0, 360)))
                .isEmpty();
    }

    @Test
    void filesMissingEmptyAndTwice() {
        assertThat(of("layer-missing", t -> t.round(5, 5, 1)))
                .extracting(Finding::layers)
                .containsExactly(List.of("mask-top"));
        assertThat(
                        of(
                                "layer-missing",
                                t ->
                                        t.round(5, 5, 1)
                                                .on(Role.innerCopper(2))
                                                .round(5, 5, 1)
                                                .on(Role.Kind.COPPER, Side.BOTTOM)
                                                .round(5, 5, 1)))
                .extracting(f -> f.layers().get(0))
                .contains("copper-inner-1", "mask-bottom", "plated-holes");
        assertThat(of("layer-empty", t -> t.round(5, 5, 1).on(Role.Kind.MASK, Side.TOP)))
                .extracting(Finding::severity)
                .containsExactly(Severity.LOOK);
        List<Finding> twice =
                of(
                        "layer-duplicate",
                        t ->
                                t.round(5, 5, 1)
                                        .line(0.3, 5, 5, 9, 9)
                                        .on(Role.Kind.COPPER, Side.BOTTOM)
                                        .line(0.3, 5, 5, 9, 9)
                                        .round(5, 5, 1));
        assertThat(twice).hasSize(1);
        assertThat(
                        of(
                                "layer-duplicate",
                                t ->
                                        t.round(5, 5, 1)
                                                .on(Role.Kind.COPPER, Side.BOTTOM)
                                                .round(5, 5, 1.001)))
                .isEmpty();
    }

    /** Two layers, tracks, a via, a pour with a thermal, mask, silk, paste, netlist. */
    private static TestBoards clean() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.box(20, 20, 1, 1.4, 0).box(24, 20, 1, 1.4, 0).round(30, 20, 0.6).round(40, 20, 2);
        t.line(0.25, 24, 20, 30, 20);
        t.on(Role.Kind.COPPER, Side.BOTTOM).round(30, 20, 0.6).round(40, 20, 2);
        t.line(0.25, 30, 20, 35, 25).arc(0.25, 40, 25, 5, 180, 270);
        t.on(Role.Kind.MASK, Side.TOP).box(20, 20, 1.1, 1.5, 0).box(24, 20, 1.1, 1.5, 0);
        t.round(40, 20, 2.1);
        t.on(Role.Kind.MASK, Side.BOTTOM).round(40, 20, 2.1);
        t.on(Role.Kind.PASTE, Side.TOP).box(20, 20, 0.9, 1.3, 0).box(24, 20, 0.9, 1.3, 0);
        t.on(Role.Kind.SILK, Side.TOP).line(0.15, 21, 20, 23, 20);
        t.hole(30, 20, 0.3, true).hole(40, 20, 1, true).hole(5, 5, 3.2, false);
        t.pin("A", "R1", "1", 20, 20).pin("B", "R1", "2", 24, 20).lead("B", "J1", "1", 40, 20);
        return t.outline(0, 0, 60, 40);
    }

    @Test
    void aCleanBoardGivesNothing() {
        CheckRun run = all(clean().board(), Headroom.NONE);
        assertThat(run.findings()).isEmpty();
        long ran =
                run.results().stream()
                        .filter(r -> r.outcome().status() == Outcome.Status.PASSED)
                        .count();
        assertThat(ran).isGreaterThan(30);
    }

    @Test
    void onlyWhatChangedIsComputedAgain() {
        BoardGeometry geometry = new BoardGeometry(clean().board());
        CheckRun first = CheckRunner.run(new CheckContext(geometry, Planted.SHEET, Headroom.NONE));
        assertThat(first.results()).allMatch(CheckRun.Result::computed);
        Headroom own = new Headroom(0, Map.of(LimitKey.CLEARANCE, 5e6), Map.of());
        CheckRun second = CheckRunner.run(new CheckContext(geometry, Planted.SHEET, own));
        assertThat(second.results())
                .filteredOn(CheckRun.Result::computed)
                .extracting(CheckRun.Result::rule)
                .containsExactly("clearance");
        // Asked again with more headroom, what was far enough is too near now.
        assertThat(of("clearance", second).get(0).measured()).isCloseTo(3, within(MICRON_2));
        assertThat(of("clearance", second).get(0).severity()).isEqualTo(Severity.LOOK);
        CheckRun back = CheckRunner.run(new CheckContext(geometry, Planted.SHEET, Headroom.NONE));
        assertThat(back.results()).noneMatch(CheckRun.Result::computed);
        assertThat(back.findings()).isEmpty();
    }

    @Test
    void aFindingIsKnownAgainWhereItMovedALittle() {
        Finding a = of("clearance", t -> t.round(20, 20, 2).round(22.1, 20, 2)).get(0);
        Finding b = of("clearance", t -> t.round(20.3, 20, 2).round(22.38, 20, 2)).get(0);
        Finding far = of("clearance", t -> t.round(30, 20, 2).round(32.1, 20, 2)).get(0);
        assertThat(a.isSameAs(b)).isTrue();
        assertThat(a.isSameAs(far)).isFalse();
    }
}
