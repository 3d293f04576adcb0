package dev.lastcut.core.catalogue;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What is to be had of a part.
 *
 * @param stock pieces on the shelf
 * @param breaks the price of one piece from a number of pieces on, in order; empty when not told
 * @param leadDays until more come; empty when not told
 * @param lineStock whether the house keeps it on its machines
 * @param life whether it will still be made
 */
public record Supply(
        long stock,
        String currency,
        List<Break> breaks,
        Optional<Integer> leadDays,
        boolean lineStock,
        Life life) {
    public static final Supply UNKNOWN =
            new Supply(0, "EUR", List.of(), Optional.empty(), false, Life.MADE);

    /** The price of one from so many pieces on. */
    public record Break(int from, double price) {
        public Break {
            if (from < 1 || !(price >= 0)) {
                throw new IllegalArgumentException("a price break is from 1 piece and 0 on");
            }
        }
    }

    /** Where a part is in its life. */
    public enum Life {
        MADE("in production"),
        NOT_FOR_NEW("not for new designs"),
        LAST_ORDERS("at its end: last orders"),
        GONE("no longer made");

        private final String words;

        Life(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Supply {
        breaks = breaks.stream().sorted(Comparator.comparingInt(Break::from)).toList();
    }

    /** What one of so many pieces costs; empty when no price is told. */
    public Optional<Double> price(long pieces) {
        Optional<Double> found = Optional.empty();
        for (Break b : breaks) {
            if (found.isEmpty() || b.from() <= pieces) {
                found = Optional.of(b.price());
            }
        }
        return found;
    }

    /**
     * What so many cost together: where a larger number costs less in all, that number is bought
     * (common practice, no source).
     */
    public Optional<Purchase> buy(long pieces) {
        Optional<Purchase> best = price(pieces).map(p -> new Purchase(pieces(pieces), p));
        for (Break b : breaks) {
            if (b.from() > pieces) {
                Purchase more = new Purchase(b.from(), b.price());
                if (best.isEmpty() || more.total() < best.get().total() - 1e-9) {
                    best = Optional.of(more);
                }
            }
        }
        return best;
    }

    /** Nobody sells fewer than the first break. */
    private long pieces(long wanted) {
        return breaks.isEmpty() ? wanted : Math.max(wanted, breaks.get(0).from());
    }

    /** A number of pieces at a price each. */
    public record Purchase(long pieces, double each) {
        public double total() {
            return pieces * each;
        }
    }
}
