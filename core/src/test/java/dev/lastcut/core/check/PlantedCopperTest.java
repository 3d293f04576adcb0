package dev.lastcut.core.check;

import static dev.lastcut.core.check.Planted.MICRON_2;
import static dev.lastcut.core.check.Planted.at;
import static dev.lastcut.core.check.Planted.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Defects of copper, each at a known place and measure, and the same just within the limit. */
class PlantedCopperTest {
    /** Two plates of 4 × 4 mm joined by a bridge about (20, 20), all turned about it. */
    private static double[] dumbbell(double bridge, double turnDeg) {
        double h = bridge / 2;
        double[] xy = {
            -5, -2, -1, -2, -1, -h, 1, -h, 1, -2, 5, -2, 5, 2, 1, 2, 1, h, -1, h, -1, 2, -5, 2
        };
        double a = Math.toRadians(turnDeg);
        double[] turned = new double[xy.length];
        for (int i = 0; i < xy.length; i += 2) {
            turned[i] = 20 + xy[i] * Math.cos(a) - xy[i + 1] * Math.sin(a);
            turned[i + 1] = 20 + xy[i] * Math.sin(a) + xy[i + 1] * Math.cos(a);
        }
        return turned;
    }

    /** A pour that passes between two round clearances, the way between them {@code neck} wide. */
    private static void between(TestBoards t, double neck) {
        t.area(10, 10, 30, 10, 30, 30, 10, 30)
                .clear(20, 20 - 1.5 - neck / 2, 3)
                .clear(20, 20 + 1.5 + neck / 2, 3);
    }

    @Test
    void necksInAreas() {
        Finding straight = of("copper-sliver", t -> t.area(dumbbell(0.1, 0))).get(0);
        assertThat(straight.measured()).isCloseTo(0.1, within(MICRON_2));
        assertThat(Math.abs(straight.at().y() - 20e6)).isLessThan(1_000);
        assertThat(straight.severity()).isEqualTo(Severity.LOOK);
        assertThat(of("copper-sliver", t -> t.area(dumbbell(0.1, 33)))).hasSize(1);
        assertThat(of("copper-sliver", t -> t.area(dumbbell(0.1, 33))).get(0).measured())
                .isCloseTo(0.1, within(MICRON_2));
        at("copper-sliver", 0.08, 20, 20, t -> between(t, 0.08));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 33, 45})
    void necksAsWideAsTheLimitAreFine(double turn) {
        assertThat(of("copper-sliver", t -> t.area(dumbbell(0.12, turn)))).isEmpty();
        assertThat(of("copper-sliver", t -> between(t, 0.12))).isEmpty();
    }

    @Test
    void sharpCornersAndCoveredNecksAreNone() {
        assertThat(of("copper-sliver", t -> t.area(10, 10, 20, 10, 10, 11))).isEmpty();
        assertThat(of("copper-sliver", t -> t.area(dumbbell(0.1, 0)).line(0.3, 17, 20, 23, 20)))
                .isEmpty();
    }

    /** Two discs of radius 1 whose common chord is c lie 2·√(1 − c²/4) apart. */
    @Test
    void shapesThatBarelyMeet() {
        double apart = 2 * Math.sqrt(1 - 0.1 * 0.1 / 4);
        Finding f =
                at(
                        "copper-sliver",
                        0.1,
                        20 + apart / 2,
                        20,
                        t -> t.round(20, 20, 2).round(20 + apart, 20, 2));
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        double enough = 2 * Math.sqrt(1 - 0.13 * 0.13 / 4);
        assertThat(of("copper-sliver", t -> t.round(20, 20, 2).round(20 + enough, 20, 2)))
                .isEmpty();
        // Two boxes that overlap at a corner by a square of 0.06 mm: its diagonal is the neck.
        at(
                "copper-sliver",
                0.06 * Math.sqrt(2),
                21 - 0.03,
                21 - 0.03,
                t -> t.box(20, 20, 2, 2, 0).box(21.94, 21.94, 2, 2, 0));
        // A track that reaches into its pad, and strokes that paint an area, are no slivers.
        assertThat(of("copper-sliver", t -> t.box(20, 20, 2, 1, 0).line(0.2, 20.9, 20, 25, 20)))
                .isEmpty();
        assertThat(
                        of(
                                "copper-sliver",
                                t -> {
                                    for (int i = 0; i < 20; i++) {
                                        t.line(0.1, 30, 10 + i * 0.09, 35, 10 + i * 0.09);
                                    }
                                }))
                .isEmpty();
    }

    @Test
    void copperNearUnplatedHoles() {
        at("copper-to-hole", 0.2, 21.1, 20, t -> t.box(22.2, 20, 2, 2, 0).hole(20, 20, 2, false));
        at("copper-to-hole", 0.2, 21.1, 20, t -> t.round(22.2, 20, 2).hole(20, 20, 2, false));
        double d = 2.2;
        double a = Math.toRadians(33);
        at(
                "copper-to-hole",
                0.2,
                20 + 1.1 * Math.cos(a),
                20 + 1.1 * Math.sin(a),
                t ->
                        t.box(20 + d * Math.cos(a), 20 + d * Math.sin(a), 2, 2, 33)
                                .hole(20, 20, 2, false));
        assertThat(
                        of(
                                "copper-to-hole",
                                t ->
                                        t.box(22.25, 20, 2, 2, 0)
                                                .round(20, 22.25, 2)
                                                .hole(20, 20, 2, false)))
                .isEmpty();
        // A hole in a pad of its own is meant to be there.
        assertThat(of("copper-to-hole", t -> t.round(20, 20, 3).hole(20, 20, 2, false))).isEmpty();
    }

    @Test
    void floatingCopper() {
        List<Finding> area = of("copper-island", t -> t.area(10, 10, 12, 10, 12, 12, 10, 12));
        assertThat(area).hasSize(1);
        assertThat(area.get(0).measured()).isCloseTo(4, within(0.001));
        assertThat(area.get(0).severity()).isEqualTo(Severity.LOOK);
        assertThat(
                        of(
                                "copper-island",
                                t ->
                                        t.area(10, 10, 12, 10, 12, 12, 10, 12)
                                                .hole(11, 11, 0.5, true)))
                .isEmpty();
        // Three letters near each other are one note.
        List<Finding> letters =
                of(
                        "copper-island",
                        t ->
                                t.line(0.2, 10, 10, 10, 11)
                                        .line(0.2, 11, 10, 11, 11)
                                        .arc(0.2, 12.5, 10.5, 0.5, 0, 300));
        assertThat(letters).hasSize(1);
        assertThat(letters.get(0).severity()).isEqualTo(Severity.NOTE);
        assertThat(letters.get(0).measured()).isEqualTo(3);
    }

    @Test
    void trackEnds() {
        Finding straight = of("stub", t -> t.round(10, 10, 1).line(0.3, 10, 10, 15, 10)).get(0);
        assertThat(straight.at()).isEqualTo(Pt.mm(15, 10));
        assertThat(straight.measured()).isCloseTo(5, within(MICRON_2));
        assertThat(of("stub", t -> t.round(10, 10, 1).line(0.3, 10, 10, 13, 14)).get(0).at())
                .isEqualTo(Pt.mm(13, 14));
        Finding arc = of("stub", t -> t.round(25, 20, 1).arc(0.3, 20, 20, 5, 0, 90)).get(0);
        assertThat(arc.at()).isEqualTo(Pt.mm(20, 25));
        assertThat(arc.measured()).isCloseTo(Math.PI * 2.5, within(MICRON_2));
        assertThat(
                        of(
                                "stub",
                                t ->
                                        t.round(10, 10, 1)
                                                .line(0.3, 10, 10, 15, 10)
                                                .line(0.3, 15, 10, 15, 15)
                                                .hole(15, 15, 0.3, true)))
                .isEmpty();
        // Drawn twice, it still ends in nothing.
        assertThat(
                        of(
                                "stub",
                                t ->
                                        t.round(10, 10, 1)
                                                .line(0.3, 10, 10, 15, 10)
                                                .line(0.3, 15, 10, 10, 10)))
                .isNotEmpty();
    }

    @Test
    void tracksWithinPours() {
        List<Finding> found =
                of(
                        "pour-covers-track",
                        t ->
                                t.area(10, 10, 20, 10, 20, 20, 10, 20)
                                        .line(0.3, 12, 12, 18, 18)
                                        .arc(0.3, 15, 15, 3, 0, 180)
                                        .line(0.3, 15, 15, 25, 15));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).severity()).isEqualTo(Severity.NOTE);
        assertThat(found.get(0).measured()).isEqualTo(1);
        assertThat(found.get(0).also().get(0).from()).isEqualTo(Pt.mm(12, 12));
    }

    @Test
    void cutsInPlanes() {
        List<Finding> found = of("plane-cut", t -> plane(t, true));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).measured()).isCloseTo(20, within(MICRON_2));
        assertThat(found.get(0).at()).isEqualTo(Pt.mm(30, 20));
        // Where nothing crosses over the cut, it harms nobody.
        assertThat(of("plane-cut", t -> plane(t, false))).isEmpty();
    }

    private static void plane(TestBoards t, boolean crossed) {
        t.on(Role.Kind.COPPER, Side.TOP).line(0.3, 5, crossed ? 10 : 5, 50, crossed ? 30 : 5);
        t.on(Role.Kind.COPPER, Side.BOTTOM);
        t.area(2, 2, 58, 2, 58, 38, 2, 38, 2, 20.5, 41, 20.5, 41, 19.5, 2, 19.5);
        t.line(0.3, 20, 20, 40, 20);
    }
}
