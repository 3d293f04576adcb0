package dev.lastcut.core.check;

import static dev.lastcut.core.check.Planted.board;
import static dev.lastcut.core.check.Planted.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

/** Nets joined, in pieces, and carrying more than they can. */
class PlantedNetsTest {
    /** Two nets of two pads each, A along y = 10 and B along y = 20. */
    private static TestBoards nets(TestBoards t) {
        t.round(10, 10, 1).round(30, 10, 1).line(0.3, 10, 10, 30, 10);
        t.round(10, 20, 1).round(30, 20, 1).line(0.3, 10, 20, 30, 20);
        t.pin("A", "R1", "1", 10, 10).pin("A", "R2", "1", 30, 10);
        return t.pin("B", "R1", "2", 10, 20).pin("B", "R2", "2", 30, 20);
    }

    private static Finding meets(double x, double y, double within, Consumer<TestBoards> draw) {
        List<Finding> found = of("short", t -> draw.accept(nets(t)));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).nets()).containsExactly("A", "B");
        assertThat(found.get(0).at().distance(Pt.mm(x, y)) / 1e6).isLessThan(within);
        return found.get(0);
    }

    @Test
    void netsThatMeet() {
        assertThat(of("short", PlantedNetsTest::nets)).isEmpty();
        // A track of B's that ends beside A's by mistake: it overlaps the edge of A's track.
        meets(20, 10.15, 0.3, t -> t.line(0.2, 20, 20, 20, 10.2));
        // A turned pad of B's that reaches over A's pad.
        meets(30, 10.6, 0.7, t -> t.box(30, 11.2, 1, 2, 33).line(0.3, 30, 11.2, 30, 20));
        // An area of B's.
        meets(15, 10.1, 5, t -> t.area(12, 10.1, 18, 10.1, 18, 20, 12, 20));
        // A via of B's that comes out in a track of A's that passes on the other side.
        Finding via =
                meets(
                        25,
                        20,
                        0.4,
                        t -> {
                            t.round(25, 20, 0.6).hole(25, 20, 0.3, true).hole(10, 10, 0.5, true);
                            t.on(Role.Kind.COPPER, Side.BOTTOM).round(10, 10, 1);
                            t.line(0.3, 10, 10, 40, 30);
                        });
        assertThat(via.severity()).isEqualTo(Severity.STOP);
    }

    @Test
    void netsInPiecesNameTheirMissingLinks() {
        List<Finding> found =
                of(
                        "open",
                        t ->
                                nets(t).round(50, 10, 1)
                                        .pin("A", "R3", "1", 50, 10)
                                        .box(50, 30, 1, 1, 33)
                                        .pin("A", "R4", "1", 50, 30));
        assertThat(found).hasSize(1);
        Finding f = found.get(0);
        assertThat(f.measured()).isEqualTo(2);
        // Straight lines between the nearest named points: 30 to 50, and 10 up to 30.
        assertThat(f.also()).hasSize(2);
        assertThat(f.also().stream().mapToDouble(m -> m.nm()).sum()).isCloseTo(40e6, within(1.0));
    }

    private static List<Finding> carrying(double amps, Consumer<TestBoards> draw) {
        var against =
                new CheckTarget(
                        Planted.SHEET,
                        Headroom.NONE,
                        Order.USUAL,
                        List.of(new NetCurrent("P", amps, 10, Optional.empty(), Optional.empty())));
        var geometry = new BoardGeometry(board(draw));
        return of("current", CheckRunner.run(new CheckContext(geometry, against)));
    }

    private static TestBoards power(TestBoards t, double x, double y) {
        t.round(10, 10, 2).round(x, y, 2).pin("P", "J1", "1", 10, 10);
        return t.pin("P", "J2", "1", x, y);
    }

    /**
     * 1 A, 10 °C, 35 µm outside: 0.300 mm (IPC-2221 §6.2, from memory; see facts of CurrentTest).
     */
    @Test
    void sectionsTooSmallForTheirCurrent() {
        Finding straight = carrying(1, t -> power(t, 30, 10).line(0.25, 10, 10, 30, 10)).get(0);
        assertThat(straight.measured()).isCloseTo(0.25, within(0.002));
        assertThat(straight.limit()).isCloseTo(0.30, within(0.002));
        assertThat(Math.abs(straight.at().y() - 10e6)).isLessThan(2_000);
        Finding turned = carrying(1, t -> power(t, 26, 22).line(0.2, 10, 10, 26, 22)).get(0);
        assertThat(turned.measured()).isCloseTo(0.2, within(0.002));
        Finding arc = carrying(1, t -> power(t, 20, 20).arc(0.25, 10, 20, 10, 270, 360)).get(0);
        assertThat(arc.measured()).isCloseTo(0.25, within(0.002));
        assertThat(stops(carrying(1, t -> power(t, 30, 10).line(0.302, 10, 10, 30, 10)))).isEmpty();
        // Two ways in parallel count together.
        assertThat(
                        stops(
                                carrying(
                                        1,
                                        t ->
                                                power(t, 30, 10)
                                                        .line(0.2, 10, 10.5, 30, 10.5)
                                                        .line(0.2, 10, 9.5, 30, 9.5))))
                .isEmpty();
        // A net that is in pieces carries nothing, and says so.
        assertThat(carrying(1, t -> power(t, 30, 10))).extracting(Finding::unit).contains("ways");
    }

    private static List<Finding> stops(List<Finding> all) {
        return all.stream().filter(f -> f.severity() != Severity.NOTE).toList();
    }

    /**
     * By the same formula the current goes with the section to the power of 0.725, so that twice
     * the current needs 2^(1/0.725) = 2.602 times the width: 0.781 mm of 0.300 mm.
     */
    @Test
    void aSectionWithoutReserveAndACurrentThroughTracksAloneAreNoted() {
        assertThat(carrying(1, t -> power(t, 30, 10).line(0.775, 10, 10, 30, 10)))
                .extracting(Finding::unit)
                .containsExactlyInAnyOrder("ratio", "filled areas");
        assertThat(carrying(1, t -> power(t, 30, 10).line(0.79, 10, 10, 30, 10)))
                .extracting(Finding::unit)
                .containsExactly("filled areas");
        assertThat(carrying(0.4, t -> power(t, 30, 10).line(0.79, 10, 10, 30, 10))).isEmpty();
    }
}
