package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.placement.PartPolarity;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Which way round a part stands, in words that are seen on the board and on the part. */
final class Facing {
    /** So much of the longer way counts as being off the middle. */
    private static final double OFF = 0.25;

    /**
     * @param mark the pin the words are about
     * @param assumed true where nothing tells which pin it is
     */
    record Words(String words, Optional<Pt> mark, boolean assumed) {
        static final Words NONE = new Words("", Optional.empty(), false);
    }

    private Facing() {}

    /**
     * @param polarity of the part; empty where it has none
     * @param leaded whether it stands on leads
     */
    static Words of(
            Part part,
            Optional<PartPolarity> polarity,
            List<Netlist.Point> pins,
            Side side,
            boolean leaded) {
        if (polarity.isPresent()) {
            PartPolarity p = polarity.get();
            String what = Seen.of(part, p.terminal(), leaded);
            if (p.at().isEmpty()) {
                return new Words(
                        what + ": no pin has a place, look at the silk",
                        Optional.empty(),
                        p.isAssumed());
            }
            String words = what + " " + where(p.at().get(), pins, side);
            return new Words(
                    p.isAssumed()
                            ? words
                                    + " if pin "
                                    + p.pin()
                                    + " is the "
                                    + p.terminal().word()
                                    + ", which nothing says: look at silk and data sheet first"
                            : words,
                    p.at(),
                    p.isAssumed());
        }
        if (pins.stream().map(Netlist.Point::pin).distinct().count() < 3) {
            return Words.NONE;
        }
        return pins.stream()
                .filter(p -> List.of("1", "A1").contains(p.pin().toUpperCase(Locale.ROOT)))
                .findFirst()
                .map(
                        p ->
                                new Words(
                                        "dot or notch (pin 1) " + where(p.at(), pins, side),
                                        Optional.of(p.at()),
                                        false))
                .orElse(
                        new Words(
                                "pin 1: no pin is named so, look at the silk",
                                Optional.empty(),
                                false));
    }

    private static String where(Pt at, List<Netlist.Point> pins, Side side) {
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
        double dx = (at.x() - x) * (side == Side.BOTTOM ? -1 : 1);
        double dy = at.y() - y;
        String across = Math.abs(dx) < OFF * reach ? "" : dx < 0 ? "left" : "right";
        String up = Math.abs(dy) < OFF * reach ? "" : dy < 0 ? "lower" : "upper";
        if (across.isEmpty()) {
            return up.equals("upper") ? "at the top" : "at the foot";
        }
        return "at the " + (up + " " + across).strip();
    }
}
