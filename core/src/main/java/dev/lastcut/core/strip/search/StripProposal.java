package dev.lastcut.core.strip.search;

import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;

/** The computer's plan for a circuit: the board it goes on, the parts, cuts, links and probes. */
public final class StripProposal {
    /** Parts take at least so many holes of a board for each lead. */
    private static final double LEAST_ROOM = 1.2;

    private StripProposal() {}

    /**
     * Lays a circuit out.
     *
     * @param kept parts that stay where they are
     * @param progress told the share that is done, 0 to 1
     * @param cancelled ends the search with the best plan so far
     * @return a plan that does not join all nets where none was found that does, and an empty one
     *     where nothing fits: the checks say so
     */
    public static StripLayout of(
            StripCircuit circuit,
            StripTerms terms,
            StripChoices choices,
            Map<String, StripPlan.Placed> kept,
            DoubleConsumer progress,
            BooleanSupplier cancelled) {
        List<StripTerms.Stock> boards = boards(circuit, terms, choices);
        Optional<StripSearch.Found> best = Optional.empty();
        StripTerms.Stock on = boards.get(boards.size() - 1);
        for (StripTerms.Stock stock : boards) {
            Optional<StripSearch.Found> found =
                    StripSearch.find(
                            circuit,
                            terms,
                            stock,
                            usable(circuit, kept),
                            choices.weights(),
                            progress,
                            cancelled);
            if (found.isPresent()
                    && (best.isEmpty() || found.get().unjoined() < best.get().unjoined())) {
                best = found;
                on = stock;
            }
            if (cancelled.getAsBoolean() || (best.isPresent() && best.get().unjoined() == 0)) {
                break;
            }
        }
        StripTerms.Stock stock = on;
        StripPlan plan =
                best.map(StripSearch.Found::plan)
                        .map(p -> withProbes(circuit, p, stock))
                        .orElse(empty(stock));
        return new StripLayout(circuit, terms, stock, plan, true);
    }

    /** A whole board with nothing on it. */
    private static StripPlan empty(StripTerms.Stock stock) {
        return new StripPlan(
                Optional.of(stock.name()),
                stock.strips(),
                stock.holes(),
                Map.of(),
                Set.of(),
                Set.of(),
                List.of(),
                List.of());
    }

    private static Map<String, StripPlan.Placed> usable(
            StripCircuit circuit, Map<String, StripPlan.Placed> kept) {
        Map<String, StripPlan.Placed> all = new TreeMap<>(kept);
        all.keySet().retainAll(circuit.parts().keySet());
        all.entrySet()
                .removeIf(
                        e -> {
                            var part = circuit.parts().get(e.getKey());
                            return part.form().isEmpty()
                                    || !e.getValue().pins().keySet().containsAll(part.pins());
                        });
        return all;
    }

    private static List<StripTerms.Stock> boards(
            StripCircuit circuit, StripTerms terms, StripChoices choices) {
        Optional<StripTerms.Stock> named = choices.stock().flatMap(terms::named);
        if (named.isPresent()) {
            return List.of(named.get());
        }
        int leads = circuit.parts().values().stream().mapToInt(p -> p.pins().size()).sum();
        List<StripTerms.Stock> large = new ArrayList<>(terms.stock());
        large.removeIf(s -> s.strips() * s.holes() < leads * LEAST_ROOM);
        return large.isEmpty() ? List.of(terms.stock().get(terms.stock().size() - 1)) : large;
    }

    /** A place to measure each net of two pins or more: a free hole of its copper, else a lead. */
    public static StripPlan withProbes(
            StripCircuit circuit, StripPlan plan, StripTerms.Stock stock) {
        StripCopper copper = new StripCopper(plan, stock.gaps());
        Map<GridHole, List<StripCircuit.Pin>> leads = plan.leads();
        Set<GridHole> ends = plan.linkEnds();
        List<StripPlan.ProbePoint> probes = new ArrayList<>();
        circuit.nets().keySet().stream()
                .sorted(Designators.ORDER)
                .forEach(
                        net -> {
                            List<GridHole> its = new ArrayList<>();
                            for (StripCircuit.Pin p : circuit.nets().get(net)) {
                                StripPlan.Placed placed = plan.parts().get(p.part());
                                if (placed != null && placed.pins().containsKey(p.pin())) {
                                    its.add(placed.pins().get(p.pin()));
                                }
                            }
                            if (its.size() > 1) {
                                probes.add(
                                        new StripPlan.ProbePoint(
                                                net,
                                                probe(copper, its, leads, ends)
                                                        .orElse(its.get(0))));
                            }
                        });
        return new StripPlan(
                plan.stock(),
                plan.strips(),
                plan.holes(),
                plan.parts(),
                plan.cuts(),
                plan.knifeCuts(),
                plan.links(),
                probes);
    }

    private static Optional<GridHole> probe(
            StripCopper copper,
            List<GridHole> its,
            Map<GridHole, List<StripCircuit.Pin>> leads,
            Set<GridHole> ends) {
        for (GridHole h : its) {
            Optional<StripCopper.StripPiece> piece = copper.at(h);
            for (int x = piece.map(StripCopper.StripPiece::first).orElse(0);
                    piece.isPresent() && x <= piece.get().last();
                    x++) {
                GridHole free = new GridHole(h.strip(), x);
                if (!leads.containsKey(free) && !ends.contains(free)) {
                    return Optional.of(free);
                }
            }
        }
        return Optional.empty();
    }
}
