package dev.lastcut.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.assembly.Baskets.Aim;
import dev.lastcut.core.assembly.Baskets.Seller;
import dev.lastcut.core.assembly.Baskets.Wanted;
import dev.lastcut.core.catalogue.Supply;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** Baskets against every way there is to divide a list, and against sums by hand. */
class BasketsTest {
    private static final Seller NEAR = new Seller("near", 9, 1);
    private static final Seller FAR = new Seller("far", 4, 5);

    private static Supply supply(long stock, double price, int lot, Integer lead) {
        return new Supply(
                stock,
                "EUR",
                List.of(new Supply.Break(1, price), new Supply.Break(100, price / 2)),
                Optional.ofNullable(lead),
                false,
                Supply.Life.MADE,
                lot);
    }

    private static Wanted wanted(String number, long pieces) {
        return new Wanted(number, List.of(number), pieces);
    }

    /**
     * 10 of A and 10 of B. Near has both at 1.00, far has A at 0.20 in tens, carriage 9 and 4. One
     * parcel: 20 + 9 = 29. Two: 10 + 9 and 10 × 0.20 + 4 = 25, which is less.
     */
    @Test
    void aSecondParcelIsSentWhenItSavesMoreThanItsCarriage() {
        Map<Seller, Map<String, Supply>> offers = new LinkedHashMap<>();
        offers.put(NEAR, Map.of("A", supply(500, 1, 1, null), "B", supply(500, 1, 1, null)));
        offers.put(FAR, Map.of("A", supply(500, 0.2, 10, null)));
        List<Wanted> list = List.of(wanted("A", 10), wanted("B", 10));
        Baskets two = Baskets.of(Aim.CHEAPEST, list, offers);
        assertThat(two.total()).isCloseTo(25, within(1e-9));
        assertThat(two.baskets()).hasSize(2);
        Baskets one = Baskets.of(Aim.FEWEST_SELLERS, list, offers);
        assertThat(one.baskets()).hasSize(1);
        assertThat(one.total()).isCloseTo(29, within(1e-9));
        // 3 of A in tens at 0.20 are 2.00 with 4 of carriage; 3 at 1.00 are on the way anyway.
        Baskets few = Baskets.of(Aim.CHEAPEST, List.of(wanted("A", 3), wanted("B", 1)), offers);
        assertThat(few.total()).isCloseTo(13, within(1e-9));
    }

    @Test
    void whatIsNotInStockIsLeftOutWhereTodayMattersAndComesLaterWhereNot() {
        Map<Seller, Map<String, Supply>> offers = new LinkedHashMap<>();
        offers.put(NEAR, Map.of("A", supply(5, 1, 1, 20), "C", supply(0, 1, 1, null)));
        offers.put(FAR, Map.of("A", supply(50, 3, 1, null)));
        List<Wanted> list = List.of(wanted("A", 10), wanted("C", 1));
        Baskets today = Baskets.of(Aim.IN_STOCK, list, offers);
        assertThat(today.nowhere()).extracting(Wanted::number).containsExactly("C");
        assertThat(today.total()).isCloseTo(34, within(1e-9));
        Baskets later = Baskets.of(Aim.CHEAPEST, list, offers);
        assertThat(later.total()).isCloseTo(19, within(1e-9));
        assertThat(later.baskets().get(0).lines().get(0).inStock()).isFalse();
        assertThat(later.nowhere()).as("nobody says when it comes").hasSize(1);
        // 51 pieces cost less as a hundred, 200 pieces are not there.
        assertThat(supply(1000, 1, 1, null).buy(51).orElseThrow().pieces()).isEqualTo(100);
        assertThat(supply(1000, 1, 30, null).buy(51).orElseThrow().pieces()).isEqualTo(60);
    }

    /** Small lists over three sellers, each line tried at each seller. */
    @Test
    void noOtherDivisionIsCheaper() {
        Random random = new Random(30);
        for (int round = 0; round < 60; round++) {
            Map<Seller, Map<String, Supply>> offers = new LinkedHashMap<>();
            List<Wanted> list = new ArrayList<>();
            for (int n = 0; n < 5; n++) {
                list.add(wanted("P" + n, 1 + random.nextInt(120)));
            }
            for (int s = 0; s < 3; s++) {
                Map<String, Supply> own = new LinkedHashMap<>();
                for (Wanted w : list) {
                    if (random.nextInt(4) > 0) {
                        double price = 0.05 + random.nextInt(100) / 100.0;
                        own.put(w.number(), supply(10_000, price, 1 + random.nextInt(40), null));
                    }
                }
                offers.put(new Seller("s" + s, random.nextInt(30), s), own);
            }
            Baskets found = Baskets.of(Aim.CHEAPEST, list, offers);
            List<Seller> sellers = List.copyOf(offers.keySet());
            double[] best = {Double.MAX_VALUE};
            tried(0, 0, new TreeSet<>(), list, sellers, offers, best);
            assertThat(found.total()).as("round %d", round).isCloseTo(best[0], within(1e-6));
        }
    }

    private static void tried(
            int at,
            double goods,
            Set<Integer> used,
            List<Wanted> list,
            List<Seller> sellers,
            Map<Seller, Map<String, Supply>> offers,
            double[] best) {
        if (at == list.size()) {
            double carriage = used.stream().mapToDouble(i -> sellers.get(i).carriage()).sum();
            best[0] = Math.min(best[0], goods + carriage);
            return;
        }
        Wanted w = list.get(at);
        boolean any = false;
        for (int i = 0; i < sellers.size(); i++) {
            Supply s = offers.get(sellers.get(i)).get(w.number());
            if (s != null) {
                any = true;
                Set<Integer> now = new TreeSet<>(used);
                now.add(i);
                double cost = s.buy(w.pieces()).orElseThrow().total();
                tried(at + 1, goods + cost, now, list, sellers, offers, best);
            }
        }
        if (!any) {
            tried(at + 1, goods, used, list, sellers, offers, best);
        }
    }
}
