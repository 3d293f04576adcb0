package dev.lastcut.core.strip;

import java.util.List;
import java.util.Optional;

/**
 * A part that is to stand on a strip board.
 *
 * @param pins its pins in the order of the leads of its form
 * @param form empty when nothing says how its leads stand
 * @param assumed whether the form is the usual one of such a part, for want of a footprint
 */
public record StripPart(
        String designator,
        String value,
        String footprint,
        List<String> pins,
        Optional<LeadForm> form,
        boolean assumed) {
    public StripPart {
        pins = List.copyOf(pins);
    }
}
