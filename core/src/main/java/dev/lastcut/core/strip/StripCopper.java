package dev.lastcut.core.strip;

import dev.lastcut.core.capability.StripTerms;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The pieces of copper of a plan, and what its links join of them. A hole whose copper is taken
 * away is on no piece.
 */
public final class StripCopper {
    /**
     * A piece of copper: the holes of a strip from the first to the last.
     *
     * @param group equal for pieces that links join
     */
    public record StripPiece(int strip, int first, int last, int group) {
        public boolean holds(GridHole h) {
            return h.strip() == strip && h.hole() >= first && h.hole() <= last;
        }
    }

    private final List<StripPiece> pieces = new ArrayList<>();
    private final Map<GridHole, Integer> pieceOf = new TreeMap<>();
    private final Set<GridHole> bare;

    /**
     * @param gaps where the board has no copper as it is bought
     */
    public StripCopper(StripPlan plan, List<StripTerms.Gap> gaps) {
        bare = bare(plan, gaps);
        for (int s = 0; s < plan.strips(); s++) {
            int first = 0;
            for (int h = 0; h <= plan.holes(); h++) {
                GridHole here = new GridHole(s, h);
                boolean ends = h == plan.holes() || bare.contains(here);
                boolean cutBehind = !ends && plan.knifeCuts().contains(here);
                if (ends || cutBehind) {
                    add(s, first, ends ? h - 1 : h);
                    first = h + 1;
                }
            }
        }
        int[] joined = new int[pieces.size()];
        for (int i = 0; i < joined.length; i++) {
            joined[i] = i;
        }
        for (StripPlan.Link l : plan.links()) {
            Integer a = pieceOf.get(l.from());
            Integer b = pieceOf.get(l.to());
            if (a != null && b != null) {
                joined[root(joined, a)] = root(joined, b);
            }
        }
        for (int i = 0; i < joined.length; i++) {
            StripPiece p = pieces.get(i);
            pieces.set(i, new StripPiece(p.strip(), p.first(), p.last(), root(joined, i)));
        }
    }

    private void add(int strip, int first, int last) {
        if (last >= first) {
            for (int h = first; h <= last; h++) {
                pieceOf.put(new GridHole(strip, h), pieces.size());
            }
            pieces.add(new StripPiece(strip, first, last, 0));
        }
    }

    private static int root(int[] joined, int i) {
        int at = i;
        while (joined[at] != at) {
            joined[at] = joined[joined[at]];
            at = joined[at];
        }
        return at;
    }

    /** Holes without copper: cuts, and gaps of the board as it is bought. */
    public static Set<GridHole> bare(StripPlan plan, List<StripTerms.Gap> gaps) {
        Set<GridHole> all = new HashSet<>(plan.cuts());
        all.addAll(gaps(plan, gaps));
        return all;
    }

    /** The holes of a plan's board that have no copper as bought. */
    public static Set<GridHole> gaps(StripPlan plan, List<StripTerms.Gap> gaps) {
        Set<GridHole> all = new TreeSet<>();
        for (StripTerms.Gap g : gaps) {
            for (int s = g.firstStrip(); s <= g.lastStrip() && s < plan.strips(); s++) {
                if (g.hole() < plan.holes()) {
                    all.add(new GridHole(s, g.hole()));
                }
            }
        }
        return all;
    }

    public List<StripPiece> pieces() {
        return List.copyOf(pieces);
    }

    /** The piece a hole is on; empty where there is no copper. */
    public Optional<StripPiece> at(GridHole h) {
        return Optional.ofNullable(pieceOf.get(h)).map(pieces::get);
    }

    /** Whether the copper round a hole is gone. */
    public boolean isBare(GridHole h) {
        return bare.contains(h);
    }

    /** The pins on each group of joined pieces, by group. */
    public Map<Integer, List<StripCircuit.Pin>> pinsByGroup(StripPlan plan) {
        Map<Integer, List<StripCircuit.Pin>> all = new LinkedHashMap<>();
        plan.leads()
                .forEach(
                        (hole, pins) ->
                                at(hole).ifPresent(
                                                p ->
                                                        all.computeIfAbsent(
                                                                        p.group(),
                                                                        k -> new ArrayList<>())
                                                                .addAll(pins)));
        return all;
    }
}
