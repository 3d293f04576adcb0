package dev.lastcut.core.capability;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * Numbers that hold instead of the sheet's usual ones when an order option has a certain value:
 * tracks and gaps of heavier copper, rings of a board with more layers, mask webs of another
 * colour.
 */
public record Variation(OrderOption option, String value, Map<LimitKey, Limit> limits) {
    public Variation {
        limits = Collections.unmodifiableMap(new TreeMap<>(limits));
        if (value == null || value.isBlank()) {
            throw new IllegalArgumentException("a variation needs the value it holds for");
        }
    }
}
