package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.connectivity.NetNames;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.placement.Polarity;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Parts of two pins that would stand against their nets however they are placed: a capacitor with
 * its plus on ground, a diode that shorts a supply to ground.
 */
final class AgainstItsNets {
    private AgainstItsNets() {}

    /** What is wrong, to be read after the part's name; empty when nothing is. */
    static Optional<String> of(Part part, PartPins pins) {
        List<Netlist.Point> own = pins.of(part.designator());
        boolean plus = Polarity.isCapacitorWithPlus(part);
        if (pins.count(part.designator()) != 2 || !(plus || Polarity.isDiode(part))) {
            return Optional.empty();
        }
        Optional<Netlist.Point> first =
                named(own, plus ? List.of("+", "P", "PLUS") : List.of("K", "C", "CATHODE"))
                        .or(() -> named(own, List.of("1")));
        if (first.isEmpty()) {
            return Optional.empty();
        }
        String there =
                own.stream()
                        .filter(p -> !p.pin().equals(first.get().pin()))
                        .map(Netlist.Point::net)
                        .findFirst()
                        .orElse("");
        if (!NetNames.isGround(first.get().net()) || !NetNames.isPositive(there)) {
            return Optional.empty();
        }
        return Optional.of(
                String.format(
                        plus
                                ? "has pin %s, its plus, on %s and the other on %s: it would stand"
                                        + " in reverse and may burst."
                                : "has pin %s, its cathode, on %s and the other on %s: it would"
                                        + " short the supply.",
                        first.get().pin(),
                        first.get().net(),
                        there));
    }

    private static Optional<Netlist.Point> named(List<Netlist.Point> own, List<String> names) {
        return own.stream()
                .filter(p -> names.contains(p.pin().toUpperCase(Locale.ROOT)))
                .findFirst();
    }
}
