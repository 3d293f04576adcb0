package dev.lastcut.core.capability;

import java.util.Comparator;
import java.util.List;

/**
 * What a shop asks and how long it takes.
 *
 * @param setup per order
 * @param perSquareCm of every board or panel, where no step says otherwise
 * @param days without anything that takes longer
 * @param steps other prices from so many pieces on, the fewest first
 * @param additions what values of options add
 */
public record Price(
        String currency,
        double setup,
        double perSquareCm,
        int days,
        List<Step> steps,
        List<Addition> additions) {
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
     * @param percent of setup and area
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
        if (!(setup >= 0) || !(perSquareCm >= 0) || days < 0) {
            throw new IllegalArgumentException("prices and days must be from 0");
        }
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
}
