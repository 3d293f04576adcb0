package dev.lastcut.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly.ZeroOrientation;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Pin 1 at 0° after IEC 61188-7 (from memory): lower left on level A, upper left on level B. */
class ZeroTurnTest {
    private static final int[][] CORNERS = {{1, 1}, {-1, 1}, {-1, -1}, {1, -1}};

    /** A package of four pins whose first lies in a corner when it is told to be at 0°. */
    private static UnrotatedPins at(int corner, double rotationDeg, String footprint) {
        PlacedPart placed =
                new PlacedPart("U1", "v", footprint, Pt.mm(20, 20), rotationDeg, Side.TOP, 1);
        Part part = new Part("U1", "v", footprint, "", "", "", true, true, Optional.of(placed));
        List<Netlist.Point> points = new ArrayList<>();
        double a = Math.toRadians(rotationDeg);
        for (int i = 0; i < 4; i++) {
            int[] c = CORNERS[(corner + i) % 4];
            double x = 2 * c[0];
            double y = 3 * c[1];
            points.add(
                    new Netlist.Point(
                            "N",
                            "U1",
                            String.valueOf(i + 1),
                            Pt.mm(
                                    20 + x * Math.cos(a) - y * Math.sin(a),
                                    20 + x * Math.sin(a) + y * Math.cos(a)),
                            Optional.of(Side.TOP),
                            false));
        }
        return UnrotatedPins.of(part, rotationDeg, points).orElseThrow();
    }

    @Test
    void whatIsAddedBringsTheFirstPinWhereTheLevelHasItAtZero() {
        for (ZeroOrientation level : ZeroOrientation.values()) {
            for (int corner = 0; corner < 4; corner++) {
                for (double lies : new double[] {0, 90, 45, 270}) {
                    UnrotatedPins t = at(corner, lies, "SOIC8");
                    double turn = ZeroTurn.to(level, t).orElseThrow();
                    // Told by the shop's zero, the same pins turned back have pin 1 in its corner.
                    UnrotatedPins told =
                            at(Math.floorMod(corner - (int) (turn / 90), 4), 0, "SOIC8");
                    assertThat(ZeroTurn.pinOne(told).orElseThrow())
                            .isEqualTo(level == ZeroOrientation.A ? "lower left" : "upper left");
                }
            }
        }
    }

    @Test
    void plugsHaveNoZeroOfTheStandard() {
        assertThat(ZeroTurn.to(ZeroOrientation.A, at(1, 0, "JACK"))).isEmpty();
        assertThat(ZeroTurn.pinOne(at(1, 0, "JACK"))).contains("upper left");
    }

    @Test
    void turnsOfAPackageGoByFootprintBeforePackage() {
        Part soic = at(0, 10, "SO-8_wide").part();
        Turns t = Turns.NONE.ofPackage("SOIC8", 90);
        assertThat(t.rotationDeg(soic)).isEqualTo(100);
        assertThat(t.ofPackage("SO-8_wide", 180).rotationDeg(soic)).isEqualTo(190);
        assertThat(t.ofPackage("SOIC8", 0)).isEqualTo(Turns.NONE);
        assertThat(t.ofPart("U1", -100).rotationDeg(soic)).isEqualTo(0);
    }
}
