package dev.lastcut.core.assembly;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.formats.table.Designators;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * All that is chosen about parts.
 *
 * @param known what the counter said of parts that were chosen, by number; kept here so that the
 *     same ticket gives the same findings and costs whatever the counter says tomorrow
 * @param needs what a part must do in this circuit, by designator, each as it was written
 */
public record PartsPlan(
        Variants variants,
        SortedMap<String, CataloguePart> known,
        SortedMap<String, List<String>> needs) {
    public static final PartsPlan NONE =
            new PartsPlan(Variants.NONE, new TreeMap<>(), new TreeMap<>());

    public PartsPlan {
        known = Collections.unmodifiableSortedMap(new TreeMap<>(known));
        TreeMap<String, List<String>> all = new TreeMap<>(Designators.ORDER);
        needs.forEach(
                (designator, said) -> {
                    if (!said.isEmpty()) {
                        all.put(designator, List.copyOf(said));
                    }
                });
        needs = Collections.unmodifiableSortedMap(all);
    }

    public PartsPlan with(Variants other) {
        return new PartsPlan(other, known, needs);
    }

    public PartsPlan knowing(Map<String, CataloguePart> more) {
        TreeMap<String, CataloguePart> all = new TreeMap<>(known);
        all.putAll(more);
        return new PartsPlan(variants, all, needs);
    }

    /** With what a part must do; an empty list takes all back. */
    public PartsPlan needing(String designator, List<String> said) {
        TreeMap<String, List<String>> all = new TreeMap<>(needs);
        all.put(designator, said);
        return new PartsPlan(variants, known, all);
    }

    /** What is known of the part that is fitted. */
    public Optional<CataloguePart> known(Part part) {
        return Optional.ofNullable(known.get(part.partNumber()));
    }

    /** Without what is chosen for some designators. */
    public PartsPlan without(Set<String> designators) {
        TreeMap<String, List<String>> left = new TreeMap<>(needs);
        left.keySet().removeAll(designators);
        return new PartsPlan(variants.without(designators), known, left);
    }
}
