package dev.lastcut.core.value;

import java.math.BigDecimal;
import java.math.MathContext;

/** A number of a unit, exactly as it was written. */
public record Amount(BigDecimal number, Dimension of) implements Comparable<Amount> {
    public Amount {
        number = number.signum() == 0 ? BigDecimal.ZERO : number.stripTrailingZeros();
    }

    public static Amount of(String number, Dimension of) {
        return new Amount(new BigDecimal(number), of);
    }

    public double asDouble() {
        return number.doubleValue();
    }

    /** With the prefix that leaves one to three digits before the point: {@code 4.7 kΩ}. */
    public String words() {
        return Prefix.words(number.round(new MathContext(9)), of.unit());
    }

    @Override
    public int compareTo(Amount other) {
        int byKind = of.compareTo(other.of);
        return byKind != 0 ? byKind : number.compareTo(other.number);
    }
}
