package dev.lastcut.core.capability;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Lots, finer work, minimum and carriage: every line against a sum by hand. */
class LotsTest {
    private static final Lot FIVE = new Lot(5, 100, 80, 2, 6.9);
    private static final Lot TEN = new Lot(10, 100, 80, 2, 9.8);

    private static CapabilitySheet shop(Price price) {
        CapabilitySheet plain = TestBoards.house(Map.of());
        return new CapabilitySheet(
                "lots",
                "Lots",
                plain.kind(),
                "",
                Map.of(),
                4,
                true,
                Map.of(OrderOption.FINISH, List.of("tin", "gold")),
                List.of(),
                price,
                Optional.empty());
    }

    private static Price price(double minimum) {
        return new Price(
                "EUR",
                6,
                0.1,
                12,
                List.of(new Price.Step(20, 0.05)),
                List.of(new Price.Addition(OrderOption.FINISH, "gold", 4, 0.01, 10, 1)),
                List.of(FIVE, TEN),
                List.of(new FineSurcharge(LimitKey.HOLE_MIN, new Limit(0.3, "mm", "", ""), 24, 50)),
                List.of(new Carriage("post", 3.9, 7), new Carriage("courier", 24, 2)),
                minimum,
                0);
    }

    private static Quote quote(Price p, Order order, int layers, int n, double w, double h) {
        return Quote.of(shop(p), order, layers, new Quote.Pieces(n, w, h, "board"), Map.of());
    }

    @Test
    void aLotTakesThePlaceOfSetUpAndArea() {
        Quote q = quote(price(0), Order.USUAL, 2, 5, 80, 100);
        assertThat(q.lines())
                .containsExactly(
                        new Quote.Line("5 boards, lot of up to 5 up to 100 × 80 mm", 6.9),
                        new Quote.Line("Carriage: post, 7 days", 3.9));
        assertThat(q.days()).isEqualTo(12 + 7);
        assertThat(quote(price(0), Order.USUAL, 2, 6, 50, 50).total()).isEqualTo(13.7);
        // A hair too wide, and one layer too many: 6 + 5 × 80.08 or 80 cm² at 0.10, and 3.90.
        assertThat(quote(price(0), Order.USUAL, 2, 5, 100.1, 80).total())
                .isEqualTo(6 + 40.04 + 3.9);
        assertThat(quote(price(0), Order.USUAL, 4, 5, 100, 80).total()).isEqualTo(6 + 40 + 3.9);
    }

    @Test
    void optionsAndPercentagesAreOfTheLot() {
        Order gold = new Order(Map.of(OrderOption.FINISH, "gold"), 5).sent(Optional.of("courier"));
        Quote q = quote(price(0), gold, 2, 5, 100, 80);
        // 4 once, 400 cm² at 0.01, a tenth of 6.90.
        assertThat(q.lines().get(1)).isEqualTo(new Quote.Line("Finish: gold", 4 + 4 + 0.69));
        assertThat(q.lines().get(2)).isEqualTo(new Quote.Line("Carriage: courier, 2 days", 24));
        assertThat(q.days()).isEqualTo(12 + 1 + 2);
    }

    @Test
    void finerWorkIsPaidOnceWithItsPlace() {
        Map<LimitKey, OwnMeasure> fine =
                Map.of(LimitKey.HOLE_MIN, new OwnMeasure(200_000, "at (1.00, 2.00) mm"));
        Quote q =
                Quote.of(
                        shop(price(0)), Order.USUAL, 2, new Quote.Pieces(5, 50, 50, "board"), fine);
        assertThat(q.lines().get(1).text()).contains("below 0.3 mm: 0.200 mm at (1.00, 2.00) mm");
        assertThat(q.lines().get(1).amount()).isEqualTo(24 + 3.45);
        Map<LimitKey, OwnMeasure> atIt =
                Map.of(LimitKey.HOLE_MIN, new OwnMeasure(300_000, "at it"));
        assertThat(
                        Quote.of(
                                        shop(price(0)),
                                        Order.USUAL,
                                        2,
                                        new Quote.Pieces(5, 50, 50, "board"),
                                        atIt)
                                .total())
                .isEqualTo(6.9 + 3.9);
    }

    @Test
    void theMinimumIsReachedBeforeCarriage() {
        Quote q = quote(price(20), Order.USUAL, 2, 5, 50, 50);
        assertThat(q.lines().get(1))
                .isEqualTo(new Quote.Line("Up to the minimum order of 20.00", 13.1));
        assertThat(q.total()).isEqualTo(23.9);
    }

    /** Fewer boards that cost more than some larger number are never quoted without saying so. */
    @Test
    void dearerThanMoreIsSaid() {
        Random r = new Random(3);
        for (int i = 0; i < 400; i++) {
            double w = 5 + r.nextInt(110);
            double h = 5 + r.nextInt(110);
            int n = 1 + r.nextInt(30);
            Quote q = quote(price(0), Order.USUAL, 2, n, w, h);
            double cheapest = Double.MAX_VALUE;
            for (int m = n + 1; m < 60; m++) {
                cheapest = Math.min(cheapest, quote(price(0), Order.USUAL, 2, m, w, h).total());
            }
            assertThat(q.hint().isEmpty())
                    .as(n + " of " + w + "×" + h)
                    .isEqualTo(cheapest >= q.total());
            if (!q.hint().isEmpty()) {
                assertThat(q.hint()).contains(String.format("%.2f EUR in all", cheapest));
            }
        }
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> new Lot(0, 1, 1, 2, 1)).hasMessageContaining("price.lots");
        assertThatThrownBy(() -> new Lot(1, 0, 1, 2, 1)).hasMessageContaining("up_to_mm");
        assertThatThrownBy(() -> new Carriage(" ", 1, 1)).hasMessageContaining("name");
        assertThatThrownBy(() -> new Carriage("post", 1, -1)).hasMessageContaining("post");
        assertThatThrownBy(
                        () ->
                                new FineSurcharge(
                                        LimitKey.MASK_DAM, new Limit(1, "mm", "", ""), 1, 0))
                .hasMessageContaining("mask-dam is not measured");
    }
}
