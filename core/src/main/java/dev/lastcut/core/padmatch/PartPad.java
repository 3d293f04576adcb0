package dev.lastcut.core.padmatch;

import dev.lastcut.core.geometry.Pt;
import java.util.Locale;

/**
 * A pad of a part.
 *
 * @param pin its number or name
 */
public record PartPad(String pin, Pt at, Certainty certainty) {
    /** How sure it is that the pad is this pin's. */
    public enum Certainty {
        /** The netlist or an attribute of the copper says so. */
        CERTAIN,
        /** The terminals of the package lie on the pads as the part is placed. */
        LIKELY,
        /** They do when the part is turned: the pads are the part's, which pin is which is open. */
        OPEN;

        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
