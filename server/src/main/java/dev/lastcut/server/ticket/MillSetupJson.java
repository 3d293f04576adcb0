package dev.lastcut.server.ticket;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.milling.MillSetup;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/** A board's set-up on a mill; lengths in mm. */
public record MillSetupJson(
        List<String> tools,
        List<String> sides,
        String clearing,
        List<Area> rubOut,
        List<Area> leaveOut,
        boolean leaveFreeCopper,
        double nickMm,
        boolean climb,
        String ground,
        String throughZero,
        double inStockXMm,
        double inStockYMm,
        int pins,
        String turnedOver) {
    /** A rectangle in the pack's coordinates. */
    public record Area(double minXMm, double minYMm, double maxXMm, double maxYMm) {
        Envelope toEnvelope() {
            if (!(maxXMm > minXMm && maxYMm > minYMm)) {
                throw new IllegalArgumentException("an area needs a width and a height");
            }
            return new Envelope(
                    Length.mm(minXMm), Length.mm(maxXMm), Length.mm(minYMm), Length.mm(maxYMm));
        }

        static Area of(Envelope e) {
            return new Area(
                    Length.toMm(e.getMinX()),
                    Length.toMm(e.getMinY()),
                    Length.toMm(e.getMaxX()),
                    Length.toMm(e.getMaxY()));
        }
    }

    /** The same as JSON for what core gives. */
    public static MillSetupJson of(MillSetup s) {
        return new MillSetupJson(
                s.tools(),
                s.sides().stream().map(Side::word).sorted().toList(),
                word(s.clearing()),
                s.rubOut().stream().map(Area::of).toList(),
                s.leaveOut().stream().map(Area::of).toList(),
                s.leaveFreeCopper(),
                Length.toMm(s.nick()),
                s.climb(),
                s.ground(),
                word(s.throughZero()),
                Length.toMm(s.inStockX()),
                Length.toMm(s.inStockY()),
                s.pins(),
                word(s.turnedOver()));
    }

    /**
     * @throws IllegalArgumentException when a word is not known or a number out of range
     */
    public MillSetup toSetup() {
        Set<Side> chosen = new HashSet<>();
        if (sides != null) {
            sides.forEach(s -> chosen.add(choice(Side.class, s)));
        }
        return new MillSetup(
                tools == null ? List.of() : tools,
                chosen,
                choice(MillSetup.Clearing.class, clearing),
                rubOut == null ? List.of() : rubOut.stream().map(Area::toEnvelope).toList(),
                leaveOut == null ? List.of() : leaveOut.stream().map(Area::toEnvelope).toList(),
                leaveFreeCopper,
                Length.mm(nickMm),
                climb,
                ground == null ? "" : ground,
                choice(MillSetup.Zero.class, throughZero),
                Length.mm(inStockXMm),
                Length.mm(inStockYMm),
                pins,
                choice(MillSetup.FlipAxis.class, turnedOver));
    }

    static String word(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static <E extends Enum<E>> E choice(Class<E> type, String word) {
        for (E e : type.getEnumConstants()) {
            if (word(e).equals(word)) {
                return e;
            }
        }
        throw new IllegalArgumentException("'" + word + "' is not known");
    }
}
