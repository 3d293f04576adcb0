package dev.lastcut.core.panel;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.GuidePlan;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assembly.Variants;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;

/** What is chosen about the parts of a board, said of every such board on a panel. */
final class PanelParts {
    private PanelParts() {}

    static PartsPlan plan(Panel panel) {
        PartsPlan own =
                panel.boards().stream()
                        .filter(b -> b.source().name().isEmpty())
                        .findFirst()
                        .map(b -> b.source().parts())
                        .orElse(PartsPlan.NONE);
        Function<PlacedBoard, PartsPlan> of = b -> b.source().parts();
        SortedMap<String, SortedMap<String, Fitting>> named = new TreeMap<>();
        own.variants()
                .names()
                .forEach(v -> named.put(v, all(panel, b -> of.apply(b).variants().named().get(v))));
        return new PartsPlan(
                new Variants(
                        all(panel, b -> of.apply(b).variants().base()),
                        named,
                        own.variants().built()),
                own.known(),
                new TreeMap<>(),
                new Turns(own.turns().packages(), all(panel, b -> of.apply(b).turns().parts())),
                new ByHand(
                        own.byHand().packages(),
                        own.byHand().sides(),
                        all(panel, b -> of.apply(b).byHand().parts())),
                new TreeMap<>(),
                new TreeMap<>(),
                own.polarity(),
                GuidePlan.AS_PROPOSED,
                Heights.NONE);
    }

    private static <T> SortedMap<String, T> all(
            Panel panel, Function<PlacedBoard, SortedMap<String, T>> of) {
        TreeMap<String, T> all = new TreeMap<>();
        for (PlacedBoard b : panel.boards()) {
            SortedMap<String, T> own = of.apply(b);
            if (own != null) {
                own.forEach((designator, what) -> all.put(b.named(designator), what));
            }
        }
        return all;
    }
}
