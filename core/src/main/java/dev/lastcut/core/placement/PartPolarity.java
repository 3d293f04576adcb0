package dev.lastcut.core.placement;

import dev.lastcut.core.geometry.Pt;
import java.util.Locale;
import java.util.Optional;

/**
 * Which terminal of a part must be told from the other, and who says so.
 *
 * @param pin its name
 * @param at its place; empty where nothing tells where the pin is
 */
public record PartPolarity(Terminal terminal, String pin, Optional<Pt> at, Source source) {
    /** The terminal that is told. */
    public enum Terminal {
        CATHODE("cathode"),
        PLUS("plus"),
        PIN_ONE("pin 1");

        private final String word;

        Terminal(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** Who says which terminal it is, the surest first. */
    public enum Source {
        /** The maker, once for the footprint. */
        TOLD("told for this footprint"),
        /** The data that are known of the part. */
        PART("by the part's data"),
        /** Names of pins, or nets that only one way round is right for. */
        NETLIST("by the names of its pins or nets"),
        /** A mark of the silk at one of the pads. */
        SILK("by the mark on the silk"),
        /** Nobody: pin 1 as usual (common practice, no source). */
        ASSUMED("assumed, nothing says so");

        private final String words;

        Source(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** As reports write it. */
        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public boolean isAssumed() {
        return source == Source.ASSUMED;
    }
}
