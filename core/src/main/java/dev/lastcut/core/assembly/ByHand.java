package dev.lastcut.core.assembly;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
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

    /** Whether the house fits a part: where it has no say it fits what lies on its sides. */
    public boolean houseFits(Part part, CapabilitySheet sheet) {
        List<Side> fits = sheet.assembly().map(Assembly::sides).orElse(List.of());
        Optional<Side> side = part.placed().map(p -> p.side());
        // A house cannot fit what it has no place for, whatever is asked of it.
        if (side.isEmpty() || !fits.contains(side.get())) {
            return false;
        }
        Boolean own = parts.get(part.designator());
        if (own != null) {
            return !own;
        }
        String footprint = part.placed().map(p -> p.footprint()).orElse(part.footprint());
        return !packages.contains(footprint)
                && !packages.contains(PackageName.of(footprint))
                && !sides.contains(side.get());
    }

    ByHand without(Set<String> designators) {
        TreeMap<String, Boolean> left = new TreeMap<>(parts);
        left.keySet().removeAll(designators);
        return new ByHand(packages, sides, left);
    }
}
