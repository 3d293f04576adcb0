package dev.lastcut.core.adapter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Adapters go the way of any pack: they are read, and held against what a fine house can do. */
class AdapterPackTest {
    /** Numbers as usual houses for fine boards state them (common practice, no source). */
    private static final CapabilitySheet FINE =
            TestBoards.house(
                    Map.ofEntries(
                            Map.entry(LimitKey.TRACK_WIDTH, 0.09),
                            Map.entry(LimitKey.CLEARANCE, 0.09),
                            Map.entry(LimitKey.ANNULAR_RING, 0.13),
                            Map.entry(LimitKey.HOLE_MIN, 0.2),
                            Map.entry(LimitKey.COPPER_TO_EDGE, 0.3),
                            Map.entry(LimitKey.COPPER_TO_HOLE, 0.2),
                            Map.entry(LimitKey.SILK_TO_MASK, 0.075),
                            Map.entry(LimitKey.SILK_WIDTH, 0.1),
                            Map.entry(LimitKey.SILK_HEIGHT, 0.7),
                            Map.entry(LimitKey.MASK_DAM, 0.075),
                            Map.entry(LimitKey.MASK_EXPANSION, 0.025)));

    private static BoardGeometry opened(AdapterForm form) throws Exception {
        List<Pack.PackFile> files = new ArrayList<>();
        AdapterPack.of(form).forEach((name, bytes) -> files.add(new Pack.PackFile(name, bytes)));
        return new BoardGeometry(Intake.open(new Pack("adapter", files)));
    }

    /** Rows, pins, pitch, body width and lead span of JEDEC outlines, nominal (from memory). */
    @ParameterizedTest
    @CsvSource({
        "2, 8, 1.27, 3.9, 6.0, 0",
        "2, 28, 1.27, 7.5, 10.3, 0",
        "2, 20, 0.65, 4.4, 6.4, 0",
        "2, 16, 0.65, 5.3, 7.8, 0",
        "2, 8, 0.65, 3.0, 4.9, 1.7",
        "2, 10, 0.5, 3.0, 4.9, 0",
        "2, 48, 0.4, 4.4, 6.4, 0",
        "2, 6, 0.95, 1.6, 2.8, 0",
        "4, 32, 0.8, 7.0, 9.0, 0",
        "4, 48, 0.5, 7.0, 9.0, 0",
        "4, 64, 0.5, 10.0, 12.0, 0",
        "4, 100, 0.4, 12.0, 14.0, 0",
        "4, 44, 0.8, 10.0, 12.0, 4.0"
    })
    void everyPackageIsBroughtToItsHeadersWithoutAFinding(
            int rows, int pins, double pitch, double body, double span, double exposed)
            throws Exception {
        AdapterForm form = new AdapterForm(pins, rows, pitch, body, span, exposed, "TEST");
        BoardGeometry geometry = opened(form);
        assertThat(CheckRunner.run(new CheckContext(geometry, FINE, Headroom.NONE)).findings())
                .filteredOn(f -> f.severity() != Severity.NOTE)
                .extracting(Finding::message)
                .isEmpty();
        // Every pin of the part is on a net with one header pin, and all of these are on the grid.
        Board board = geometry.board();
        Netlist nets = board.netlist().orElseThrow();
        int all = pins + (exposed > 0 ? 1 : 0);
        assertThat(nets.netCount()).isEqualTo(all);
        List<Netlist.Point> heads =
                nets.points().stream().filter(p -> p.component().startsWith("J")).toList();
        assertThat(heads).hasSize(all);
        long x0 = heads.get(0).at().x();
        long y0 = heads.get(0).at().y();
        assertThat(heads)
                .allMatch(p -> Math.floorMod(p.at().x() - x0, 1_270_000L) == 0)
                .allMatch(p -> Math.floorMod(p.at().y() - y0, 1_270_000L) == 0);
    }

    /** Counted counter-clockwise from the upper left, as all such packages are. */
    @Test
    void pinsAreCountedAsThePackagesAre() throws Exception {
        Netlist nets =
                opened(new AdapterForm(32, 4, 0.8, 7, 9, 0, "")).board().netlist().orElseThrow();
        Netlist.Point one = pin(nets, "1");
        Netlist.Point nine = pin(nets, "9");
        Netlist.Point seventeen = pin(nets, "17");
        Netlist.Point last = pin(nets, "32");
        assertThat(one.at().x()).isNegative();
        assertThat(one.at().y()).isPositive().isGreaterThan(pin(nets, "8").at().y());
        assertThat(nine.at().y()).isNegative();
        assertThat(nine.at().x()).isLessThan(pin(nets, "16").at().x());
        assertThat(seventeen.at().x()).isPositive();
        assertThat(seventeen.at().y()).isLessThan(pin(nets, "24").at().y());
        assertThat(last.at().y()).isPositive();
        assertThat(last.at().x()).isLessThan(pin(nets, "25").at().x());
    }

    private static Netlist.Point pin(Netlist nets, String pin) {
        return nets.points().stream()
                .filter(p -> p.component().equals("U1") && p.pin().equals(pin))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatNoPartCanBeIsRefusedInASentence() {
        refused(() -> new AdapterForm(7, 2, 1.27, 4, 6, 0, ""), "7 pins do not make 2 equal rows");
        refused(() -> new AdapterForm(8, 3, 1.27, 4, 6, 0, ""), "2 or 4 rows, not 3");
        refused(() -> new AdapterForm(8, 2, 0.1, 4, 6, 0, ""), "pitch is 0.3 to 2.54 mm");
        refused(() -> new AdapterForm(8, 2, 1.27, 6, 4, 0, ""), "lead span of 4.00 mm");
        refused(() -> new AdapterForm(8, 2, 1.27, 4, 6, 5, ""), "exposed pad of 5.00 mm");
        refused(() -> new AdapterForm(64, 4, 0.8, 7, 9, 0, ""), "longer than the lead span");
    }

    private static void refused(Runnable form, String says) {
        assertThatThrownBy(form::run)
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(says);
    }
}
