package dev.lastcut.core.check.order;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;

class OrderMarkTest {
    /** 40 × 20 mm: a pad with its opening at 8, 5, a line of silk at 30, 15, a hole at 20, 10. */
    private static Board board() {
        return new TestBoards()
                .on(Role.Kind.COPPER, Side.BOTTOM)
                .round(8, 5, 2)
                .on(Role.Kind.MASK, Side.BOTTOM)
                .round(8, 5, 2.2)
                .on(Role.Kind.SILK, Side.BOTTOM)
                .line(0.2, 28, 15, 32, 15)
                .hole(20, 10, 3, false)
                .outline(0, 0, 40, 20)
                .board();
    }

    private static CapabilitySheet offers() {
        CapabilitySheet house = TestBoards.house(Map.of());
        return new CapabilitySheet(
                house.id(),
                house.name(),
                house.kind(),
                "",
                house.limits(),
                house.maxCopperLayers(),
                house.plates(),
                Map.of(OrderOption.ORDER_MARK, List.of("none", OrderMark.OUR_PLACE)),
                house.variations(),
                house.price(),
                house.mill());
    }

    private static List<String> said(String value, Optional<OrderMark> mark) {
        Order order = Order.USUAL.with(OrderOption.ORDER_MARK, value).marked(mark);
        CheckTarget against = new CheckTarget(offers(), Headroom.NONE, order, List.of());
        return CheckRunner.run(new CheckContext(new BoardGeometry(board()), against))
                .findings()
                .stream()
                .filter(f -> f.rule().equals("order-mark"))
                .map(Finding::message)
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "BOTTOM, 30, 5, ''",
        "BOTTOM, 36, 5, over its edge",
        "BOTTOM, 12, 5.5, openings of the mask",
        "TOP, 12, 5.5, ''",
        "BOTTOM, 30, 15.9, other silk",
        "TOP, 30, 15.9, ''",
        "TOP, 24, 11, over a hole"
    })
    void aPlaceIsFreeOrItIsSaidWhatIsInTheWay(Side side, double x, double y, String what) {
        List<String> said =
                said(OrderMark.OUR_PLACE, Optional.of(new OrderMark(side, Pt.mm(x, y))));
        if (what.isEmpty()) {
            assertThat(said).isEmpty();
        } else {
            assertThat(said).singleElement().asString().contains(what);
        }
    }

    @Test
    void aPlaceThatIsOrderedAndNotSaidIsAskedFor() {
        assertThat(said(OrderMark.OUR_PLACE, Optional.empty()))
                .singleElement()
                .asString()
                .contains("no place is said");
        assertThat(said("none", Optional.empty())).isEmpty();
    }

    @Test
    void aPlaceThatIsStillSaidIsNotOrderedWithoutTheOption() {
        Order marked = Order.USUAL.marked(Optional.of(new OrderMark(Side.TOP, Pt.mm(30, 5))));
        assertThat(offers().orderMark(marked)).isEmpty();
        assertThat(offers().orderMark(marked.with(OrderOption.ORDER_MARK, OrderMark.OUR_PLACE)))
                .isEqualTo(marked.mark());
    }

    /** On boards nobody here drew, what is found free is so by the geometry library alone. */
    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p06_mill_old", "p07_mill_single"})
    void aFreePlaceIsFree(String pack) throws Exception {
        BoardGeometry g = new BoardGeometry(Intake.open(TruePack.of(pack).pack()));
        OrderMark mark = OrderMarkPlace.free(g).orElseThrow();
        Geometry room = mark.room();
        assertThat(room.getArea()).isEqualTo(2e13);
        assertThat(g.boardArea().covers(room)).isTrue();
        for (Role.Kind kind : List.of(Role.Kind.MASK, Role.Kind.SILK)) {
            assertThat(g.pieces(Role.of(kind, mark.side())))
                    .noneMatch(p -> p.polygon().intersection(room).getArea() > 0);
        }
        assertThat(g.board().holes())
                .noneMatch(h -> h.core().isWithinDistance(room, h.diameter() / 2.0 - 1));
    }
}
