package dev.lastcut.core.milling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class MillingPlanTest {
    private static final Cutter V = TestMills.V;
    private static final Cutter FLAT = TestMills.flat(1);
    private static final Cutter DRILL = TestMills.drill(0.8);

    private static Board board(Side side) {
        return new TestBoards()
                .on(Role.Kind.COPPER, side)
                .round(10, 10, 2)
                .round(20, 10, 2)
                .hole(10, 10, 0.82, true)
                .hole(20, 10, 0.8, true)
                .hole(30, 20, 3.2, false)
                .outline(5, 5, 45, 30)
                .board();
    }

    private static MillingPlan plan(Side side, Cutter... rack) {
        return MillingPlan.of(
                new BoardGeometry(board(side)), TestMills.mill(rack), MillSetup.USUAL);
    }

    @Test
    void operationsComeInTheOrderOfUse() {
        MillingPlan plan = plan(Side.TOP, V, FLAT, DRILL);
        assertThat(plan.operations())
                .extracting(Operation::file)
                .containsExactly(
                        "1-isolation-top.nc", "2-drill-0.80.nc", "3-bore-1.00.nc", "4-contour.nc");
        assertThat(plan.problems()).isEmpty();
        assertThat(plan.operations()).allMatch(o -> o.minutes() > 0);
    }

    @Test
    void whatTheRackCannotDoIsSaidAndLeftOut() {
        assertThat(plan(Side.TOP, V, DRILL).problems())
                .hasSize(2)
                .anyMatch(p -> p.contains("3.200 mm"));
        assertThat(plan(Side.TOP, DRILL).problems()).anyMatch(p -> p.contains("isolate"));
        MillingPlan noDrill = plan(Side.TOP, V, FLAT);
        assertThat(noDrill.problems()).as("0.8 mm fits no 1 mm cutter").hasSize(2);
    }

    /** Seen from below x runs the other way; either way the program begins at the lower left. */
    @ParameterizedTest
    @EnumSource(Side.class)
    void programCoordinatesTurnBackIntoThePacks(Side side) {
        for (Operation o : plan(side, V, FLAT, DRILL).operations()) {
            ProgramToBoardTransform to = o.toPack();
            assertThat(to.mirrorX()).isEqualTo(side == Side.BOTTOM);
            for (ToolPath path : o.paths()) {
                for (ToolPath.Vertex v : path.vertices()) {
                    double x = to.programX(v.x());
                    assertThat(to.packX(x)).isCloseTo(v.x(), within(1e-3));
                    assertThat(x).isBetween(-1.1e6, 41.1e6);
                    assertThat(to.programY(v.y())).isBetween(-1.1e6, 26.1e6);
                }
            }
        }
    }

    @Test
    void drillsPeckAndGoThrough() {
        Operation drill = plan(Side.TOP, V, FLAT, DRILL).operations().get(1);
        ToolPath hole = drill.paths().get(0);
        assertThat(hole.vertices())
                .extracting(ToolPath.Vertex::z)
                .containsExactly(-900_000.0, 200_000.0, -1_800_000.0);
    }

    @Test
    void programsBeginAndEndSafely() {
        for (Program p : plan(Side.BOTTOM, V, FLAT, DRILL).programs()) {
            String[] lines =
                    new String(ProgramWriter.write(p, TestMills.mill(V)), StandardCharsets.US_ASCII)
                            .replaceAll("(?m)^\\(.*\\)\n", "")
                            .split("\n");
            // Units and planes, up before anything else, spindle before the first cut.
            assertThat(lines[0]).isEqualTo("G21 G90 G17 G94");
            assertThat(lines[1]).startsWith("T");
            assertThat(lines[2]).isEqualTo("G0 Z2.0000");
            assertThat(lines[3]).startsWith("M3 S");
            assertThat(lines[lines.length - 1]).isEqualTo("M2");
            assertThat(lines[lines.length - 2]).isEqualTo("M5");
            assertThat(lines[lines.length - 3]).isEqualTo("G0 Z2.0000");
            boolean feedGiven = false;
            for (String line : lines) {
                feedGiven |= line.contains("F");
                assertThat(line.startsWith("G1") && !feedGiven)
                        .as("a feed move before any feed")
                        .isFalse();
            }
        }
    }

    /** A feed is written as it is: rounded it could come out as none at all. */
    @Test
    void slowFeedsAreNotRounded() {
        Cutter slow =
                new Cutter(
                        "v",
                        "slow V",
                        Cutter.Kind.V,
                        100_000,
                        10,
                        3_175_000,
                        0,
                        120,
                        0.4,
                        12_000,
                        200_000);
        MillingPlan plan = plan(Side.TOP, slow, DRILL);
        String text =
                new String(
                        ProgramWriter.write(plan.programs().get(0), TestMills.mill(slow)),
                        StandardCharsets.US_ASCII);
        assertThat(text).contains(" F0.4\n").contains(" F120\n");
    }

    @Test
    void travelIsShorterThanInFileOrder() {
        List<ToolPath> paths = new ArrayList<>();
        java.util.Random r = new java.util.Random(5);
        for (int i = 0; i < 400; i++) {
            paths.add(
                    new ToolPath(
                            List.of(
                                    new ToolPath.Vertex(
                                            r.nextInt(80_000_000), r.nextInt(60_000_000), -1))));
        }
        List<ToolPath> ordered = TravelOrder.visits(paths);
        assertThat(ordered).containsExactlyInAnyOrderElementsOf(paths);
        assertThat(travel(ordered)).isLessThan(travel(paths) / 5);
    }

    private static double travel(List<ToolPath> paths) {
        double sum = 0;
        for (int i = 1; i < paths.size(); i++) {
            var a = paths.get(i - 1).last();
            var b = paths.get(i).first();
            sum += Math.hypot(a.x() - b.x(), a.y() - b.y());
        }
        return sum;
    }
}
