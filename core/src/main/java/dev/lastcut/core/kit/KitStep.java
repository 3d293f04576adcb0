package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.value.ColourCode;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Parts of one kind on one side that are soldered one after the other.
 *
 * @param stage when in the order, and why
 * @param places one for each part
 * @param heightMm of their bodies, the highest
 * @param leads whether leads go through the board
 * @param colours the bands of a leaded resistor, one reading for each tolerance it may have
 * @param spacingMm between the holes of two leads
 */
public record KitStep(
        Stage stage,
        List<Part> parts,
        List<Place> places,
        Side side,
        double heightMm,
        boolean leads,
        List<Reading> colours,
        OptionalDouble spacingMm) {
    /** Why a part comes when it does; the first first (common practice, no source). */
    public enum Stage {
        FLAT("surface-mounted, the lowest first"),
        FLAT_POLAR("surface-mounted, mind which way round"),
        LEADED("leaded, the lowest first"),
        LEADED_POLAR("leaded, mind which way round"),
        HEAT("late, for heat harms it"),
        PLUG("last, for it is handled and stands high");

        private final String why;

        Stage(String why) {
            this.why = why;
        }

        public String why() {
            return why;
        }
    }

    /** Bands, and the tolerance they are for; 0 where the value says it. */
    public record Reading(ColourCode code, double tolerancePercent) {}

    /**
     * Where a part stands.
     *
     * @param at its middle
     * @param start the pad to solder first; empty where no pins are known
     * @param startPin the name of that pin
     * @param polarity which way round, in words; "" where it does not matter or is not known
     * @param mark the pin that the words are about
     * @param assumed true where nothing says that it is this pin
     */
    public record Place(
            String designator,
            Pt at,
            Optional<Pt> start,
            String startPin,
            String polarity,
            Optional<Pt> mark,
            boolean assumed) {}

    public String value() {
        return parts.get(0).value();
    }

    public List<String> designators() {
        return parts.stream().map(Part::designator).toList();
    }
}
