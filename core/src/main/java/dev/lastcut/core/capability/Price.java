package dev.lastcut.core.capability;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a shop asks and how long it takes.
 *
 * @param setup per order
 * @param perSquareCm of every board or panel, where no step says otherwise
 * @param days without anything that takes longer
 * @param steps other prices from so many pieces on, the fewest first
 * @param additions what values of options add
 * @param lots fixed prices in place of set-up and area
 * @param fine what finer work adds
 * @param carriage ways to have it sent, the usual one first; empty where the shop does not say
 * @param minimum the least an order costs, without carriage
 * @param wearPerMetre what a metre of cutting wears off the tools, for a mill
 */
public record Price(
        String currency,
        double setup,
        double perSquareCm,
        int days,
        List<Step> steps,
        List<Addition> additions,
        List<Lot> lots,
        List<FineSurcharge> fine,
        List<Carriage> carriage,
        double minimum,
        double wearPerMetre) {
    /** From so many pieces on. */
    public record Step(int from, double perSquareCm) {
        public Step {
            if (from < 1 || !(perSquareCm >= 0)) {
                throw new IllegalArgumentException(
                        "price.steps are from 1 piece on, at a price from 0");
            }
        }
    }

    /**
     * What one value of an option adds.
     *
     * @param setup once
     * @param perSquareCm of every piece
     * @param percent of setup and area, or of the lot in their place
     */
    public record Addition(
            OrderOption option,
            String value,
            double setup,
            double perSquareCm,
            double percent,
            int days) {
        public Addition {
            if (!Double.isFinite(setup + perSquareCm + percent) || percent < -100) {
                throw new IllegalArgumentException("price.adds: " + option.id() + " is no amount");
            }
        }
    }

    public Price {
        steps = steps.stream().sorted(Comparator.comparingInt(Step::from)).toList();
        additions = List.copyOf(additions);
        lots = List.copyOf(lots);
        fine = List.copyOf(fine);
        carriage = List.copyOf(carriage);
        if (!(setup >= 0)
                || !(perSquareCm >= 0)
                || !(minimum >= 0)
                || !(wearPerMetre >= 0)
                || days < 0) {
            throw new IllegalArgumentException("prices and days must be from 0");
        }
        if (carriage.stream().map(Carriage::name).distinct().count() < carriage.size()) {
            throw new IllegalArgumentException("price.carriage: two ways have one name");
        }
    }

    /** Without lots, finer work and carriage. */
    public Price(
            String currency,
            double setup,
            double perSquareCm,
            int days,
            List<Step> steps,
            List<Addition> additions) {
        this(
                currency,
                setup,
                perSquareCm,
                days,
                steps,
                additions,
                List.of(),
                List.of(),
                List.of(),
                0,
                0);
    }

    /** The same whatever is ordered. */
    public Price(String currency, double setup, double perSquareCm, int days) {
        this(currency, setup, perSquareCm, days, List.of(), List.of());
    }

    /** For so many pieces, per square centimetre. */
    public double perSquareCm(int pieces) {
        double price = perSquareCm;
        for (Step s : steps) {
            if (pieces >= s.from) {
                price = s.perSquareCm;
            }
        }
        return price;
    }

    /** The cheapest lot that holds the pieces; empty where set-up and area are paid. */
    public Optional<Lot> lot(Quote.Pieces pieces, int copperLayers) {
        return lots.stream()
                .filter(l -> l.holds(pieces, copperLayers))
                .min(Comparator.comparingDouble(Lot::total));
    }

    /** The way an order is sent: the one it names where the shop has it, else the usual one. */
    public Optional<Carriage> carriage(Order order) {
        return carriage.stream()
                .filter(c -> order.carriage().filter(c.name()::equals).isPresent())
                .findFirst()
                .or(() -> carriage.stream().findFirst());
    }
}
