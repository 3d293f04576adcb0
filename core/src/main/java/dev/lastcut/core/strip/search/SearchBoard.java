package dev.lastcut.core.strip.search;

import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripPart;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripWeights;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What a search works on, in numbers: the parts with all their stances, the nets, the board. */
final class SearchBoard {
    final List<StripPart> parts = new ArrayList<>();

    /** All stances of each part; one for a locked part. */
    final List<List<Stance>> stances = new ArrayList<>();

    /** Where locked parts stand: strip and hole of their first lead; null for the others. */
    final List<int[]> locked = new ArrayList<>();

    /** Net of each lead of each part; leads without a net have one of their own. */
    final int[][] net;

    final int nets;
    final int strips;
    final int holes;
    final StripTerms.Stock stock;

    /** By strip and hole: no copper as bought. */
    final boolean[][] gap;

    final StripWeights weights;

    /**
     * Whether the board is used as it is bought: it has gaps, or parts that stay where they are.
     */
    final boolean whole;

    SearchBoard(
            StripCircuit circuit,
            StripTerms terms,
            StripTerms.Stock stock,
            Map<String, StripPlan.Placed> kept,
            StripWeights weights) {
        this.stock = stock;
        this.weights = weights;
        strips = stock.strips();
        holes = stock.holes();
        double pitch = terms.pitchNm() / 1e6;
        gap = new boolean[strips][holes];
        stock.gaps()
                .forEach(
                        g -> {
                            for (int s = g.firstStrip(); s <= g.lastStrip(); s++) {
                                gap[s][g.hole()] = true;
                            }
                        });
        Map<String, Integer> number = new HashMap<>();
        Map<StripCircuit.Pin, String> netOf = circuit.netOfPin();
        int alone = 0;
        List<int[]> leads = new ArrayList<>();
        for (StripPart part : circuit.parts().values()) {
            if (part.form().isEmpty()) {
                continue;
            }
            parts.add(part);
            StripPlan.Placed at = kept.get(part.designator());
            if (at == null) {
                stances.add(Stance.of(part, pitch));
                locked.add(null);
            } else {
                var first = at.pins().get(part.pins().get(0));
                stances.add(List.of(Stance.of(part, at, pitch)));
                locked.add(new int[] {first.strip(), first.hole()});
            }
            int[] its = new int[part.pins().size()];
            for (int i = 0; i < its.length; i++) {
                String pin = part.pins().get(i);
                String name = netOf.get(new StripCircuit.Pin(part.designator(), pin));
                String key = name == null ? "\0" + alone++ : name;
                its[i] = number.computeIfAbsent(key, k -> number.size());
            }
            leads.add(its);
        }
        net = leads.toArray(int[][]::new);
        nets = number.size();
        whole = !stock.gaps().isEmpty() || locked.stream().anyMatch(l -> l != null);
    }

    /** Whether every part stays where it is, in each other's way or not. */
    boolean isPlaced() {
        return locked.stream().allMatch(l -> l != null);
    }

    int size() {
        return parts.size();
    }
}
