package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Parts told to stand where their pads are not. */
class PlantedPlacementTest {
    private final TestBoards board = new TestBoards().outline(0, 0, 60, 40);
    private final List<String> lines = new ArrayList<>();

    /** A part of two pads, its origin beside their middle by so much along it. */
    private PlantedPlacementTest chip(String name, double x, double y, int deg, double origin) {
        double dx = deg == 0 ? 1 : 0;
        double dy = 1 - dx;
        board.pin("A", name, "1", x - dx, y - dy).pin("B", name, "2", x + dx, y + dy);
        return said(name, "C0805", x - origin * dx, y - origin * dy, deg, "top");
    }

    private PlantedPlacementTest said(
            String name, String footprint, double x, double y, int deg, String side) {
        lines.add(name + ",1u," + footprint + "," + x + "," + y + "," + deg + "," + side);
        return this;
    }

    private List<Finding> of(String rule) {
        return Planted.of(
                rule,
                CheckRunner.run(
                        new CheckContext(
                                new BoardGeometry(
                                        board.placed(lines.toArray(String[]::new)).board()),
                                TestBoards.house(Map.of()),
                                Headroom.NONE)));
    }

    @Test
    void aPartBesideTheBoard() {
        chip("C1", 10, 10, 0, 0).chip("C2", 20, 10, 0, 0).chip("C3", 30, 10, 0, 0);
        board.pin("A", "C4", "1", 40, 10).pin("B", "C4", "2", 42, 10);
        said("C4", "C0805", 72.5, 10, 0, "top");
        assertThat(of("placement-off-board"))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.parts()).containsExactly("C4");
                            assertThat(f.measured()).isEqualTo(12.5);
                            assertThat(f.severity()).isEqualTo(Severity.STOP);
                        });
    }

    @Test
    void aPlugOverTheEdgeIsOnlyNoted() {
        chip("C1", 10, 10, 0, 0).chip("C2", 20, 10, 0, 0);
        board.pin("A", "J1", "1", 58, 18).pin("B", "J1", "2", 58, 22);
        said("J1", "PLUG", 61, 20, 0, "top");
        assertThat(of("placement-off-board"))
                .singleElement()
                .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.NOTE));
    }

    @Test
    void aTableOfAnotherOriginIsToldOnce() {
        for (int i = 0; i < 6; i++) {
            board.pin("A", "C" + i, "1", 5 * i, 9).pin("B", "C" + i, "2", 5 * i, 11);
            said("C" + i, "C0805", 5 * i + 500, 300, 90, "top");
        }
        assertThat(of("placement-off-board")).hasSize(1);
        assertThat(of("placement-off-pads")).hasSize(1);
    }

    /** Where a library puts its origin is its own affair, as long as it is one place. */
    @Test
    void partsOfAFootprintAreAllPlacedAlike() {
        for (double origin : new double[] {0, 1, 3}) {
            PlantedPlacementTest t = new PlantedPlacementTest();
            t.chip("C1", 10, 10, 0, origin).chip("C2", 20, 10, 90, origin);
            t.chip("C3", 30, 10, 0, origin).chip("C4", 40, 10, 90, origin);
            assertThat(t.of("placement-off-pads")).isEmpty();
            t.board.pin("A", "C5", "1", 9, 30).pin("B", "C5", "2", 11, 30);
            t.said("C5", "C0805", 12.5 - origin, 30, 0, "top");
            assertThat(t.of("placement-off-pads"))
                    .singleElement()
                    .satisfies(
                            f -> {
                                assertThat(f.parts()).containsExactly("C5");
                                assertThat(f.to()).isEqualTo(Pt.mm(10 - origin, 30));
                                assertThat(f.measured()).isEqualTo(2.5);
                            });
        }
    }

    @Test
    void aPartSaidToStandOnTheOtherSide() {
        chip("C1", 10, 10, 0, 0);
        board.lead("A", "J1", "1", 30, 10).lead("B", "J1", "2", 32, 10);
        said("J1", "HDR2", 31, 10, 0, "bottom");
        board.pin("A", "C2", "1", 19, 10).pin("B", "C2", "2", 21, 10);
        said("C2", "C0805", 20, 10, 0, "bottom");
        assertThat(of("side-conflict"))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.parts()).containsExactly("C2");
                            assertThat(f.message()).contains("on the bottom", "on the top");
                        });
    }

    /** A netlist that has every pin on the top is not believed against the copper. */
    @Test
    void theCopperIsBelievedBeforeTheNetlist() {
        board.on(Role.Kind.COPPER, Side.BOTTOM).box(19, 10, 1, 1, 0).box(21, 10, 1, 1, 0);
        board.pin("A", "C2", "1", 19, 10).pin("B", "C2", "2", 21, 10);
        said("C2", "C0805", 20, 10, 0, "bottom");
        assertThat(of("side-conflict")).isEmpty();
    }

    private void header(String name, double x, double y, int pins) {
        for (int i = 0; i < pins; i++) {
            board.lead("N" + i, name, String.valueOf(i + 1), x + 2.54 * i, y);
        }
    }

    /** Rows 15.24 mm apart fit, 15.7 mm do not; nor does one shifted along. */
    @Test
    void headerRowsOnAndOffTheGrid() {
        header("J1", 5, 5, 6);
        header("J2", 7.54, 20.24, 4);
        assertThat(of("breadboard-pitch")).isEmpty();
        header("J3", 5, 35.7, 6);
        header("J4", 6, 30.4, 4);
        assertThat(of("breadboard-pitch"))
                .hasSize(2)
                .allMatch(f -> f.severity() == Severity.NOTE)
                .anySatisfy(f -> assertThat(f.measured()).isEqualTo(30.7))
                .anySatisfy(f -> assertThat(f.measured()).isEqualTo(1));
    }

    private static List<Finding> onNets(
            String name, String footprint, String first, String second) {
        PlantedPlacementTest t = new PlantedPlacementTest();
        t.board.pin(first, name, "1", 9, 9).pin(second, name, "2", 11, 9);
        t.said(name, footprint, 10, 9, 0, "top");
        return t.of("rotation-suspect");
    }

    /** What stands in reverse by its nets, however it is placed; what may stand so does not. */
    @Test
    void polarisedPartsAgainstTheirNets() {
        assertThat(onNets("C1", "CP_D6.3", "GND", "VCC"))
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("its plus, on GND"));
        assertThat(onNets("D1", "SMA", "GND", "+5V"))
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("short the supply"));
        assertThat(onNets("C1", "CP_D6.3", "VCC", "GND")).isEmpty();
        assertThat(onNets("C1", "CP_D6.3", "GND", "-12V")).isEmpty();
        assertThat(onNets("C1", "C0805", "GND", "VCC")).isEmpty();
        assertThat(onNets("D1", "SMA", "GND", "SENSE")).isEmpty();
        assertThat(onNets("D1", "SMA", "VCC", "GND")).isEmpty();
    }
}
