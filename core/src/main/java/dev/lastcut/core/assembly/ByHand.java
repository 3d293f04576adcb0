package dev.lastcut.core.assembly;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.table.Designators;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What the maker solders although the shop would, or the other way round: by part, else by package
 * (a footprint's name or the package in it), else by side.
 *
 * @param parts designator to whether it is soldered by hand
 */
public record ByHand(
        SortedSet<String> packages, SortedSet<Side> sides, SortedMap<String, Boolean> parts) {
    public static final ByHand NONE = new ByHand(new TreeSet<>(), new TreeSet<>(), new TreeMap<>());

    public ByHand {
        packages = Collections.unmodifiableSortedSet(new TreeSet<>(packages));
        sides = Collections.unmodifiableSortedSet(new TreeSet<>(sides));
        TreeMap<String, Boolean> all = new TreeMap<>(Designators.ORDER);
        all.putAll(parts);
        parts = Collections.unmodifiableSortedMap(all);
    }

    /** With a package soldered by hand, or as the shop has it. */
    public ByHand ofPackage(String name, boolean hand) {
        TreeSet<String> all = new TreeSet<>(packages);
        if (hand) {
            all.add(name);
        } else {
            all.remove(name);
        }
        return new ByHand(all, sides, parts);
    }

    /** With a side soldered by hand, or as the shop has it. */
    public ByHand ofSide(Side side, boolean hand) {
        TreeSet<Side> all = new TreeSet<>(sides);
        if (hand) {
            all.add(side);
        } else {
            all.remove(side);
        }
        return new ByHand(packages, all, parts);
    }

    /** With a part soldered by hand or by the house; empty: as its package. */
    public ByHand ofPart(String designator, Optional<Boolean> hand) {
        TreeMap<String, Boolean> all = new TreeMap<>(parts);
        hand.ifPresentOrElse(h -> all.put(designator, h), () -> all.remove(designator));
        return new ByHand(packages, sides, all);
    }

    /**
     * The maker's word on a part.
     *
     * @param hand false where the shop is to fit it whatever is said of its package or side
     * @param says the word as a reason
     */
    public record Word(boolean hand, String says) {}

    /** What the maker said of a part; empty where nothing was said. */
    public Optional<Word> word(Part part) {
        Boolean own = parts.get(part.designator());
        if (own != null) {
            return Optional.of(
                    new Word(own, own ? "chosen to be soldered by hand" : "left to the shop"));
        }
        String footprint = part.placed().map(p -> p.footprint()).orElse(part.footprint());
        for (String name : List.of(footprint, PackageName.of(footprint))) {
            if (packages.contains(name)) {
                return Optional.of(
                        new Word(true, "every " + name + " is chosen to be soldered by hand"));
            }
        }
        return part.placed()
                .map(PlacedPart::side)
                .filter(sides::contains)
                .map(s -> new Word(true, "the " + s.word() + " is chosen to be soldered by hand"));
    }

    ByHand without(Set<String> designators) {
        TreeMap<String, Boolean> left = new TreeMap<>(parts);
        left.keySet().removeAll(designators);
        return new ByHand(packages, sides, left);
    }
}
