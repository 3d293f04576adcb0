package dev.lastcut.core.capability;

import java.util.List;
import java.util.Optional;

/**
 * What a shop has of strip board.
 *
 * @param pitchNm from hole to hole and from strip to strip
 * @param holeNm the diameter of the holes
 * @param knife whether copper may also be cut between two holes
 * @param stock the boards there are, the smallest first
 */
public record StripTerms(long pitchNm, long holeNm, boolean knife, List<Stock> stock) {
    public StripTerms {
        stock = List.copyOf(stock);
        if (stock.isEmpty()) {
            throw new IllegalArgumentException("strip.stock names no board");
        }
        if (pitchNm < 1_000_000 || pitchNm > 10_000_000) {
            throw new IllegalArgumentException("strip.pitch must be 1 to 10 mm");
        }
    }

    /**
     * A board as it is bought.
     *
     * @param gaps where strips are parted as bought
     */
    public record Stock(String name, int strips, int holes, List<Gap> gaps) {
        /** Holes of the largest board that is taken. */
        public static final int MOST = 200;

        public Stock {
            gaps = List.copyOf(gaps);
            if (strips < 2 || holes < 2 || strips > MOST || holes > MOST) {
                throw new IllegalArgumentException(
                        "strip.stock: a board has 2 to " + MOST + " strips and holes");
            }
            for (Gap g : gaps) {
                if (g.firstStrip() < 0
                        || g.lastStrip() >= strips
                        || g.firstStrip() > g.lastStrip()
                        || g.hole() < 0
                        || g.hole() >= holes) {
                    throw new IllegalArgumentException(
                            "strip.stock.gaps: a gap lies off the board");
                }
            }
        }
    }

    /** No copper at a hole, on all strips from the first to the last; all counted from 0. */
    public record Gap(int firstStrip, int lastStrip, int hole) {}

    /** The board of a name. */
    public Optional<Stock> named(String name) {
        return stock.stream().filter(s -> s.name().equals(name)).findFirst();
    }
}
