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
 * @param lot pieces are sold in multiples of it, at least 1
 */
public record Supply(
        long stock,
        String currency,
        List<Break> breaks,
        Optional<Integer> leadDays,
        boolean lineStock,
        Life life,
        int lot) {
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

    /** Sold by the piece. */
    public Supply(
            long stock,
            String currency,
            List<Break> breaks,
            Optional<Integer> leadDays,
            boolean lineStock,
            Life life) {
        this(stock, currency, breaks, leadDays, lineStock, life, 1);
    }

    /**
     * @throws IllegalArgumentException when the lot is below one piece
     */
    public Supply {
        if (lot < 1) {
            throw new IllegalArgumentException("a lot is 1 piece or more");
        }
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
        Optional<Purchase> best = least(pieces);
        for (Break b : breaks) {
            Optional<Purchase> more = b.from() > pieces ? least(b.from()) : Optional.empty();
            if (more.isPresent() && more.get().total() < best.orElseThrow().total() - 1e-9) {
                best = more;
            }
        }
        return best;
    }

    /** So many, or as few more as are sold: whole lots, and no fewer than the first break. */
    public Optional<Purchase> least(long wanted) {
        long least = breaks.isEmpty() ? wanted : Math.max(wanted, breaks.get(0).from());
        long sold = (least + lot - 1) / lot * lot;
        return price(sold).map(p -> new Purchase(sold, p));
    }

    /** A number of pieces at a price each. */
    public record Purchase(long pieces, double each) {
        public double total() {
            return pieces * each;
        }
    }
}
