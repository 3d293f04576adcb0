package dev.lastcut.server.counter;

import dev.lastcut.server.catalogue.CounterTermsJson;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.catalogue.PartJson.BreakJson;
import dev.lastcut.server.catalogue.PartJson.SupplyJson;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * The invented houses whose counters come along: what they have on their shelves, at what terms.
 */
public enum House {
    /** Has everything that is invented, and sells it by the piece. */
    FIRST(new CounterTermsJson("Queen Cup counter", "EUR", 8.9, 2)),
    /** Has two thirds of it, some of it cheaper, and small parts by tens or hundreds alone. */
    SECOND(new CounterTermsJson("Propolis counter", "EUR", 4.5, 4));

    private static final int[] LOTS = {10, 10, 50, 100};
    private static final double SMALL_PRICE = 0.2;

    private final CounterTermsJson terms;

    House(CounterTermsJson terms) {
        this.terms = terms;
    }

    CounterTermsJson terms() {
        return terms;
    }

    /** Its parts by number, the same ones every time. */
    Map<String, PartJson> shelves() {
        Map<String, PartJson> all = Shelves.filled();
        if (this == FIRST) {
            return all;
        }
        Map<String, PartJson> own = new LinkedHashMap<>();
        all.forEach(
                (number, p) -> {
                    Random drawn = new Random(number.hashCode() * 31L + ordinal());
                    if (drawn.nextInt(3) > 0) {
                        own.put(number, sold(p, drawn));
                    }
                });
        return own;
    }

    private static PartJson sold(PartJson p, Random drawn) {
        SupplyJson s = p.supply();
        double share = 0.65 + drawn.nextDouble() * 0.6;
        List<BreakJson> breaks =
                s.breaks().stream()
                        .map(
                                b ->
                                        new BreakJson(
                                                b.from(),
                                                Math.round(b.price() * share * 1e4) / 1e4))
                        .toList();
        boolean small = s.breaks().get(0).price() < SMALL_PRICE;
        int stock = drawn.nextInt(12) == 0 ? 0 : 50 + drawn.nextInt(20_000);
        return p.soldAs(
                new SupplyJson(
                        stock,
                        s.currency(),
                        breaks,
                        stock == 0 ? Integer.valueOf(7 + drawn.nextInt(40)) : s.leadDays(),
                        false,
                        s.life(),
                        small ? LOTS[drawn.nextInt(LOTS.length)] : null));
    }
}
