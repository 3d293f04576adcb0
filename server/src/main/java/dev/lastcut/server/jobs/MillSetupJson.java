package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.server.report.Json;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/** A board's set-up on a mill as stored and as the interface sends it; lengths in mm. */
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
    /** A rectangle in the pack's coordinates, nm. */
    public record Area(double minX, double minY, double maxX, double maxY) {
        Envelope toEnvelope() {
            if (!(maxX > minX && maxY > minY) || !(Math.abs(minX) + Math.abs(maxY) < 1e10)) {
                throw new IllegalArgumentException("an area needs a width and a height");
            }
            return new Envelope(minX, maxX, minY, maxY);
        }

        static Area of(Envelope e) {
            return new Area(e.getMinX(), e.getMinY(), e.getMaxX(), e.getMaxY());
        }
    }

    static MillSetupJson parse(String json) {
        return Json.MAPPER.readValue(json, MillSetupJson.class);
    }

    String write() {
        return Json.MAPPER.writeValueAsString(this);
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

    private static String word(Enum<?> e) {
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
