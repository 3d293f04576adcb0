package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** What a placement machine asks of a board. */
class MachineRulesTest {
    private static CapabilitySheet house(double toEdge, int fiducials) {
        OptionalInt none = OptionalInt.empty();
        return TestBoards.house(Map.of())
                .with(
                        new Assembly(
                                List.of(Side.TOP, Side.BOTTOM),
                                new Assembly.Counts(none, none, none, none),
                                new Assembly.Fees(0, 0, 0, 0),
                                Assembly.ListForm.USUAL,
                                Optional.empty(),
                                Optional.empty(),
                                Assembly.PlacementForm.USUAL,
                                new Assembly.Line(
                                        Optional.of(new Limit(toEdge, "mm", "test", "2026-01-01")),
                                        fiducials)));
    }

    private static TestBoards board() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.round(50, 20, 1).round(5, 20, 1).round(30, 5, 1);
        t.on(Role.Kind.MASK, Side.TOP).round(50, 20, 2).round(5, 20, 2).round(30, 5, 1.1);
        for (double[] at : new double[][] {{20, 2}, {30, 20}, {1.5, 20}}) {
            String name = "C" + Math.round(at[0]);
            t.pin("A", name, "1", at[0] - 0.75, at[1]).pin("B", name, "2", at[0] + 0.75, at[1]);
        }
        t.placed("C20,1u,C0603,20,2,0,top", "C30,1u,C0603,30,20,0,top", "C2,1u,C0603,1.5,20,0,top");
        return t.outline(0, 0, 60, 40);
    }

    private static List<Finding> of(String rule, CapabilitySheet sheet, PartsPlan plan) {
        CheckTarget against =
                new CheckTarget(sheet, Headroom.NONE, TestBoards.FITTED, List.of()).with(plan);
        BoardGeometry g = new BoardGeometry(board().board());
        return Planted.of(rule, CheckRunner.run(new CheckContext(g, against)));
    }

    /** The board is wider than high, so its lower and upper edge run in the belts. */
    @Test
    void partsInTheBeltsAreOneNote() {
        assertThat(of("machine-edge", house(3, 0), PartsPlan.NONE))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.parts()).containsExactly("C20");
                            assertThat(f.severity()).isEqualTo(Severity.NOTE);
                            assertThat(f.limit()).isEqualTo(3);
                        });
        assertThat(of("machine-edge", house(1, 0), PartsPlan.NONE)).isEmpty();
        PartsPlan hand = PartsPlan.NONE.with(ByHand.NONE.ofPart("C20", Optional.of(true)));
        assertThat(of("machine-edge", house(3, 0), hand)).isEmpty();
    }

    /** Two of the round pads stand in a wider opening; the third is a test point. */
    @Test
    void fiducialsAreCounted() {
        assertThat(of("fiducials", house(3, 2), PartsPlan.NONE)).isEmpty();
        assertThat(of("fiducials", house(3, 3), PartsPlan.NONE))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.measured()).isEqualTo(2);
                            assertThat(f.limit()).isEqualTo(3);
                        });
        PartsPlan hand = PartsPlan.NONE.with(ByHand.NONE.ofSide(Side.TOP, true));
        assertThat(of("fiducials", house(3, 3), hand)).isEmpty();
    }
}
