package dev.lastcut.core.check;

import static dev.lastcut.core.check.Planted.MICRON_2;
import static dev.lastcut.core.check.Planted.all;
import static dev.lastcut.core.check.Planted.at;
import static dev.lastcut.core.check.Planted.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The same defects as in the other planted tests, in curved and turned shapes. */
class PlantedShapesTest {
    private static final double TURN = Math.toRadians(33);

    /** x about (30, 20) at a distance along the turned direction. */
    private static double x(double by) {
        return 30 + by * Math.cos(TURN);
    }

    private static double y(double by) {
        return 20 + by * Math.sin(TURN);
    }

    private static TestBoards roundCutout(TestBoards t) {
        return t.on(Role.OUTLINE)
                .arc(0.1, 30, 20, 3, 0, 180)
                .arc(0.1, 30, 20, 3, 180, 360)
                .on(Role.Kind.COPPER, Side.TOP);
    }

    @Test
    void copperAboutARoundCutout() {
        // A turned box and a disc 0.2 mm from it, an arc 0.25 mm round it.
        at(
                "copper-to-edge",
                0.2,
                x(3.1),
                y(3.1),
                t -> roundCutout(t).box(x(4.2), y(4.2), 2, 2, 33));
        at("copper-to-edge", 0.2, x(3.1), y(3.1), t -> roundCutout(t).round(x(4.2), y(4.2), 2));
        Finding arc =
                of("copper-to-edge", t -> roundCutout(t).arc(0.3, 30, 20, 3.4, 0, 120)).get(0);
        assertThat(arc.measured()).isCloseTo(0.25, within(MICRON_2));
        assertThat(
                        of(
                                "copper-to-edge",
                                t ->
                                        roundCutout(t)
                                                .arc(0.3, 30, 20, 3.45, 0, 120)
                                                .box(x(-4.3), y(-4.3), 2, 2, 33)))
                .isEmpty();
    }

    @Test
    void websBetweenSlotsAndHoles() {
        at("hole-spacing", 0.2, 20.6, 20, t -> t.hole(20, 20, 1, false).hole(21.2, 20, 1, false));
        at(
                "hole-spacing",
                0.2,
                21,
                20.6,
                t -> t.slot(20, 20, 22, 20, 1, false).hole(21, 21.2, 1, true));
        at(
                "hole-spacing",
                0.15,
                x(2.575),
                y(2.575),
                t -> t.slot(30, 20, x(2), y(2), 1, false).hole(x(3.15), y(3.15), 1, false));
        assertThat(
                        of(
                                "hole-spacing",
                                t ->
                                        t.slot(30, 20, x(2), y(2), 1, true)
                                                .hole(x(3.25), y(3.25), 1, true)))
                .isEmpty();
    }

    @Test
    void padsUnderTheMask() {
        for (double turn : new double[] {0, 33, 90}) {
            Finding f =
                    of(
                                    "mask-missing",
                                    t ->
                                            t.box(20, 20, 1, 2, turn)
                                                    .on(Role.Kind.MASK, Side.TOP)
                                                    .box(40, 20, 1, 2, turn))
                            .get(0);
            assertThat(f.at()).isEqualTo(Pt.mm(20, 20));
        }
        assertThat(
                        of(
                                "mask-missing",
                                t ->
                                        t.box(20, 20, 1, 2, 33)
                                                .on(Role.Kind.MASK, Side.TOP)
                                                .area(18, 18, 22, 18, 22, 22, 18, 22)))
                .isEmpty();
    }

    private static TestBoards opening(TestBoards t) {
        return t.on(Role.Kind.MASK, Side.TOP).box(30, 20, 2, 2, 33).on(Role.Kind.SILK, Side.TOP);
    }

    @Test
    void silkBesideTurnedAndRoundOpenings() {
        // A stroke along the turned side, its edge 0.06 mm away.
        double off = 1 + 0.06 + 0.1;
        Finding along =
                of(
                                "silk-on-pad",
                                t ->
                                        opening(t)
                                                .line(
                                                        0.2,
                                                        x(off) + Math.sin(TURN),
                                                        y(off) - Math.cos(TURN),
                                                        x(off) - Math.sin(TURN),
                                                        y(off) + Math.cos(TURN)))
                        .get(0);
        assertThat(along.measured()).isCloseTo(0.06, within(MICRON_2));
        Finding ring =
                of(
                                "silk-on-pad",
                                t ->
                                        t.on(Role.Kind.MASK, Side.TOP)
                                                .round(30, 20, 2)
                                                .on(Role.Kind.SILK, Side.TOP)
                                                .arc(0.2, 30, 20, 1.17, 0, 200))
                        .get(0);
        assertThat(ring.measured()).isCloseTo(0.07, within(MICRON_2));
        assertThat(of("silk-on-pad", t -> opening(t).line(0.2, 20, 20, 40, 20)).get(0).message())
                .contains("runs over");
        assertThat(
                        of(
                                "silk-on-pad",
                                t ->
                                        t.on(Role.Kind.MASK, Side.TOP)
                                                .round(30, 20, 2)
                                                .on(Role.Kind.SILK, Side.TOP)
                                                .arc(0.2, 30, 20, 1.2, 0, 200)))
                .isEmpty();
    }

    private static Finding gap(TestBoards t) {
        t.on(Role.Kind.COPPER, Side.TOP).round(20, 10, 1);
        return of("outline-open", all(t.board(), Headroom.NONE)).get(0);
    }

    @Test
    void outlinesThatDoNotClose() {
        Finding slanted =
                gap(
                        new TestBoards()
                                .on(Role.OUTLINE)
                                .line(0.1, 0, 0, 40, 0)
                                .line(0.1, 40, 0, 40, 30)
                                .line(0.1, 39.97, 30.04, 0, 0));
        assertThat(slanted.measured()).isCloseTo(0.05, within(MICRON_2));
        assertThat(slanted.at().distance(Pt.mm(39.985, 30.02))).isLessThan(2_000);
        // An arc that ends a little before the line that goes on.
        Finding arc =
                gap(
                        new TestBoards()
                                .on(Role.OUTLINE)
                                .line(0.1, 0, 0, 40, 0)
                                .arc(0.1, 40, 10, 10, 270, 450)
                                .line(0.1, 39.9, 20, 0, 20)
                                .line(0.1, 0, 20, 0, 0));
        assertThat(arc.measured()).isCloseTo(0.1, within(MICRON_2));
        assertThat(arc.at().distance(Pt.mm(39.95, 20))).isLessThan(2_000);
    }

    private static List<Finding> cut(TestBoards t, java.util.function.Consumer<TestBoards> slot) {
        t.on(Role.Kind.COPPER, Side.TOP).line(0.3, 30, 2, 30, 38);
        t.on(Role.Kind.COPPER, Side.BOTTOM).area(2, 2, 58, 2, 58, 38, 2, 38);
        slot.accept(t);
        return of("plane-cut", all(t.outline(0, 0, 60, 40).board(), Headroom.NONE));
    }

    @Test
    void planesCutByTurnedAndCurvedTracks() {
        // The track lies in a clearing that is wider by 0.2 mm on both sides.
        List<Finding> turned =
                cut(
                        new TestBoards(),
                        t -> {
                            clearing(t, x(-8), y(-8), x(8), y(8));
                            t.line(0.3, x(-8), y(-8), x(8), y(8));
                        });
        assertThat(turned).hasSize(1);
        assertThat(turned.get(0).measured()).isCloseTo(16, within(MICRON_2));
        List<Finding> bent =
                cut(
                        new TestBoards(),
                        t -> {
                            clearing(t, 20, 10, 35, 10);
                            clearing(t, 35, 10, 35, 20);
                            t.line(0.3, 20, 10, 35, 10).line(0.3, 35, 10, 35, 20);
                        });
        assertThat(bent.get(0).measured()).isCloseTo(25, within(MICRON_2));
        List<Finding> brief =
                cut(
                        new TestBoards(),
                        t -> {
                            clearing(t, x(-4), y(-4), x(4), y(4));
                            t.line(0.3, x(-4), y(-4), x(4), y(4));
                        });
        assertThat(brief).isEmpty();
    }

    private static void clearing(TestBoards t, double x0, double y0, double x1, double y1) {
        double length = Math.hypot(x1 - x0, y1 - y0);
        for (double s = 0; s <= length; s += 0.1) {
            t.clear(x0 + (x1 - x0) * s / length, y0 + (y1 - y0) * s / length, 0.8);
        }
        t.clear(x1, y1, 0.8);
    }

    @Test
    void padsWithoutPasteOfEveryShape() {
        for (double turn : new double[] {0, 33, 90}) {
            Finding f =
                    of(
                                    "paste-missing",
                                    t ->
                                            t.box(20, 20, 1, 2, turn)
                                                    .round(40, 20, 1)
                                                    .on(Role.Kind.PASTE, Side.TOP)
                                                    .round(40, 20, 0.9))
                            .get(0);
            assertThat(f.at()).isEqualTo(Pt.mm(20, 20));
        }
    }
}
