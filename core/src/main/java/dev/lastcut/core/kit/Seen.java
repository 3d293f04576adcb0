package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.placement.PartPolarity.Terminal;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * What one sees of a terminal on the part itself: a band, a flat side, a short or a long lead
 * (common practice, no source).
 */
final class Seen {
    private static final Pattern LED = Pattern.compile("(?<![A-Z])LED(?![A-Z])");
    private static final Pattern TANTALUM = Pattern.compile("(?<![A-Z])TANT(ALUM)?(?![A-Z])");

    private Seen() {}

    static String of(Part part, Terminal terminal, boolean leaded) {
        String said =
                (part.designator().replaceAll("\\d.*", "")
                                + " "
                                + part.value()
                                + " "
                                + part.standsOn()
                                + " "
                                + part.description())
                        .toUpperCase(Locale.ROOT);
        return switch (terminal) {
            case CATHODE ->
                    LED.matcher(said).find()
                            ? leaded
                                    ? "flat side and short lead (cathode)"
                                    : "marked corner or dot (cathode)"
                            : "band (cathode)";
            case PLUS ->
                    TANTALUM.matcher(said).find()
                            ? leaded ? "plus sign and long lead (plus)" : "band (plus)"
                            : leaded
                                    ? "long lead, away from the stripe (plus)"
                                    : "side away from the dark stripe (plus)";
            case PIN_ONE -> "pin 1";
        };
    }
}
