package dev.lastcut.core.intake.tables;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** How angles count, found again from pins and from the shape of pads. */
class AngleHabitTest {
    private static final double[][] SOT = {{-0.95, -1.1}, {0.95, -1.1}, {0, 1.1}};

    static Stream<AngleHabit> habits() {
        List<AngleHabit> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            all.add(new AngleHabit((i & 1) > 0, (i & 2) > 0, (i & 4) > 0));
        }
        return all.stream();
    }

    /** Parts as they truly lie: counter-clockwise from the top, bottom ones mirrored first. */
    private static List<PlacedPart> parts(boolean top) {
        Random r = new Random(5);
        List<PlacedPart> all = new ArrayList<>();
        for (int i = 0; i < 24; i++) {
            Side side = top && i % 3 > 0 ? Side.TOP : Side.BOTTOM;
            Pt at = Pt.mm(6 * (i % 6), 6 * (i / 6));
            all.add(new PlacedPart("Q" + i, "", "SOT", at, 90 * r.nextInt(4), side, i));
        }
        return all;
    }

    private static Pt pin(PlacedPart p, double[] v) {
        double x = p.side() == Side.TOP ? v[0] : -v[0];
        double a = Math.toRadians(p.rotationDeg());
        return p.at().plus(
                        Pt.mm(
                                x * Math.cos(a) - v[1] * Math.sin(a),
                                x * Math.sin(a) + v[1] * Math.cos(a)));
    }

    /** As a table of this habit writes an angle: what {@link AngleHabit#angle} undoes. */
    private static PlacedPart written(PlacedPart p, AngleHabit h) {
        for (double a = 0; a < 360; a += 90) {
            if (Math.abs((h.angle(a, p.side()) - p.rotationDeg() + 720) % 360) < 1e-6) {
                return p.turned(a);
            }
        }
        throw new AssertionError("no angle");
    }

    private static Look named(List<PlacedPart> truly) {
        List<NamedPads.Pad> pads = new ArrayList<>();
        for (PlacedPart p : truly) {
            for (int k = 0; k < SOT.length; k++) {
                pads.add(new NamedPads.Pad(p.designator(), "" + (k + 1), pin(p, SOT[k])));
            }
        }
        return new NamedPads(pads);
    }

    private static Look bare(List<PlacedPart> truly) {
        List<OpenPads.Opening> pads = new ArrayList<>();
        for (PlacedPart p : truly) {
            for (double[] v : SOT) {
                pads.add(new OpenPads.Opening(pin(p, v), 600_000, 600_000));
            }
        }
        return new OpenPads(pads, new org.locationtech.jts.geom.Envelope(), 10_000);
    }

    @ParameterizedTest
    @MethodSource("habits")
    void everyHabitIsUndone(AngleHabit habit) {
        List<PlacedPart> truly = parts(true);
        List<PlacedPart> table = truly.stream().map(p -> written(p, habit)).toList();
        for (Look look : List.of(named(truly), bare(truly))) {
            AngleHabit found = AngleHabit.of(table, look, false).orElseThrow();
            assertThat(found.apply(table))
                    .extracting(p -> p.rotationDeg() % 360)
                    .containsExactlyElementsOf(
                            truly.stream().map(p -> p.rotationDeg() % 360).toList());
        }
    }

    /** Parts of the bottom alone tell the sense, but not from which end angles count. */
    @Test
    void partsOfOneSideAloneTellTheSense() {
        List<PlacedPart> truly = parts(false);
        AngleHabit below = new AngleHabit(false, true, false);
        List<PlacedPart> table = truly.stream().map(p -> written(p, below)).toList();
        assertThat(AngleHabit.of(table, named(truly), false)).contains(below);
    }

    @Test
    void whereNothingTellsTheTableIsBelieved() {
        List<PlacedPart> truly = parts(true);
        Look nothing = (a, x, b, y) -> Double.NaN;
        assertThat(AngleHabit.of(truly, nothing, false)).isEmpty();
        Look same = (a, x, b, y) -> 0.9;
        assertThat(AngleHabit.of(truly, same, true)).isEmpty();
    }
}
