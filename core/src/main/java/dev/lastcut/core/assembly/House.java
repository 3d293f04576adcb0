package dev.lastcut.core.assembly;

import dev.lastcut.core.capability.CapabilitySheet;
import java.util.List;

/** Who fits what: the parts a house is given, and those that are left for the bench. */
public final class House {
    private House() {}

    /**
     * The parts that go into a shop's tables. What nobody placed stays on its list, for there it is
     * seen to be missing; a shop that fits nothing gets tables of everything.
     */
    public static List<Part> parts(List<Part> parts, CapabilitySheet sheet, ByHand byHand) {
        if (sheet.assembly().isEmpty()) {
            return parts;
        }
        return parts.stream()
                .filter(p -> p.placed().isEmpty() || byHand.houseFits(p, sheet))
                .toList();
    }

    /** The fitted parts that somebody solders by hand. */
    public static List<Part> byHand(List<Part> parts, CapabilitySheet sheet, ByHand byHand) {
        return parts.stream().filter(p -> p.fitted() && !byHand.houseFits(p, sheet)).toList();
    }
}
