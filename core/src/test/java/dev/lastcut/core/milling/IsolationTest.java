package dev.lastcut.core.milling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * What a round tool sweeps along the planned lines, by the geometry library alone: the lines grown
 * by half the tool.
 */
class IsolationTest {
    private static final Mill MILL =
            TestMills.mill(
                    TestMills.V, TestMills.flat(0.3), TestMills.flat(0.8), TestMills.flat(2));

    /**
     * Each tool but the last may leave 10 µm in a shallow corner; the rest is shaves and chords.
     */
    private static final double SLIVER_NM = 26_000;

    /** Twelve pads and tracks, round and turned, wherever they fall; some meet and are one net. */
    private static BoardGeometry anyBoard(long seed) {
        Random r = new Random(seed);
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < 12; i++) {
            double x = 3 + r.nextDouble() * 14;
            double y = 3 + r.nextDouble() * 9;
            switch (i % 3) {
                case 0 -> b.round(x, y, 0.6 + r.nextDouble() * 2);
                case 1 ->
                        b.box(
                                x,
                                y,
                                0.4 + 2 * r.nextDouble(),
                                0.4 + r.nextDouble(),
                                90.0 * r.nextDouble());
                default ->
                        b.line(
                                0.25 + r.nextDouble() / 2,
                                x,
                                y,
                                3 + r.nextDouble() * 14,
                                3 + r.nextDouble() * 9);
            }
        }
        return new BoardGeometry(b.outline(1, 1, 19, 14).board());
    }

    private static Isolation plan(BoardGeometry g, MillSetup setup) {
        return MillingPlan.isolation(g, MILL, setup, Side.TOP).orElseThrow();
    }

    private static Geometry swept(Isolation plan) {
        return Geo.union(
                plan.works().stream()
                        .flatMap(
                                w -> w.lines().stream().map(l -> Geo.offset(l, w.width() / 2, 250)))
                        .toList());
    }

    /**
     * What stays in an area though the finest tool gets there, but for slivers. What it cannot get
     * at is the closing of the copper by its disc.
     */
    private static Geometry missed(Isolation plan, Geometry area) {
        double r = plan.finestWidth() / 2 + 2_000;
        Geometry closed = Geo.offset(Geo.offset(plan.copper().all(), r, 250), -r + 1_000, 250);
        Geometry left = Geo.difference(Geo.difference(area, closed), swept(plan));
        return Geo.offset(left, -SLIVER_NM / 2, 500);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void aFinerToolTakesAllThatACoarserLeftAndNoneTakesWantedCopper(long seed) {
        BoardGeometry g = anyBoard(seed);
        Isolation plan =
                plan(
                        g,
                        TestMills.nick(
                                0, TestMills.flat(2), TestMills.flat(0.8), TestMills.flat(0.3)));
        Geometry copper = plan.copper().all();
        assertThat(Geo.sharedArea(swept(plan), Geo.offset(copper, -2_000, 250)).getArea())
                .as("wanted copper that goes, deeper than 2 µm")
                .isZero();
        Geometry band = Geo.sharedArea(Geo.offset(copper, 290_000, 250), plan.copper().board());
        assertThat(missed(plan, band).getArea()).isZero();
        double alone = length(plan(g, TestMills.nick(0, TestMills.flat(0.3))), 0);
        assertThat(length(plan, 2)).as("the finest does not go over all again").isLessThan(alone);
    }

    @ParameterizedTest
    @ValueSource(longs = {7, 8, 9})
    void rubbingOutLeavesNothingThatAToolReaches(long seed) {
        MillSetup all =
                TestMills.setup(
                        MillSetup.Clearing.RUB_OUT,
                        "",
                        0,
                        List.of(),
                        List.of(),
                        TestMills.flat(0.8),
                        TestMills.flat(0.3));
        Isolation plan = plan(anyBoard(seed), all);
        Geometry copper = plan.copper().all();
        assertThat(missed(plan, plan.copper().board()).getArea()).isZero();
        assertThat(Geo.sharedArea(swept(plan), Geo.offset(copper, -2_000, 250)).getArea()).isZero();
    }

    private static double length(Isolation plan, int tool) {
        return plan.works().get(tool).lines().stream().mapToDouble(LineString::getLength).sum();
    }

    @ParameterizedTest
    @ValueSource(longs = {10, 11})
    void theCopperThatStaysIsOnTheRight(long seed) {
        Isolation plan =
                plan(anyBoard(seed), TestMills.nick(0, TestMills.flat(0.8), TestMills.flat(0.3)));
        int looked = 0;
        for (Isolation.Work w : plan.works()) {
            for (LineString line : w.lines()) {
                for (int i = 1; i < line.getNumPoints(); i++) {
                    Coordinate a = line.getCoordinateN(i - 1);
                    Coordinate b = line.getCoordinateN(i);
                    double far = plan.copper().all().distance(line.getPointN(i));
                    if (a.distance(b) > 200_000 && far < w.width() / 2 + 5_000) {
                        assertThat(toCopper(plan, a, b, 1)).isLessThan(toCopper(plan, a, b, -1));
                        looked++;
                    }
                }
            }
        }
        assertThat(looked).isGreaterThan(20);
    }

    /** From 5 µm beside the middle of a line to the copper; on its right for 1, left for -1. */
    private static double toCopper(Isolation plan, Coordinate a, Coordinate b, int side) {
        double aside = side * 5_000 / a.distance(b);
        return plan.copper()
                .all()
                .distance(
                        Geo.FACTORY.createPoint(
                                new Coordinate(
                                        (a.x + b.x) / 2 + (b.y - a.y) * aside,
                                        (a.y + b.y) / 2 - (b.x - a.x) * aside)));
    }

    @Test
    void chosenAreasAreRubbedOutAndOthersLeftAlone() {
        BoardGeometry g =
                new BoardGeometry(
                        new TestBoards()
                                .on(Role.Kind.COPPER, Side.TOP)
                                .round(5, 5, 2)
                                .round(15, 5, 2)
                                .outline(0, 0, 20, 10)
                                .board());
        Envelope clear = new Envelope(2_000_000, 8_000_000, 2_000_000, 8_000_000);
        Envelope keep = new Envelope(14_000_000, 18_000_000, 5_000_000, 9_000_000);
        Isolation plan =
                plan(
                        g,
                        TestMills.setup(
                                MillSetup.Clearing.CHANNEL,
                                "",
                                0,
                                List.of(clear),
                                List.of(keep),
                                TestMills.flat(0.8)));
        Geometry swept = swept(plan);
        assertThat(missed(plan, Geo.rectangle(clear)).getArea()).isZero();
        // The tool's centre stays out of what is left alone; half its width goes in.
        Geometry inside = Geo.offset(Geo.rectangle(keep), -401_000, 1_000);
        assertThat(Geo.sharedArea(swept, inside).getArea()).isZero();
        double elsewhere =
                Geo.difference(swept, Geo.offset(Geo.rectangle(clear), 1e6, 1e3)).getArea();
        double ring = Math.PI * (1.8 * 1.8 - 1) * 1e12;
        assertThat(elsewhere).isBetween(0.6 * ring, 0.85 * ring);
    }

    /** Two pads 0.15 mm apart and a tool of 0.2 mm: 25 µm off each pad sets them free. */
    @Test
    void aNickIsTakenOnlyWhereItIsAllowedAndNoDeeper() {
        BoardGeometry g =
                new BoardGeometry(
                        new TestBoards()
                                .on(Role.Kind.COPPER, Side.TOP)
                                .box(4, 5, 1, 2, 0)
                                .box(5.15, 5, 1, 2, 0)
                                .outline(0, 0, 10, 10)
                                .board());
        Cutter tool = TestMills.flat(0.2);
        Mill mill = TestMills.mill(tool);
        Isolation none =
                MillingPlan.isolation(g, mill, TestMills.nick(0, tool), Side.TOP).orElseThrow();
        assertThat(none.joined()).hasSize(1);
        assertThat(none.joined().get(0).gap().nm()).isCloseTo(150_000, within(1.0));
        assertThat(none.nicks()).isEmpty();
        for (long allowed : List.of(10_000L, 40_000L)) {
            MillSetup s = TestMills.nick(allowed, tool);
            Isolation plan = MillingPlan.isolation(g, mill, s, Side.TOP).orElseThrow();
            boolean enough = allowed > 25_000;
            assertThat(plan.joined()).hasSize(enough ? 0 : 1);
            Geometry deeper = Geo.offset(plan.copper().all(), -allowed - 2_000, 250);
            assertThat(Geo.sharedArea(swept(plan), deeper).getArea()).isZero();
            if (enough) {
                assertThat(plan.nicks()).hasSize(2);
                double lost = plan.nicks().stream().mapToDouble(n -> n.area().getArea()).sum();
                // 0.2 mm of tool in 0.15 mm of gap, 2 mm long.
                assertThat(lost / 1e12).isBetween(0.05 * 2 * 0.9, 0.08 * 2 * 1.1);
                Geometry cut = Geo.difference(plan.copper().all(), swept(plan));
                assertThat(cut.getNumGeometries()).isEqualTo(2);
            }
        }
    }

    /**
     * Where leftover copper is ground's, no tool goes round ground, nor into its inside corners.
     */
    @Test
    void whatIsTiedIsCutBesideOtherNetsOnly() {
        BoardGeometry g =
                new BoardGeometry(
                        new TestBoards()
                                .on(Role.Kind.COPPER, Side.TOP)
                                .area(2, 2, 7, 2, 7, 4, 4, 4, 4, 8, 2, 8)
                                .pin("GND", "R1", "1", 3, 3)
                                .area(12, 2, 17, 2, 17, 4, 14, 4, 14, 8, 12, 8)
                                .pin("A", "R1", "2", 13, 3)
                                .outline(0, 0, 20, 10)
                                .board());
        Cutter[] tools = {TestMills.flat(0.8), TestMills.flat(0.3)};
        MillSetup tie =
                TestMills.setup(MillSetup.Clearing.TIE, "GND", 0, List.of(), List.of(), tools);
        Isolation plan = plan(g, tie);
        Geometry other = Geo.rectangle(12_000_000, 2_000_000, 17_000_000, 8_000_000);
        for (Isolation.Work w : plan.works()) {
            assertThat(w.lines()).isNotEmpty();
            assertThat(w.lines()).allMatch(l -> l.distance(other) < 500_000);
        }
        int both = plan(g, TestMills.nick(0, tools)).works().get(1).lines().size();
        assertThat(plan.works().get(1).lines()).hasSize(both / 2);
    }
}
