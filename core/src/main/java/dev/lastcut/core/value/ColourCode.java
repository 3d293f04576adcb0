package dev.lastcut.core.value;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * The colour bands of a resistor after IEC 60062 (from memory): two or three digits and a
 * multiplier, then the tolerance, then the temperature coefficient. Three bands say 20 %, three
 * digits stand on five bands and six; a single black band is a bridge of no resistance.
 */
public record ColourCode(List<ColourBand> bands) {
    public ColourCode {
        bands = List.copyOf(bands);
    }

    /**
     * @param ohms from 0
     * @param tolerancePercent 20 for three bands
     * @param ppm the sixth band
     * @return empty where the value has more digits than bands, or no colour stands for the rest
     */
    public static Optional<ColourCode> of(
            BigDecimal ohms, double tolerancePercent, OptionalInt ppm) {
        if (ohms.signum() == 0) {
            return Optional.of(new ColourCode(List.of(ColourBand.BLACK)));
        }
        // Fine resistors have three digits, whatever their value needs.
        boolean fine = tolerancePercent < 5 || ppm.isPresent();
        int digits = fine || digits(ohms) > 2 ? 3 : 2;
        return of(ohms, digits, tolerancePercent, ppm);
    }

    /** With so many digits, 2 or 3. */
    public static Optional<ColourCode> of(
            BigDecimal ohms, int digits, double tolerancePercent, OptionalInt ppm) {
        if (ohms.signum() <= 0 || digits(ohms) > digits) {
            return Optional.empty();
        }
        BigDecimal number = ohms.stripTrailingZeros();
        int power = number.precision() - number.scale() - digits;
        int whole = number.scaleByPowerOfTen(-power).intValueExact();
        List<ColourBand> bands = new ArrayList<>();
        for (char c : String.valueOf(whole).toCharArray()) {
            bands.add(find(b -> b.digit() == c - '0').orElseThrow());
        }
        Optional<ColourBand> multiplier = find(b -> b.power() == power);
        if (multiplier.isEmpty()) {
            return Optional.empty();
        }
        bands.add(multiplier.get());
        boolean three = digits == 2 && tolerancePercent >= 20 && ppm.isEmpty();
        if (!three) {
            Optional<ColourBand> tolerance =
                    find(b -> b.tolerancePercent() > 0 && b.tolerancePercent() == tolerancePercent);
            if (tolerance.isEmpty()) {
                return Optional.empty();
            }
            bands.add(tolerance.get());
        }
        if (ppm.isPresent()) {
            Optional<ColourBand> coefficient = find(b -> b.ppm() == ppm.getAsInt());
            if (coefficient.isEmpty() || digits != 3) {
                return Optional.empty();
            }
            bands.add(coefficient.get());
        }
        return Optional.of(new ColourCode(bands));
    }

    private static int digits(BigDecimal n) {
        return n.round(new MathContext(9)).stripTrailingZeros().precision();
    }

    private static Optional<ColourBand> find(Predicate<ColourBand> is) {
        for (ColourBand b : ColourBand.values()) {
            if (is.test(b)) {
                return Optional.of(b);
            }
        }
        return Optional.empty();
    }

    /** The colours by name, in the order they are read. */
    public String words() {
        return bands.stream().map(ColourBand::word).collect(Collectors.joining(" "));
    }
}
