package dev.lastcut.core.placement;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly.ZeroOrientation;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What brings a package from how a pack counts its rotation to how a shop does: where pin 1 lies at
 * 0°, after IEC 61188-7 (from memory): at the lower left on level A, at the upper left on level B.
 */
public final class ZeroTurn {
    private static final String[] CORNERS = {
        "upper right", "upper left", "lower left", "lower right"
    };
    private static final String[] WAYS = {"right", "top", "left", "foot"};

    private ZeroTurn() {}

    /** Where pin 1 lies at 0°, in words; empty where nothing names it or it lies in the middle. */
    public static Optional<String> pinOne(UnrotatedPins t) {
        return t.corner().map(q -> CORNERS[q]).or(() -> t.direction().map(q -> WAYS[q]));
    }

    /**
     * What must be added to the rotations of a package, 0 to 360 as seen from its own side; empty
     * for packages of which the levels say nothing: those without rows of pins and a pin 1 in a
     * corner.
     */
    public static OptionalDouble to(ZeroOrientation level, UnrotatedPins t) {
        Optional<Integer> corner = t.corner();
        if (corner.isEmpty() || !RelatedFootprints.isCornered(t)) {
            return OptionalDouble.empty();
        }
        int wanted = level == ZeroOrientation.A ? 2 : 1;
        // A part whose pin 1 must lie a quarter further on at 0° is turned a quarter less.
        int quarters = Math.floorMod(corner.get() - wanted, 4);
        return OptionalDouble.of(90.0 * quarters);
    }

    /**
     * The same as the placement counts it, counter-clockwise from the top: what is seen from below
     * turns the other way.
     */
    public static OptionalDouble added(ZeroOrientation level, UnrotatedPins t) {
        OptionalDouble turn = to(level, t);
        boolean below = t.part().placed().filter(p -> p.side() == Side.BOTTOM).isPresent();
        return turn.isPresent() && below
                ? OptionalDouble.of((360 - turn.getAsDouble()) % 360)
                : turn;
    }
}
