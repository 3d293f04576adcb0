package dev.lastcut.core.assembly;

import dev.lastcut.core.catalogue.Supply;
import dev.lastcut.core.catalogue.Supply.Purchase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where the parts of a batch are bought: one basket for each seller, carriage considered.
 *
 * @param baskets those that hold anything, in the order of the sellers
 * @param nowhere what nobody sells in time
 */
public record Baskets(List<Basket> baskets, List<Wanted> nowhere) {
    /** Every set of sellers is tried, so there are not many of them. */
    public static final int MOST_SELLERS = 10;

    /** What is to be small. */
    public enum Aim {
        /** The sum of all baskets, with their carriage; what is not in stock may come later. */
        CHEAPEST,
        /** How many sellers there are, then the sum. */
        FEWEST_SELLERS,
        /** The sum, of what is in stock today. */
        IN_STOCK
    }

    /**
     * Who sells.
     *
     * @param carriage of one parcel, in the currency of all
     * @param days until it is there
     */
    public record Seller(String name, double carriage, int days) {}

    /** A part that is wanted, by its number. */
    public record Wanted(String number, List<String> designators, long pieces) {}

    /**
     * A line of a basket.
     *
     * @param purchase what is bought: more than is wanted where lots or prices make it so
     */
    public record Line(Wanted wanted, Purchase purchase, boolean inStock) {}

    /** What is bought of one seller. */
    public record Basket(Seller seller, List<Line> lines) {
        public double goods() {
            return lines.stream().mapToDouble(l -> l.purchase().total()).sum();
        }

        public double total() {
            return goods() + seller.carriage();
        }
    }

    public double total() {
        return baskets.stream().mapToDouble(Basket::total).sum();
    }

    /**
     * The best there is: first as many parts as can be had, then what is aimed at. Exact, for the
     * carriage of a seller is paid once whatever is bought of it.
     *
     * @param offers what each seller has of each number, in one currency
     * @throws IllegalArgumentException when there are more than {@link #MOST_SELLERS}
     */
    public static Baskets of(
            Aim aim, List<Wanted> wanted, Map<Seller, Map<String, Supply>> offers) {
        if (offers.size() > MOST_SELLERS) {
            throw new IllegalArgumentException("at most " + MOST_SELLERS + " sellers");
        }
        List<Seller> sellers = List.copyOf(offers.keySet());
        Comparator<Baskets> order = Comparator.comparingInt(b -> b.nowhere.size());
        if (aim == Aim.FEWEST_SELLERS) {
            order = order.thenComparingInt(b -> b.baskets.size());
        }
        order = order.thenComparingDouble(Baskets::total);
        Baskets best = null;
        for (int set = 0; set < 1 << sellers.size(); set++) {
            List<Seller> some = new ArrayList<>();
            for (int i = 0; i < sellers.size(); i++) {
                if ((set >> i & 1) == 1) {
                    some.add(sellers.get(i));
                }
            }
            Baskets b = among(some, aim, wanted, offers);
            if (best == null || order.compare(b, best) < 0) {
                best = b;
            }
        }
        return best;
    }

    /** Each part where it costs least. */
    private static Baskets among(
            List<Seller> sellers,
            Aim aim,
            List<Wanted> wanted,
            Map<Seller, Map<String, Supply>> offers) {
        List<List<Line>> lines = new ArrayList<>();
        sellers.forEach(s -> lines.add(new ArrayList<>()));
        List<Wanted> nowhere = new ArrayList<>();
        for (Wanted w : wanted) {
            int at = -1;
            Line best = null;
            for (int i = 0; i < sellers.size(); i++) {
                Optional<Line> line = line(offers.get(sellers.get(i)).get(w.number), w, aim);
                boolean better =
                        line.isPresent()
                                && (best == null
                                        || line.get().purchase.total()
                                                < best.purchase.total() - 1e-9);
                if (better) {
                    best = line.get();
                    at = i;
                }
            }
            if (best == null) {
                nowhere.add(w);
            } else {
                lines.get(at).add(best);
            }
        }
        List<Basket> baskets = new ArrayList<>();
        for (int i = 0; i < sellers.size(); i++) {
            if (!lines.get(i).isEmpty()) {
                baskets.add(new Basket(sellers.get(i), List.copyOf(lines.get(i))));
            }
        }
        return new Baskets(List.copyOf(baskets), List.copyOf(nowhere));
    }

    private static Optional<Line> line(Supply supply, Wanted w, Aim aim) {
        if (supply == null) {
            return Optional.empty();
        }
        Optional<Purchase> p = supply.buy(w.pieces);
        if (p.filter(x -> x.pieces() > supply.stock()).isPresent()) {
            // What is bought for its price alone need not be there.
            p = supply.least(w.pieces);
        }
        boolean inStock = p.filter(x -> x.pieces() <= supply.stock()).isPresent();
        boolean comes = supply.leadDays().isPresent() && supply.life() != Supply.Life.GONE;
        return inStock || comes && aim != Aim.IN_STOCK
                ? p.map(x -> new Line(w, x, inStock))
                : Optional.empty();
    }
}
