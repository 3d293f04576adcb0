package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
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
public record UnrotatedPins(Part part, Map<String, Coordinate> pins, double extent) {
    /** Pins this near to each other, as a share of the extent, are in one place. */
    private static final double SAME = 0.12;

    /** A part turned by less than this is not turned. */
    private static final double NOT_TURNED_DEG = 3;

    /** Empty for parts that are not placed, or of which fewer than two pins have places. */
    public static Optional<UnrotatedPins> of(
            Part part, double rotationDeg, List<Netlist.Point> points) {
        Optional<PlacedPart> at = part.placed();
        if (at.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Coordinate> turned = new TreeMap<>();
        Envelope box = new Envelope();
        for (Netlist.Point p : points) {
            Coordinate c = back(p.at(), at.get(), rotationDeg);
            turned.putIfAbsent(p.pin(), c);
            box.expandToInclude(c);
        }
        double extent = Math.max(box.getWidth(), box.getHeight());
        if (turned.size() < 2 || extent == 0) {
            return Optional.empty();
        }
        Coordinate m = box.centre();
        turned.replaceAll((pin, c) -> new Coordinate(c.x - m.x, c.y - m.y));
        return Optional.of(new UnrotatedPins(part, turned, extent));
    }

    /** A place about the part's own, its rotation taken off, seen from its own side. */
    public static Coordinate back(Pt at, PlacedPart part, double rotationDeg) {
        double a = -Math.toRadians(rotationDeg);
        double x = at.x() - part.at().x();
        double y = at.y() - part.at().y();
        double mirror = part.side() == Side.BOTTOM ? -1 : 1;
        return new Coordinate(
                mirror * (x * Math.cos(a) - y * Math.sin(a)), x * Math.sin(a) + y * Math.cos(a));
    }

    /**
     * By how many degrees its pins must be turned on, counter-clockwise, to lie as another's do: 0
     * when they lie so; the angle of the least squares over the pins that both have. Empty when no
     * turn brings them there.
     */
    public OptionalDouble turnTo(UnrotatedPins other) {
        double cross = 0;
        double dot = 0;
        int shared = 0;
        for (Map.Entry<String, Coordinate> e : pins.entrySet()) {
            Coordinate here = e.getValue();
            Coordinate there = other.pins.get(e.getKey());
            if (there != null) {
                shared++;
                cross += here.x * there.y - here.y * there.x;
                dot += here.x * there.x + here.y * there.y;
            }
        }
        if (shared < 2) {
            return OptionalDouble.empty();
        }
        double deg = Math.toDegrees(Math.atan2(cross, dot));
        double quarter = Math.rint(deg / 90) * 90;
        double turn = Math.abs(deg - quarter) < NOT_TURNED_DEG ? quarter : deg;
        return liesSo(other, turn)
                ? OptionalDouble.of(((turn % 360) + 360) % 360)
                : OptionalDouble.empty();
    }

    private boolean liesSo(UnrotatedPins other, double turnDeg) {
        double cos = Math.cos(Math.toRadians(turnDeg));
        double sin = Math.sin(Math.toRadians(turnDeg));
        for (Map.Entry<String, Coordinate> e : pins.entrySet()) {
            Coordinate c = e.getValue();
            Coordinate there = other.pins.get(e.getKey());
            if (there != null
                    && there.distance(new Coordinate(c.x * cos - c.y * sin, c.x * sin + c.y * cos))
                            > SAME * extent) {
                return false;
            }
        }
        return true;
    }

    /** Whether its pins lie as another's do. */
    public boolean isAs(UnrotatedPins other) {
        OptionalDouble turn = turnTo(other);
        return turn.isPresent() && turn.getAsDouble() == 0;
    }

    /** In which quarter about the middle its first pin lies, 0 to 3; empty when on an axis. */
    public Optional<Integer> corner() {
        Coordinate c = pins.get("1");
        if (c == null || Math.abs(c.x) < SAME * extent || Math.abs(c.y) < SAME * extent / 2) {
            return Optional.empty();
        }
        return Optional.of(c.x > 0 ? (c.y > 0 ? 0 : 3) : (c.y > 0 ? 1 : 2));
    }

    /**
     * On which side of the middle the first of two pins lies: 0 right, 1 above, 2 left, 3 below.
     */
    public Optional<Integer> direction() {
        Coordinate c = pins.get("1");
        if (c == null || pins.size() != 2) {
            return Optional.empty();
        }
        return Optional.of(Math.abs(c.x) >= Math.abs(c.y) ? (c.x > 0 ? 0 : 2) : (c.y > 0 ? 1 : 3));
    }
}
