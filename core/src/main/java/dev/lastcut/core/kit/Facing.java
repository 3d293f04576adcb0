package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.placement.Polarity;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Which way round a part stands, in words that are seen on the board. */
final class Facing {
    /** So much of the longer way counts as being off the middle. */
    private static final double OFF = 0.25;

    /**
     * @param mark the pin the words are about
     */
    record Words(String words, Optional<Pt> mark) {
        static final Words NONE = new Words("", Optional.empty());
    }

    private Facing() {}

    /**
     * @param known what the counter states of the part: its cathode is believed before pin 1
     */
    static Words of(Part part, Optional<CataloguePart> known, List<Netlist.Point> pins, Side side) {
        if (pins.size() < 2) {
            return Words.NONE;
        }
        if (Polarity.isDiode(part)) {
            Optional<String> cathode =
                    known.stream()
                            .flatMap(k -> k.pins().stream())
                            .filter(p -> p.role() == CataloguePart.PinRole.CATHODE)
                            .map(CataloguePart.Pin::pin)
                            .findFirst();
            // Numbered pins of which nothing is known: 1 is the cathode (common practice).
            Optional<Netlist.Point> there =
                    cathode.flatMap(c -> pin(pins, c))
                            .or(() -> pin(pins, "K", "C", "CATHODE", "1"));
            return said("band or cathode", there, pins, side);
        }
        if (Polarity.isCapacitorWithPlus(part)) {
            return said("plus", pin(pins, "+", "P", "PLUS", "1"), pins, side);
        }
        return pins.stream().map(Netlist.Point::pin).distinct().count() > 2
                ? said("pin 1", pin(pins, "1", "A1"), pins, side)
                : Words.NONE;
    }

    private static Optional<Netlist.Point> pin(List<Netlist.Point> pins, String... names) {
        for (String n : names) {
            Optional<Netlist.Point> found =
                    pins.stream()
                            .filter(p -> p.pin().toUpperCase(Locale.ROOT).equals(n))
                            .findFirst();
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private static Words said(
            String what, Optional<Netlist.Point> pin, List<Netlist.Point> pins, Side side) {
        if (pin.isEmpty()) {
            return new Words(what + ": no pin is named so, look at the silk", Optional.empty());
        }
        double x = 0;
        double y = 0;
        double reach = 0;
        for (Netlist.Point p : pins) {
            x += p.at().x() / (double) pins.size();
            y += p.at().y() / (double) pins.size();
        }
        for (Netlist.Point p : pins) {
            reach = Math.max(reach, Math.hypot(p.at().x() - x, p.at().y() - y));
        }
        // From below, left is right.
        double dx = (pin.get().at().x() - x) * (side == Side.BOTTOM ? -1 : 1);
        double dy = pin.get().at().y() - y;
        String across = Math.abs(dx) < OFF * reach ? "" : dx < 0 ? "left" : "right";
        String up = Math.abs(dy) < OFF * reach ? "" : dy < 0 ? "lower" : "upper";
        String where =
                across.isEmpty()
                        ? (up.equals("upper") ? "at the top" : "at the foot")
                        : "at the " + (up + " " + across).strip();
        return new Words(what + " " + where, Optional.of(pin.get().at()));
    }
}
