package dev.lastcut.core.value;

import java.util.Locale;
import java.util.Map;

/** What an amount is an amount of; the unit is the one of the SI. */
public enum Dimension {
    RESISTANCE("Ω"),
    CAPACITANCE("F"),
    INDUCTANCE("H"),
    FREQUENCY("Hz"),
    /** A bare number of which nobody says what it counts. */
    NONE("");

    private static final Map<String, Dimension> BY_LETTERS =
            Map.ofEntries(
                    Map.entry("R", RESISTANCE),
                    Map.entry("RN", RESISTANCE),
                    Map.entry("RV", RESISTANCE),
                    Map.entry("VR", RESISTANCE),
                    Map.entry("RT", RESISTANCE),
                    Map.entry("FB", RESISTANCE),
                    Map.entry("C", CAPACITANCE),
                    Map.entry("L", INDUCTANCE),
                    Map.entry("Y", FREQUENCY),
                    Map.entry("X", FREQUENCY));

    private final String unit;

    Dimension(String unit) {
        this.unit = unit;
    }

    public String unit() {
        return unit;
    }

    /**
     * What a part's value counts by the letters of its designator: R for ohms, C for farads
     * (reference letters after IEC 81346-2 and common practice).
     */
    public static Dimension of(String designator) {
        String name = designator.strip().toUpperCase(Locale.ROOT);
        int letters = 0;
        while (letters < name.length()
                && name.charAt(letters) >= 'A'
                && name.charAt(letters) <= 'Z') {
            letters++;
        }
        return BY_LETTERS.getOrDefault(name.substring(0, letters), NONE);
    }
}
