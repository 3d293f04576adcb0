package dev.lastcut.core.connectivity;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CopperNetsTest {
    private static CopperNets nets(Board board) {
        return new BoardGeometry(board).nets();
    }

    private static TestBoards top() {
        return new TestBoards().on(Role.Kind.COPPER, Side.TOP);
    }

    private static Feature clear(double x, double y, double w, double h) {
        return new Feature.Flash(
                new Aperture.Rectangle(Length.mm(w), Length.mm(h), 0),
                Pt.mm(x, y),
                Orientation.NONE,
                false,
                0,
                ObjectAttributes.NONE);
    }

    @Test
    void touchingCopperIsOneNetAndApartIsTwo() {
        assertThat(nets(top().round(0, 0, 2).round(1.9, 0, 2).board()).netCount()).isEqualTo(1);
        assertThat(nets(top().round(0, 0, 2).round(2.1, 0, 2).board()).netCount()).isEqualTo(2);
        // A track ends in the middle of a pad, another at its edge.
        assertThat(
                        nets(top().round(0, 0, 2)
                                        .line(0.3, 0, 0, 5, 0)
                                        .line(0.3, 0, 1.1, 0, 5)
                                        .board())
                                .netCount())
                .isEqualTo(1);
    }

    @Test
    void aClearStrokeCutsCopperInTwo() {
        Board whole = top().box(0, 0, 10, 2, 0).board();
        Board cut = top().box(0, 0, 10, 2, 0).add(clear(0, 0, 0.2, 4)).board();
        Board mended =
                top().box(0, 0, 10, 2, 0).add(clear(0, 0, 0.2, 4)).line(0.3, -1, 0, 1, 0).board();
        assertThat(nets(whole).netCount()).isEqualTo(1);
        assertThat(nets(cut).netCount()).isEqualTo(2);
        assertThat(nets(mended).netCount()).isEqualTo(1);
    }

    @Test
    void platedHolesJoinTheStackAndUnplatedDoNot() {
        for (boolean plated : new boolean[] {true, false}) {
            Board board =
                    top().round(0, 0, 1)
                            .on(Role.innerCopper(1))
                            .round(0, 0, 1)
                            .round(5, 0, 1)
                            .on(Role.Kind.COPPER, Side.BOTTOM)
                            .round(0, 0, 1)
                            .hole(0, 0, 0.4, plated)
                            .board();
            CopperNets nets = nets(board);
            assertThat(nets.netCount()).isEqualTo(plated ? 2 : 4);
            assertThat(nets.netOfHole(0))
                    .isEqualTo(plated ? nets.at(0, Pt.ORIGIN).get(0).net() : -1);
        }
    }

    @Test
    void aRingPadIsJoinedByItsHole() {
        Feature ring =
                new Feature.Flash(
                        new Aperture.Circle(Length.mm(2), Length.mm(1)),
                        Pt.ORIGIN,
                        Orientation.NONE,
                        true,
                        0,
                        ObjectAttributes.NONE);
        Board board =
                top().add(ring)
                        .on(Role.Kind.COPPER, Side.BOTTOM)
                        .add(ring)
                        .hole(0, 0, 1, true)
                        .board();
        assertThat(nets(board).netCount()).isEqualTo(1);
    }

    @Test
    void whatLiesAtAPlaceComesLastDrawnFirst() {
        CopperNets nets = nets(top().box(0, 0, 10, 10, 0).round(1, 1, 2).board());
        assertThat(nets.at(0, Pt.mm(1, 1))).extracting(CopperNode::id).containsExactly(1, 0);
        assertThat(nets.at(0, Pt.mm(-4, -4))).extracting(CopperNode::id).containsExactly(0);
        assertThat(nets.at(0, Pt.mm(8, 8))).isEmpty();
    }

    /** Random discs: nets equal the groups that plain pairwise distances make. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void netsAreTheGroupsOfTouchingDiscs(long seed) {
        Random r = new Random(seed);
        TestBoards board = top();
        List<double[]> discs = new ArrayList<>();
        while (discs.size() < 120) {
            double[] d = {r.nextInt(400) / 10.0, r.nextInt(400) / 10.0, 1 + r.nextInt(20) / 10.0};
            // Discs that all but touch are left out: chords cannot decide those.
            if (discs.stream().allMatch(o -> Math.abs(gap(o, d)) > 0.002)) {
                discs.add(d);
                board.round(d[0], d[1], d[2]);
            }
        }
        int[] group = new int[discs.size()];
        for (int i = 0; i < group.length; i++) {
            group[i] = i;
        }
        boolean changed = true;
        while (changed) {
            changed = false;
            for (int i = 0; i < group.length; i++) {
                for (int j = 0; j < group.length; j++) {
                    if (gap(discs.get(i), discs.get(j)) <= 0 && group[j] > group[i]) {
                        group[j] = group[i];
                        changed = true;
                    }
                }
            }
        }
        CopperNets nets = nets(board.board());
        for (int i = 0; i < group.length; i++) {
            for (int j = 0; j < i; j++) {
                boolean same = nets.nodes().get(i).net() == nets.nodes().get(j).net();
                assertThat(same)
                        .as("seed %d: %d and %d", seed, i, j)
                        .isEqualTo(group[i] == group[j]);
            }
        }
    }

    private static double gap(double[] a, double[] b) {
        return Math.hypot(a[0] - b[0], a[1] - b[1]) - (a[2] + b[2]) / 2;
    }

    @Test
    void namesComeFromTheNetlistByPlaceAndSide() {
        Board board =
                top().round(0, 0, 1)
                        .round(5, 0, 1)
                        .on(Role.Kind.COPPER, Side.BOTTOM)
                        .round(5, 0, 1)
                        .pin("VCC", "R1", "1", 0, 0)
                        .pin("GND", "R1", "2", 5, 0)
                        .pin("GND", "R9", "2", 30, 30)
                        .board();
        BoardGeometry geometry = new BoardGeometry(board);
        assertThat(geometry.netName(geometry.nets().at(0, Pt.ORIGIN).get(0).net()))
                .isEqualTo("VCC");
        // The points are on the top; the pad below has no name.
        assertThat(geometry.netName(geometry.nets().at(1, Pt.mm(5, 0)).get(0).net()))
                .startsWith("net ");
        assertThat(geometry.reference().orElseThrow().missing()).hasSize(1);
    }

    @Test
    void netAttributesServeWhereThereIsNoNetlist() {
        Feature pad =
                new Feature.Flash(
                        new Aperture.Circle(Length.mm(1), 0),
                        Pt.mm(3, 3),
                        Orientation.NONE,
                        true,
                        0,
                        new ObjectAttributes("SMDPad", "SCL", "U1", "4"));
        BoardGeometry geometry = new BoardGeometry(top().add(pad).board());
        assertThat(geometry.netName(0)).isEqualTo("SCL");
        assertThat(geometry.reference().orElseThrow().source()).contains("attributes");
        assertThat(new BoardGeometry(top().round(0, 0, 1).board()).reference()).isEmpty();
    }
}
