package dev.lastcut.core.panel;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * A panel that is wanted.
 *
 * @param parts how the job's own boards are populated
 * @param others the boards of other packs, by name
 * @param problem why it cannot be, where that is known before it is laid out
 */
public record PanelAsk(
        PanelPlan plan,
        PartsPlan parts,
        Map<String, BoardGeometry> others,
        Optional<String> problem) {
    /** Moving a board about asks for many; few are asked for again. */
    private static final int KEPT = 3;

    public PanelAsk {
        others = Map.copyOf(others);
    }

    /**
     * A panel, or a sentence why there is none.
     *
     * @param boards where they would lie, for whoever puts it right; empty where nobody can tell
     */
    public record Laid(
            Optional<Panel> panel,
            String problem,
            List<PlacedBoard> boards,
            double widthNm,
            double heightNm) {
        private static Laid none(String problem) {
            return new Laid(Optional.empty(), problem, List.of(), 0, 0);
        }
    }

    /** The last panels of a board. */
    private static final class Shelf {
        private final Map<PanelAsk, Laid> kept =
                new LinkedHashMap<>(8, 0.75f, true) {
                    private static final long serialVersionUID = 1;

                    @Override
                    protected boolean removeEldestEntry(Map.Entry<PanelAsk, Laid> eldest) {
                        return size() > KEPT;
                    }
                };

        synchronized Laid get(BoardGeometry own, PanelAsk ask) {
            return kept.computeIfAbsent(ask, a -> a.make(own));
        }
    }

    /** The same in every run: boards of other packs are told by their names. */
    @Override
    public String toString() {
        return plan + " " + parts + " " + new TreeSet<>(others.keySet()) + " " + problem;
    }

    /** Laid out, once for each board and what is asked. */
    public Laid on(BoardGeometry own) {
        return own.once(Shelf.class, Shelf::new).get(own, this);
    }

    private Laid make(BoardGeometry own) {
        if (problem.isPresent()) {
            return Laid.none(problem.get());
        }
        Optional<Layout> layout = Optional.empty();
        try {
            Map<String, PanelSource> sources = new HashMap<>();
            others.forEach(
                    (name, g) -> sources.put(name, new PanelSource(name, g, PartsPlan.NONE)));
            PanelSource first = new PanelSource("", own, parts);
            layout = Optional.of(Layout.of(plan, first, sources));
            Panel panel = Panel.of(plan, layout.get(), first, sources);
            return new Laid(
                    Optional.of(panel), "", panel.boards(), panel.widthNm(), panel.heightNm());
        } catch (IllegalArgumentException e) {
            String why = String.valueOf(e.getMessage());
            return layout.map(
                            l ->
                                    new Laid(
                                            Optional.empty(),
                                            why,
                                            l.boards(),
                                            l.widthNm(),
                                            l.heightNm()))
                    .orElse(Laid.none(why));
        }
    }
}
