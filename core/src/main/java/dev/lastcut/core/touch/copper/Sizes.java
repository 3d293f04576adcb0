package dev.lastcut.core.touch.copper;

import dev.lastcut.core.geometry.Length;

/** Holds numbers of touches within what makes sense of any board. */
public final class Sizes {
    private static final double MOST_NM = 1e9;

    private Sizes() {}

    /**
     * @throws IllegalArgumentException when a length is not above 0 or longer than a metre
     */
    public static void above(String key, double nm) {
        if (!(nm > 0 && nm <= MOST_NM)) {
            throw new IllegalArgumentException(
                    key + ": above 0 and at most 1000 mm, not " + Length.toMm(nm));
        }
    }

    /**
     * @throws IllegalArgumentException when a length is below 0 or longer than a metre
     */
    public static void notBelow0(String key, double nm) {
        if (!(nm >= 0 && nm <= MOST_NM)) {
            throw new IllegalArgumentException(key + ": from 0 to 1000 mm, not " + Length.toMm(nm));
        }
    }
}
