package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.value.Dimension;
import java.util.Locale;
import java.util.regex.Pattern;

/** Whether it matters which way round a part of two pins stands, as far as names tell. */
public final class Polarity {
    private static final Pattern POLARISED =
            Pattern.compile(
                    "(?<![A-Z])(CP|POL|POLAR|POLARI[SZ]ED|ELEC|ELKO|ELECTROLYTIC|TANT|TANTALUM)(?![A-Z])");

    private static final Pattern DIODE = Pattern.compile("(D|LED|CR|ZD|VR|TVS)\\d+.*");

    private Polarity() {}

    /** A resistor, coil or plain capacitor, which with two pins is the same turned by half. */
    public static boolean isEitherWay(Part part) {
        return Dimension.of(part.designator()) != Dimension.NONE && !isPolarised(part);
    }

    /** A capacitor with a plus, or a diode. */
    public static boolean isPolarised(Part part) {
        return isDiode(part) || isCapacitorWithPlus(part);
    }

    /** By its designator (IEEE 315, from memory). */
    public static boolean isDiode(Part part) {
        return DIODE.matcher(part.designator().toUpperCase(Locale.ROOT)).matches();
    }

    /** By its footprint, value or description. */
    public static boolean isCapacitorWithPlus(Part part) {
        String placed = part.placed().map(p -> p.footprint()).orElse("");
        String said =
                String.join(" ", placed, part.footprint(), part.value(), part.description())
                        .toUpperCase(Locale.ROOT);
        return part.designator().toUpperCase(Locale.ROOT).startsWith("C")
                && POLARISED.matcher(said).find();
    }
}
