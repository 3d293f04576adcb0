package dev.lastcut.core.milling.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.milling.CutterChoice;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.TestMills;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.level.Surface;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The very programs that are handed out, run on a stock that exists only here. */
class RehearsalTest {
    private static final int PINS = 10;
    private static final double PITCH = 0.65;

    private static final Mill MILL =
            TestMills.mill(
                    TestMills.V,
                    TestMills.flat(0.8),
                    TestMills.flat(2),
                    TestMills.drill(0.8),
                    TestMills.drill(0.9));

    /** A row of ten pads 0.65 mm apart with 0.254 mm between them (10 mil), each with its track. */
    private static BoardGeometry finePitch() {
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < PINS; i++) {
            double x = 10 + i * PITCH;
            b.box(x, 12, PITCH - 0.254, 1.6, 0).line(0.3, x, 12, x, 15).round(x, 15, 0.39);
        }
        b.round(8, 8, 2).hole(8, 8, 0.8, true).hole(20, 20, 3.2, false).outline(4, 4, 26, 24);
        return new BoardGeometry(b.board());
    }

    private static BoardGeometry twoSides() {
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < 5; i++) {
            b.round(8 + 4 * i, 8, 1.8).line(0.5, 8 + 4 * i, 8, 8 + 4 * i, 14);
        }
        b.on(Role.Kind.COPPER, Side.BOTTOM);
        for (int i = 0; i < 5; i++) {
            b.round(8 + 4 * i, 8, 1.8).line(0.5, 8 + 4 * i, 8, 10 + 4 * i, 4.5);
        }
        for (int i = 0; i < 5; i++) {
            b.hole(8 + 4 * i, 8, 0.8, true);
        }
        return new BoardGeometry(b.outline(2, 2, 30, 18).board());
    }

    private static Rehearsal rehearse(
            BoardGeometry g, Mill mill, Surface stock, Map<Side, HeightMap> heights) {
        MillingPlan plan = MillingPlan.of(g, mill, MillSetup.USUAL);
        assertThat(plan.problems()).isEmpty();
        return Rehearsal.run(g, mill, MillSetup.USUAL, Rehearsal.scripts(plan, heights), stock);
    }

    private static void comesOutRight(Rehearsal r, int sides) {
        assertThat(r.hazards()).isEmpty();
        assertThat(r.copper()).hasSize(sides).allMatch(CopperVerdict::isGood);
        BodyVerdict body = r.body().orElseThrow();
        assertThat(body.wrong()).isEmpty();
        assertThat(body.held()).isTrue();
        assertThat(body.tabs()).isEqualTo(3);
        assertThat(body.deepestNm()).isLessThan(20_000);
        assertThat(r.passes()).isTrue();
    }

    /** However the controller wants its programs, the board is the same. */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void theFinePitchBoardComesOutRight(boolean pause) {
        Mill mill = MILL;
        if (pause) {
            Mill.Controller c =
                    new Mill.Controller(Mill.Controller.ToolChange.PAUSE, true, true, false, 2);
            mill = TestMills.mill(c, MILL.rack().toArray(Cutter[]::new));
        }
        Rehearsal r = rehearse(finePitch(), mill, Surface.FLAT, Map.of());
        comesOutRight(r, 1);
        assertThat(r.copper().get(0).nets()).isEqualTo(PINS + 1);
    }

    @Test
    void bothSidesComeOutRight() {
        BoardGeometry g = twoSides();
        comesOutRight(rehearse(g, MILL, Surface.FLAT, Map.of()), 2);
        assertThat(MillingPlan.of(g, MILL, MillSetup.USUAL).operations().get(0).kind().id())
                .isEqualTo("pins");
    }

    /** 1/32 inch cannot enter the gaps of a 0.65 mm pitch (common practice): nine of them. */
    @Test
    void aFlatCutterAloneIsRefusedWithTheRightPlaces() {
        BoardGeometry g = finePitch();
        String flat = TestMills.flat(0.8).id();
        CutterChoice alone = CutterChoice.of(g, MILL, MillSetup.USUAL.withTools(List.of(flat)));
        assertThat(alone.makesTheBoard()).isFalse();
        assertThat(alone.joined()).hasSize(PINS - 1);
        for (CutterChoice.Place p : alone.joined()) {
            assertThat(p.gap()).isCloseTo(254_000, within(1_000.0));
            double between = (p.at().x() / 1e6 - 10) / PITCH - 0.5;
            assertThat(between).isCloseTo(Math.rint(between), within(0.05));
        }
        CutterChoice found = CutterChoice.of(g, MILL, MillSetup.USUAL);
        assertThat(found.makesTheBoard()).isTrue();
        assertThat(found.tools()).contains(TestMills.V);
    }

    /** With 0.3 mm of warp the unlevelled programs fail; levelled, depth is kept to 0.01 mm. */
    @Test
    void levellingSavesAWarpedStock() {
        BoardGeometry g = finePitch();
        Surface warped = (x, y) -> 300_000 * Math.sin(x / 6e6 + 0.6) * Math.cos(y / 7e6 + 0.4);
        assertThat(rehearse(g, MILL, warped, Map.of()).copper()).noneMatch(CopperVerdict::isGood);
        ProbeGrid grid = new ProbeGrid(-1e6, -1e6, 23e6, 21e6, 25, 23);
        double[] z = new double[grid.count()];
        for (int k = 0; k < z.length; k++) {
            z[k] = warped.heightAt(grid.x(k % 25), grid.y(k / 25));
        }
        HeightMap map = new HeightMap(grid, z);
        Rehearsal levelled = rehearse(g, MILL, warped, Map.of(Side.TOP, map));
        assertThat(levelled.copper()).allMatch(CopperVerdict::isGood);
        MillingPlan plan = MillingPlan.of(g, MILL, MillSetup.USUAL);
        List<Script> isolation =
                Rehearsal.scripts(plan, Map.of(Side.TOP, map)).stream()
                        .filter(s -> s.name().contains("isolation"))
                        .toList();
        double[] range = Rehearsal.run(g, MILL, MillSetup.USUAL, isolation, warped).depthRange(1e9);
        assertThat(range[0]).isGreaterThan(90_000);
        assertThat(range[1]).isLessThan(110_000);
    }

    private static List<Hazard> hazards(String text, int tool) {
        BoardGeometry g = finePitch();
        var to = MillingPlan.of(g, MILL, MillSetup.USUAL).operations().get(0).toPack();
        Script s = new Script("theirs", text, Side.TOP, to, 0, tool);
        return Rehearsal.run(g, MILL, MillSetup.USUAL, List.of(s), Surface.FLAT).hazards();
    }

    @Test
    void programsOfOthersAreLookedAtLineByLine() {
        record Case(String line, String says) {}
        for (Case c :
                List.of(
                        new Case("G0 X5 Z-1", "A rapid move 1.00 mm below"),
                        new Case("M5 G1 Z-0.5 F50", "with the spindle off"),
                        new Case("G0 X400", "leaves the bed"),
                        new Case("G1 Z-12 F50", "into the bed"),
                        new Case("M0 G0 Z-0", "stops for a hand"),
                        new Case("G1 Z-0.5 F900", "is plunged at 60 mm/min"),
                        new Case("G1 Z-0.5", "no feed rate"))) {
            List<Hazard> found = hazards("G21 G90\nM3 S9\nG0 Z2\n" + c.line + "\nG0 Z2\nM2\n", 1);
            assertThat(found)
                    .as(c.line)
                    .anyMatch(h -> h.line() == 4 && h.sentence().contains(c.says));
        }
        assertThat(hazards("G21 G90\nM3\nG0 Z2\nG1 Z-0.1 F50\nG0 Z2\nM2\n", 1)).isEmpty();
        assertThat(hazards("G21 G90\nM3\nG1 Z-0.1 F50\nG1 X5\nG0 Z2\nM2\n", 4))
                .anyMatch(h -> h.sentence().contains("sideways"));
    }

    /** Without tabs the board is free at the end of its contour, and that is said with the line. */
    @Test
    void aBoardThatComesFreeIsSaid() {
        Mill none =
                new Mill(
                        MILL.rack(),
                        MILL.stock(),
                        MILL.bed(),
                        MILL.cutting(),
                        new Mill.Tabs(0, 0, 0),
                        MILL.pins(),
                        MILL.controller());
        Rehearsal r = rehearse(finePitch(), none, Surface.FLAT, Map.of());
        assertThat(r.body().orElseThrow().held()).isFalse();
        assertThat(r.hazards()).anyMatch(h -> h.sentence().contains("comes free") && h.line() > 10);
        assertThat(r.passes()).isFalse();
    }

    /**
     * Leftover copper tied to ground: all of it hangs on the ground pad but the disc inside a ring
     * of another net, which is told with its place and its area.
     */
    @Test
    void copperThatIsNotTiedIsTold() {
        BoardGeometry g =
                new BoardGeometry(
                        new TestBoards()
                                .on(Role.Kind.COPPER, Side.TOP)
                                .round(6, 6, 2)
                                .pin("GND", "R1", "1", 6, 6)
                                .round(20, 6, 2)
                                .pin("A", "R1", "2", 20, 6)
                                .arc(0.5, 14, 16, 4, 0, 180)
                                .arc(0.5, 14, 16, 4, 180, 360)
                                .outline(2, 2, 26, 24)
                                .board());
        MillSetup tie =
                TestMills.setup(
                        MillSetup.Clearing.TIE,
                        "GND",
                        0,
                        List.of(),
                        List.of(),
                        TestMills.flat(0.8));
        MillingPlan plan = MillingPlan.of(g, MILL, tie);
        Rehearsal r = Rehearsal.run(g, MILL, tie, Rehearsal.scripts(plan, Map.of()), Surface.FLAT);
        CopperVerdict top = r.copper().get(0);
        assertThat(top.isGood()).isTrue();
        assertThat(top.loose()).hasSize(1);
        CopperVerdict.Loose disc = top.loose().get(0);
        assertThat(disc.at().x() / 1e6).isCloseTo(14, within(1.5));
        assertThat(disc.at().y() / 1e6).isCloseTo(16, within(1.5));
        // The ring's inside is 3.75 mm in radius, less the cutter.
        assertThat(disc.areaMm2()).isCloseTo(Math.PI * 2.95 * 2.95, within(0.1));
        // The pad of A and the ring with their channels, and the ground's own pad.
        double others = Math.PI * (1.8 * 1.8 + 5.05 * 5.05 + 1);
        assertThat(top.tiedMm2()).isCloseTo(24 * 22 - others, within(1.5));
    }

    /** Who cancels does not wait for the end: it is asked at every line. */
    @Test
    void aRehearsalIsLeftWhenCancelled() {
        BoardGeometry g = finePitch();
        var to = MillingPlan.of(g, MILL, MillSetup.USUAL).operations().get(0).toPack();
        String text = "G0 X1\nG0 X2\n".repeat(1_000) + "M2\n";
        Script s = new Script("long", text, Side.TOP, to, 0, 1);
        int[] asked = new int[1];
        assertThatThrownBy(
                        () ->
                                Rehearsal.run(
                                        g,
                                        MILL,
                                        MillSetup.USUAL,
                                        List.of(s),
                                        Surface.FLAT,
                                        () -> ++asked[0] > 100))
                .isInstanceOf(CancellationException.class);
        assertThat(asked[0]).isEqualTo(101);
    }
}
