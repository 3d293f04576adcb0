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
 * @param turns what is added to the rotations of the placement
 * @param byHand what the maker solders
 * @param notes what somebody wrote to a part for the bench, by designator
 * @param looked packages whose rotations somebody looked at, each with how they were then
 * @param guide the order of the bench guide
 * @param polarity the pin of a footprint that is the cathode or the plus, as somebody told it
 * @param heights the room that parts have above the board
 */
public record PartsPlan(
        Variants variants,
        SortedMap<String, CataloguePart> known,
        SortedMap<String, List<String>> needs,
        Turns turns,
        ByHand byHand,
        SortedMap<String, String> notes,
        SortedMap<String, String> looked,
        SortedMap<String, String> polarity,
        GuidePlan guide,
        Heights heights) {
    public static final PartsPlan NONE =
            new PartsPlan(
                    Variants.NONE,
                    new TreeMap<>(),
                    new TreeMap<>(),
                    Turns.NONE,
                    ByHand.NONE,
                    new TreeMap<>(),
                    new TreeMap<>(),
                    new TreeMap<>(),
                    GuidePlan.AS_PROPOSED,
                    Heights.NONE);

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
        TreeMap<String, String> written = new TreeMap<>(Designators.ORDER);
        written.putAll(notes);
        written.values().removeIf(String::isBlank);
        notes = Collections.unmodifiableSortedMap(written);
        looked = Collections.unmodifiableSortedMap(new TreeMap<>(looked));
        polarity = Collections.unmodifiableSortedMap(new TreeMap<>(polarity));
    }

    public PartsPlan with(Variants other) {
        return new PartsPlan(
                other, known, needs, turns, byHand, notes, looked, polarity, guide, heights);
    }

    public PartsPlan with(Turns other) {
        return new PartsPlan(
                variants, known, needs, other, byHand, notes, looked, polarity, guide, heights);
    }

    public PartsPlan with(ByHand other) {
        return new PartsPlan(
                variants, known, needs, turns, other, notes, looked, polarity, guide, heights);
    }

    public PartsPlan knowing(Map<String, CataloguePart> more) {
        TreeMap<String, CataloguePart> all = new TreeMap<>(known);
        all.putAll(more);
        return new PartsPlan(
                variants, all, needs, turns, byHand, notes, looked, polarity, guide, heights);
    }

    /** With what a part must do; an empty list takes all back. */
    public PartsPlan needing(String designator, List<String> said) {
        TreeMap<String, List<String>> all = new TreeMap<>(needs);
        all.put(designator, said);
        return new PartsPlan(
                variants, known, all, turns, byHand, notes, looked, polarity, guide, heights);
    }

    /** With a footprint looked at as its parts lie now; an empty text takes it back. */
    public PartsPlan lookedAt(String footprint, String asTheyLie) {
        TreeMap<String, String> all = new TreeMap<>(looked);
        all.put(footprint, asTheyLie);
        all.values().removeIf(String::isEmpty);
        return new PartsPlan(
                variants, known, needs, turns, byHand, notes, all, polarity, guide, heights);
    }

    /** With the pin of a footprint that is the cathode or the plus; empty takes it back. */
    public PartsPlan polarised(String footprint, Optional<String> pin) {
        TreeMap<String, String> all = new TreeMap<>(polarity);
        pin.ifPresentOrElse(x -> all.put(footprint, x), () -> all.remove(footprint));
        return new PartsPlan(
                variants, known, needs, turns, byHand, notes, looked, all, guide, heights);
    }

    /** With another order of the bench guide. */
    public PartsPlan guided(GuidePlan other) {
        return new PartsPlan(
                variants, known, needs, turns, byHand, notes, looked, polarity, other, heights);
    }

    public PartsPlan with(Heights other) {
        return new PartsPlan(
                variants, known, needs, turns, byHand, notes, looked, polarity, guide, other);
    }

    /** With a note to a part; an empty one takes it back. */
    public PartsPlan noting(String designator, String note) {
        TreeMap<String, String> all = new TreeMap<>(notes);
        all.put(designator, note.strip());
        return new PartsPlan(
                variants, known, needs, turns, byHand, all, looked, polarity, guide, heights);
    }

    /** What is known of the part that is fitted. */
    public Optional<CataloguePart> known(Part part) {
        return Optional.ofNullable(known.get(part.partNumber()));
    }

    /** Without what is chosen for some designators. */
    public PartsPlan without(Set<String> designators) {
        TreeMap<String, List<String>> left = new TreeMap<>(needs);
        left.keySet().removeAll(designators);
        TreeMap<String, String> written = new TreeMap<>(notes);
        written.keySet().removeAll(designators);
        return new PartsPlan(
                variants.without(designators),
                known,
                left,
                turns.without(designators),
                byHand.without(designators),
                written,
                looked,
                polarity,
                guide.without(designators),
                heights);
    }
}
