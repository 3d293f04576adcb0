package dev.lastcut.core.strip.search;

import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripWeights;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleSupplier;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;

/**
 * Looks for a plan by simulated annealing (Kirkpatrick, Gelatt and Vecchi, Science 220, 1983):
 * parts are moved at random, a worse arrangement is kept with the probability exp(-Δcost / T), and
 * T falls. Several runs with their own fixed seeds; the best plan of all is taken, so that the
 * result depends on nothing but what is given.
 */
public final class StripSearch {
    private static final int FEWEST_RUNS = 4;

    /** Small circuits are looked through more often; in steps of parts and runs. */
    private static final int RUNS_TIMES_PARTS = 70;

    private static final int MOST_RUNS = 10;

    /** Moves of one run for each part: with an estimate of the wires, then with all laid. */
    private static final int ROUGH_MOVES = 4_500;

    private static final int FINE_MOVES = 2_500;
    private static final int FEWEST_PARTS = 12;
    private static final int MOST_PARTS = 30;

    private static final double HOT = 40;
    private static final double WARM = 4;
    private static final double COLD = 0.25;

    /** A wire for which there is no room. */
    private static final double UNJOINED = 60;

    /** More than any plan costs: parts in each other's way. */
    private static final double HOPELESS = 10_000;

    /** How much room parts have at the start, holes for each lead. */
    private static final double START_ROOM = 7;

    /** Moves between two looks at whether the search is cancelled. */
    private static final int PATIENCE = 500;

    private static final RandomGeneratorFactory<RandomGenerator> RANDOM =
            RandomGeneratorFactory.of("L64X128MixRandom");

    private StripSearch() {}

    /**
     * What was found.
     *
     * @param unjoined wires for which there was no room; 0 when the plan joins all nets
     * @param cost by the weights
     * @param finished false when the search was cancelled
     */
    public record Found(StripPlan plan, int unjoined, double cost, boolean finished) {}

    /**
     * Places all parts that are not kept, and lays cuts and links.
     *
     * @param kept parts that stay where they are
     * @param progress told the share that is done, 0 to 1
     * @param cancelled ends the search with the best plan so far
     * @return empty when no arrangement without collisions was found on this board
     */
    public static Optional<Found> find(
            StripCircuit circuit,
            StripTerms terms,
            StripTerms.Stock stock,
            Map<String, StripPlan.Placed> kept,
            StripWeights weights,
            DoubleConsumer progress,
            BooleanSupplier cancelled) {
        return find(circuit, terms, stock, kept, weights, 1, progress, cancelled);
    }

    /**
     * The same with so many times as many moves, to see what a longer search would find.
     *
     * @param effort 1 is usual
     */
    public static Optional<Found> find(
            StripCircuit circuit,
            StripTerms terms,
            StripTerms.Stock stock,
            Map<String, StripPlan.Placed> kept,
            StripWeights weights,
            int effort,
            DoubleConsumer progress,
            BooleanSupplier cancelled) {
        SearchBoard board = new SearchBoard(circuit, terms, stock, kept, weights);
        if (board.size() == 0) {
            return Optional.empty();
        }
        AtomicInteger steps = new AtomicInteger();
        int all =
                board.isPlaced()
                        ? 1
                        : Math.max(
                                FEWEST_RUNS, Math.min(MOST_RUNS, RUNS_TIMES_PARTS / board.size()));
        List<Integer> seeds = new ArrayList<>();
        for (int i = 0; i < all; i++) {
            seeds.add(i);
        }
        List<Optional<LinkRouter.Routed>> runs =
                Parallel.map(
                        seeds,
                        seed ->
                                new Run(board, seed, effort, cancelled)
                                        .best(
                                                () ->
                                                        progress.accept(
                                                                steps.incrementAndGet()
                                                                        / (double)
                                                                                (all
                                                                                        * Run
                                                                                                .REPORTS))));
        return runs.stream()
                .flatMap(Optional::stream)
                .min(
                        Comparator.comparingInt(LinkRouter.Routed::unjoined)
                                .thenComparingDouble(LinkRouter.Routed::cost))
                .map(r -> new Found(r.plan(), r.unjoined(), r.cost(), !cancelled.getAsBoolean()));
    }

    /** One run. */
    private static final class Run {
        private static final int REPORTS_OF_A_STAGE = 25;
        static final int REPORTS = 2 * REPORTS_OF_A_STAGE;

        private final SearchBoard board;
        private final int effort;
        private final RandomGenerator random;
        private final BooleanSupplier cancelled;
        private final Arrangement now;
        private Optional<LinkRouter.Routed> best = Optional.empty();

        Run(SearchBoard board, int seed, int effort, BooleanSupplier cancelled) {
            this.board = board;
            this.effort = effort;
            this.cancelled = cancelled;
            random = RANDOM.create(0x5eed + seed);
            now = new Arrangement(board);
            scatter();
        }

        private void scatter() {
            int leads = 0;
            for (int[] its : board.net) {
                leads += its.length;
            }
            double side = Math.sqrt(leads * START_ROOM);
            int rows = (int) Math.min(board.strips, Math.max(4, side));
            int columns = (int) Math.min(board.holes, Math.max(4, side * 1.3));
            int fromS = board.whole ? 0 : (board.strips - rows) / 2;
            int fromH = board.whole ? 0 : (board.holes - columns) / 2;
            for (int p = 0; p < board.size(); p++) {
                if (board.locked.get(p) != null) {
                    now.strip[p] = board.locked.get(p)[0];
                    now.hole[p] = board.locked.get(p)[1];
                } else {
                    now.stance[p] = random.nextInt(board.stances.get(p).size());
                    now.strip[p] = fromS + random.nextInt(rows);
                    now.hole[p] = fromH + random.nextInt(columns);
                }
            }
        }

        Optional<LinkRouter.Routed> best(Runnable reported) {
            int free =
                    Math.max(
                            FEWEST_PARTS,
                            (int) board.locked.stream().filter(l -> l == null).count());
            if (board.isPlaced()) {
                exact();
                reported.run();
                return best;
            }
            // Each move of a large circuit takes longer: it gets as many as one of this size.
            int parts = Math.min(free, MOST_PARTS);
            anneal(ROUGH_MOVES * effort * parts, HOT, WARM, now::cost, reported);
            anneal(FINE_MOVES * effort * parts, WARM, COLD, this::exact, reported);
            return best;
        }

        /** Moves parts about while it cools down from one heat to another. */
        private void anneal(
                int moves, double hot, double cold, DoubleSupplier energy, Runnable reported) {
            Arrangement before = now.copy();
            double cost = energy.getAsDouble();
            double cooling = Math.pow(cold / hot, 1.0 / moves);
            double t = hot;
            for (int i = 0; i < moves; i++) {
                if (i % PATIENCE == 0 && cancelled.getAsBoolean()) {
                    return;
                }
                if (i % (moves / REPORTS_OF_A_STAGE) == 0) {
                    reported.run();
                    // Whoever ends the search early gets the best of these.
                    exact();
                }
                before.take(now);
                if (!move(t)) {
                    continue;
                }
                double next = energy.getAsDouble();
                if (next <= cost || random.nextDouble() < Math.exp((cost - next) / t)) {
                    cost = next;
                } else {
                    now.take(before);
                }
                t *= cooling;
            }
        }

        /** The cost with all wires laid; the best plan is kept on the way. */
        private double exact() {
            double estimate = now.cost();
            if (now.faults > 0 && !board.isPlaced()) {
                return HOPELESS + estimate;
            }
            Optional<LinkRouter.Routed> routed = new LinkRouter(now).route();
            if (routed.isEmpty()) {
                return HOPELESS + estimate;
            }
            if (isBetter(routed.get())) {
                LinkRouter.Routed r = routed.get();
                StripPlan plan = r.plan();
                best = Optional.of(new LinkRouter.Routed(r.cost(), r.unjoined(), () -> plan));
            }
            return routed.get().cost() + now.faults + UNJOINED * routed.get().unjoined();
        }

        private boolean isBetter(LinkRouter.Routed r) {
            return best.isEmpty()
                    || r.unjoined() < best.get().unjoined()
                    || (r.unjoined() == best.get().unjoined() && r.cost() < best.get().cost());
        }

        private boolean move(double t) {
            int kind = random.nextInt(20);
            if (kind == 0 && !board.whole) {
                return squeeze();
            }
            int p = random.nextInt(board.size());
            if (board.locked.get(p) != null) {
                return false;
            }
            if (kind < 10) {
                int far = t > 8 ? 6 : t > 2 ? 3 : 1;
                now.strip[p] += random.nextInt(2 * far + 1) - far;
                now.hole[p] += random.nextInt(2 * far + 1) - far;
            } else if (kind < 15) {
                now.stance[p] = random.nextInt(board.stances.get(p).size());
            } else if (kind < 17) {
                int q = random.nextInt(board.size());
                if (q == p || board.locked.get(q) != null) {
                    return false;
                }
                int s = now.strip[p];
                int h = now.hole[p];
                now.strip[p] = now.strip[q];
                now.hole[p] = now.hole[q];
                now.strip[q] = s;
                now.hole[q] = h;
            } else {
                return beside(p);
            }
            return true;
        }

        /** Puts a part so that one of its leads lies on the strip of a lead of its net. */
        private boolean beside(int p) {
            int lead = random.nextInt(board.net[p].length);
            int q = random.nextInt(board.size());
            for (int tries = 0; tries < board.size(); tries++, q = (q + 1) % board.size()) {
                for (int i = 0; q != p && i < board.net[q].length; i++) {
                    if (board.net[q][i] == board.net[p][lead]) {
                        now.stance[p] = random.nextInt(board.stances.get(p).size());
                        Stance own = now.stanceOf(p);
                        Stance its = now.stanceOf(q);
                        now.strip[p] = now.strip[q] + its.strip()[i] - own.strip()[lead];
                        now.hole[p] =
                                now.hole[q]
                                        + its.hole()[i]
                                        - own.hole()[lead]
                                        + random.nextInt(7)
                                        - 3;
                        return true;
                    }
                }
            }
            return false;
        }

        /** Takes out or puts in a strip or a column: all parts beyond it move by one. */
        private boolean squeeze() {
            boolean along = random.nextBoolean();
            int by = random.nextInt(3) == 0 ? 1 : -1;
            int from = random.nextInt(along ? board.holes : board.strips);
            for (int p = 0; p < board.size(); p++) {
                if (along && now.hole[p] >= from) {
                    now.hole[p] += by;
                } else if (!along && now.strip[p] >= from) {
                    now.strip[p] += by;
                }
            }
            return true;
        }
    }
}
