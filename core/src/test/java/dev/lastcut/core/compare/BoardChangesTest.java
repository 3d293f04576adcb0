package dev.lastcut.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
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

/** Changes planted into a board are found with their measure; nothing else is. */
class BoardChangesTest {
    private static TestBoards base() {
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        b.line(0.5, 0, 0, 10, 0).box(0, 0, 1, 2, 30).round(10, 0, 1.5);
        return b.hole(0, 0, 0.6, true).hole(10, 0, 0.8, true);
    }

    private static BoardChanges changed(Consumer<TestBoards> change) {
        TestBoards after = base();
        change.accept(after);
        return BoardChanges.between(
                new BoardGeometry(base().board()), new BoardGeometry(after.board()));
    }

    @Test
    void theSameBoardHasNotChanged() {
        assertThat(changed(b -> {}).isEmpty()).isTrue();
    }

    @Test
    void addedCopperIsMeasuredWithoutWhatLayThere() {
        // A track of 1 × 4 mm across the old one of 0.5 mm.
        BoardChanges c = changed(b -> b.box(5, 0, 1, 4, 0));
        assertThat(c.layers()).singleElement();
        assertThat(c.layers().get(0).added().getArea() / 1e12).isCloseTo(4 - 0.5, within(1e-6));
        assertThat(c.layers().get(0).removed().isEmpty()).isTrue();
        assertThat(c.layers().get(0).added().getNumGeometries()).isEqualTo(2);
    }

    @Test
    void copperDrawnAnotherWayIsNoChange() {
        // The same track in two halves, and a pad drawn twice.
        TestBoards after = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        after.line(0.5, 0, 0, 4, 0).line(0.5, 4, 0, 10, 0).box(0, 0, 1, 2, 30);
        after.round(10, 0, 1.5).round(10, 0, 1.5).hole(10, 0, 0.8, true).hole(0, 0, 0.6, true);
        BoardChanges c =
                BoardChanges.between(
                        new BoardGeometry(base().board()), new BoardGeometry(after.board()));
        assertThat(c.isEmpty()).isTrue();
    }

    @Test
    void holesAddedRemovedAndResized() {
        TestBoards after = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        after.line(0.5, 0, 0, 10, 0).box(0, 0, 1, 2, 30).round(10, 0, 1.5);
        after.hole(0, 0, 0.7, true).hole(3, 3, 1, false);
        List<BoardChanges.HoleChange> holes =
                BoardChanges.between(
                                new BoardGeometry(base().board()), new BoardGeometry(after.board()))
                        .holes();
        assertThat(holes).hasSize(3);
        assertThat(holes).anyMatch(h -> h.before().isPresent() && h.after().isPresent());
        assertThat(holes).anyMatch(h -> h.before().isEmpty() && h.at().equals(Pt.mm(3, 3)));
        assertThat(holes).anyMatch(h -> h.after().isEmpty() && h.at().equals(Pt.mm(10, 0)));
    }

    @Test
    void partsMovedTurnedAndOfOtherValue() {
        Board before = withParts(0, 0, "4k7");
        Board after = withParts(0.5, 90, "4.7k");
        BoardChanges c = BoardChanges.between(new BoardGeometry(before), new BoardGeometry(after));
        assertThat(c.parts()).singleElement();
        assertThat(c.parts().get(0).what())
                .contains("moved by 0.500 mm")
                .contains("turned from 0.0° to 90.0°")
                .doesNotContain("value");
        c =
                BoardChanges.between(
                        new BoardGeometry(before), new BoardGeometry(withParts(0, 0, "47k")));
        assertThat(c.parts().get(0).what()).isEqualTo("value 4k7 → 47k");
    }

    private static Board withParts(double x, double turn, String value) {
        Board b = base().board();
        return new Board(
                b.files(),
                b.layers(),
                b.outline(),
                b.holes(),
                b.netlist(),
                Optional.of(List.of(new ListedPart("R1", value, "0603", "", "", "", true, 2))),
                Optional.of(
                        List.of(
                                new PlacedPart(
                                        "R1", value, "0603", Pt.mm(x, 0), turn, Side.TOP, 2))),
                List.of());
    }

    /** Against the plain difference of the whole areas, computed by the geometry library. */
    @Test
    void randomBoardsDifferAsTheirAreasDo() {
        for (int seed = 0; seed < 10; seed++) {
            Random r = new Random(seed);
            TestBoards a = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
            TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
            for (int i = 0; i < 60; i++) {
                double x = r.nextInt(200) / 10.0;
                double y = r.nextInt(200) / 10.0;
                double x1 = x + r.nextInt(60) / 10.0;
                int kind = r.nextInt(10);
                if (kind != 0) {
                    a.line(0.4, x, y, x1, y);
                }
                if (kind != 1) {
                    b.line(0.4, x, y, x1, y);
                }
            }
            BoardGeometry before = new BoardGeometry(a.board());
            BoardGeometry after = new BoardGeometry(b.board());
            Role top = Role.of(Role.Kind.COPPER, Side.TOP);
            double added = Geo.difference(after.area(top), before.area(top)).getArea();
            double removed = Geo.difference(before.area(top), after.area(top)).getArea();
            var layers = BoardChanges.between(before, after).layers();
            double foundAdded = layers.isEmpty() ? 0 : layers.get(0).added().getArea();
            double foundRemoved = layers.isEmpty() ? 0 : layers.get(0).removed().getArea();
            assertThat(foundAdded / 1e12).isCloseTo(added / 1e12, within(1e-3));
            assertThat(foundRemoved / 1e12).isCloseTo(removed / 1e12, within(1e-3));
        }
    }
}
