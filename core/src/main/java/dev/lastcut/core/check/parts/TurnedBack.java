package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;

/**
 * A part's pins as they lie about their middle when its rotation is taken off, seen from its own
 * side: parts of one footprint look alike then, unless one of them is said to be turned otherwise
 * than it lies.
 *
 * @param pins places by the pin's name, nm
 * @param extent the longer side of the box about them, nm
 */
record TurnedBack(Part part, Map<String, Coordinate> pins, double extent) {
    /** Pins this near to each other, as a share of the extent, are in one place. */
    private static final double SAME = 0.12;

    /** Empty for parts that are not placed, or of which fewer than two pins have places. */
    static Optional<TurnedBack> of(Part part, List<Netlist.Point> points) {
        Optional<PlacedPart> at = part.placed();
        if (at.isEmpty()) {
            return Optional.empty();
        }
        double a = -Math.toRadians(at.get().rotationDeg());
        double mirror = at.get().side() == Side.BOTTOM ? -1 : 1;
        Map<String, Coordinate> turned = new TreeMap<>();
        Envelope box = new Envelope();
        for (Netlist.Point p : points) {
            double x = p.at().x() - at.get().at().x();
            double y = p.at().y() - at.get().at().y();
            Coordinate c =
                    new Coordinate(
                            mirror * (x * Math.cos(a) - y * Math.sin(a)),
                            x * Math.sin(a) + y * Math.cos(a));
            turned.putIfAbsent(p.pin(), c);
            box.expandToInclude(c);
        }
        double extent = Math.max(box.getWidth(), box.getHeight());
        if (turned.size() < 2 || extent == 0) {
            return Optional.empty();
        }
        Coordinate m = box.centre();
        turned.replaceAll((pin, c) -> new Coordinate(c.x - m.x, c.y - m.y));
        return Optional.of(new TurnedBack(part, turned, extent));
    }

    /** Whether its pins lie where another's do once it is turned by so many quarters. */
    boolean fits(TurnedBack other, int quarters) {
        int shared = 0;
        for (Map.Entry<String, Coordinate> e : pins.entrySet()) {
            Coordinate there = other.pins.get(e.getKey());
            if (there != null) {
                shared++;
                if (turned(e.getValue(), quarters).distance(there) > SAME * extent) {
                    return false;
                }
            }
        }
        return shared >= 2;
    }

    static Coordinate turned(Coordinate c, int quarters) {
        return switch (Math.floorMod(quarters, 4)) {
            case 1 -> new Coordinate(-c.y, c.x);
            case 2 -> new Coordinate(-c.x, -c.y);
            case 3 -> new Coordinate(c.y, -c.x);
            default -> c;
        };
    }

    /** In which quarter about the middle its first pin lies, 0 to 3; empty when on an axis. */
    Optional<Integer> corner() {
        Coordinate c = pins.get("1");
        if (c == null || Math.abs(c.x) < SAME * extent || Math.abs(c.y) < SAME * extent / 2) {
            return Optional.empty();
        }
        return Optional.of(c.x > 0 ? (c.y > 0 ? 0 : 3) : (c.y > 0 ? 1 : 2));
    }
}
