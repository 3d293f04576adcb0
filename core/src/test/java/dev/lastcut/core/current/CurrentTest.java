package dev.lastcut.core.current;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;

/** Held against IPC-2221 and hand calculation. */
class CurrentTest {
    private static final double OZ = TrackCurrent.NM_PER_OZ;
    private static final NetPath.Stack STACK = NetPath.Stack.ofOunces(1, 1, 1_600_000);

    /** Resistance of one square of 35 µm copper at 20 °C, Ω (IEC 60028). */
    private static final double SQUARE = 1.724e-8 / 35e-6;

    /** IPC-2221 §6.2 (from memory); the first is common practice, no source. */
    @ParameterizedTest
    @CsvSource({"0.3, false, 0.15, 0.02", "1, true, 0.30, 0.005", "3, true, 1.37, 0.01"})
    void widthsOfTheHandbook(double amps, boolean outer, double mm, double within) {
        assertThat(TrackCurrent.width(amps, 10, outer, OZ) / 1e6).isCloseTo(mm, within(within));
        double area = TrackCurrent.area(amps, 10, outer);
        assertThat(TrackCurrent.amps(area, 10, outer)).isCloseTo(amps, within(1e-9));
    }

    private static NetPath.Result solve(Consumer<TestBoards> draw, Pt from, Pt to) {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        draw.accept(t);
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 100, 60).board());
        int net = g.nets().at(0, from).get(0).net();
        return NetPath.solve(
                        g,
                        net,
                        new Terminal("copper-top", from),
                        new Terminal("copper-top", to),
                        STACK)
                .orElseThrow();
    }

    /**
     * A bar of 43 × 0.25 mm in 35 µm: 0.0847 Ω (computed from ρL/A). The ends are wide plates, so
     * that the current enters over the whole width.
     */
    @ParameterizedTest
    @ValueSource(doubles = {0, 33})
    void resistanceOfABar(double turnDeg) {
        double a = Math.toRadians(turnDeg);
        double x = 10 + 43 * Math.cos(a);
        double y = 10 + 43 * Math.sin(a);
        double half = 0.5;
        NetPath.Result r =
                solve(
                        t ->
                                t.box(
                                                10 - half * Math.cos(a),
                                                10 - half * Math.sin(a),
                                                1,
                                                1,
                                                turnDeg)
                                        .box(
                                                x + half * Math.cos(a),
                                                y + half * Math.sin(a),
                                                1,
                                                1,
                                                turnDeg)
                                        .line(0.25, 10, 10, x, y),
                        Pt.mm(10 - half * Math.cos(a), 10 - half * Math.sin(a)),
                        Pt.mm(x + half * Math.cos(a), y + half * Math.sin(a)));
        assertThat(r.ohm()).isCloseTo(0.0847, within(0.0847 * 0.003));
        assertThat(r.across().nm() / 1e6).isCloseTo(0.25, within(0.002));
        assertThat(r.sectionNm2()).isCloseTo(250_000 * OZ, within(250_000 * OZ * 0.005));
    }

    private static Geometry box(double x0, double y0, double x1, double y1) {
        return Geo.rectangle(
                Math.round(x0 * 1e6),
                Math.round(y0 * 1e6),
                Math.round(x1 * 1e6),
                Math.round(y1 * 1e6));
    }

    private static double squares(Geometry copper, Geometry from, Geometry to, double step) {
        var sheet = new CopperMesh.Sheet(copper, OZ, List.of(from, to));
        return CopperMesh.solve(
                                List.of(sheet),
                                List.of(),
                                new CopperMesh.Contact(0, 0),
                                new CopperMesh.Contact(0, 1),
                                step)
                        .orElseThrow()
                        .ohm()
                / SQUARE;
    }

    /**
     * The corner of an L counts 0.559 squares (conformal mapping, a handbook value, from memory).
     */
    @Test
    void resistanceOfAnL() {
        Geometry l = Geo.union(box(0, 0, 6, 1), box(0, 0, 1, 6));
        double squares = squares(l, box(5.9, 0, 6, 1), box(0, 5.9, 1, 6), 80_000);
        assertThat(squares).isCloseTo(4.9 + 4.9 + 0.559, within(0.05));
    }

    /** From a to b as from b to a; and copper put beside it never makes it more. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void resistanceIsTheSameBothWaysAndMoreCopperNeverRaisesIt(long seed) {
        Random r = new Random(seed);
        Geometry from = box(0, 0, 0.5, 2);
        Geometry to = box(9.5, 0, 10, 2);
        Geometry copper = Geo.union(box(0, 0, 10, 1), Geo.union(from, to));
        double before = Double.POSITIVE_INFINITY;
        for (int more = 0; more < 4; more++) {
            double there = squares(copper, from, to, 100_000);
            assertThat(squares(copper, to, from, 100_000)).isCloseTo(there, within(there * 1e-6));
            // The mesh is made anew for the larger shape, and is true to some tenths of a percent.
            assertThat(there).isLessThanOrEqualTo(before * 1.005);
            before = there;
            double x = r.nextInt(60) / 10.0;
            double y = r.nextInt(10) / 10.0;
            copper = Geo.union(copper, box(x, y, x + 3, y + 1));
        }
        assertThat(before).isLessThan(10);
    }

    /** Half a ring between its radial edges: π / ln(outer/inner) squares; two in parallel half. */
    @Test
    void resistanceOfARing() {
        Geometry outer = Geo.point(Pt.mm(10, 10)).buffer(4e6, 64);
        Geometry inner = Geo.point(Pt.mm(10, 10)).buffer(3e6, 64);
        Geometry ring = Geo.difference(outer, inner);
        double hand = Math.PI / Math.log(4.0 / 3.0) / 2;
        // The contacts are thin radial strips that cut the ring in two halves.
        double found =
                squares(ring, box(12.9, 9.995, 14.1, 10.005), box(5.9, 9.995, 7.1, 10.005), 60_000);
        assertThat(found).isCloseTo(hand, within(hand * 0.01));
    }

    /** Two equal tracks beside each other carry half each; a pour of one square carries it all. */
    @Test
    void parallelWaysAndPours() {
        double one =
                solve(
                                t ->
                                        t.box(10, 10, 2, 4, 0)
                                                .box(40, 10, 2, 4, 0)
                                                .line(0.5, 10, 11, 40, 11),
                                Pt.mm(10, 10),
                                Pt.mm(40, 10))
                        .ohm();
        NetPath.Result two =
                solve(
                        t ->
                                t.box(10, 10, 2, 4, 0)
                                        .box(40, 10, 2, 4, 0)
                                        .line(0.5, 10, 11, 40, 11)
                                        .line(0.5, 10, 9, 40, 9),
                        Pt.mm(10, 10),
                        Pt.mm(40, 10));
        assertThat(two.ohm()).isCloseTo(one / 2, within(one * 0.002));
        assertThat(two.sectionNm2()).isCloseTo(1_000_000 * OZ, within(1_000_000 * OZ * 0.01));
        NetPath.Result pour =
                solve(
                        t ->
                                t.area(10, 10, 30, 10, 30, 30, 10, 30)
                                        .box(9.5, 20, 1, 20, 0)
                                        .box(30.5, 20, 1, 20, 0),
                        Pt.mm(9.5, 20),
                        Pt.mm(30.5, 20));
        assertThat(pour.ohm()).isCloseTo(SQUARE, within(SQUARE * 0.005));
    }

    /** Two tracks on both sides joined by a via: its barrel is ρ·depth / (π·d·25 µm). */
    @Test
    void throughAVia() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.box(10, 10, 1, 1, 0).round(30, 10, 0.8).line(0.5, 10.5, 10, 30, 10);
        t.on(Role.Kind.COPPER, Side.BOTTOM).round(30, 10, 0.8).box(50, 10, 1, 1, 0);
        t.line(0.5, 30, 10, 49.5, 10).hole(30, 10, 0.4, true);
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 100, 60).board());
        int net = g.nets().at(0, Pt.mm(10, 10)).get(0).net();
        NetPath.Result r =
                NetPath.solve(
                                g,
                                net,
                                new Terminal("copper-top", Pt.mm(10, 10)),
                                new Terminal("copper-bottom", Pt.mm(50, 10)),
                                STACK)
                        .orElseThrow();
        double barrel = 1.724e-8 * 1.6e-3 / (Math.PI * 0.4e-3 * 25e-6);
        // 19.5 mm of track each, less what the pad and the wall of the hole shorten: within 2 %.
        double tracks = 2 * SQUARE * 19.1 / 0.5;
        assertThat(r.ohm()).isCloseTo(tracks + barrel, within(0.02 * tracks));
        Optional<Terminal[]> ends = NetPath.farthest(g, net);
        assertThat(ends.orElseThrow())
                .extracting(Terminal::at)
                .containsExactlyInAnyOrder(Pt.mm(10, 10), Pt.mm(50, 10));
    }

    @Test
    void impossibleCurrentsAreRefused() {
        assertThatThrownBy(() -> new NetCurrent("A", 0, 10, Optional.empty(), Optional.empty()))
                .hasMessageContaining("current");
        assertThatThrownBy(() -> new NetCurrent("A", 1, 0, Optional.empty(), Optional.empty()))
                .hasMessageContaining("rise");
    }
}
