package dev.lastcut.core.capability;

import java.util.Collections;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * The margin a maker keeps over a sheet.
 *
 * @param percent on every number without one of its own
 * @param absolute per number, in nm (a ratio's as it is)
 * @param ownPercent per number, in per cent
 */
public record Headroom(
        double percent, Map<LimitKey, Double> absolute, Map<LimitKey, Double> ownPercent) {
    public static final Headroom NONE = new Headroom(0, Map.of(), Map.of());

    public Headroom {
        absolute = Collections.unmodifiableMap(new TreeMap<>(absolute));
        ownPercent = Collections.unmodifiableMap(new TreeMap<>(ownPercent));
        requirePercent(percent);
        ownPercent.values().forEach(Headroom::requirePercent);
        if (absolute.values().stream().anyMatch(v -> !(v >= 0 && v < 1e12))) {
            throw new IllegalArgumentException("headroom cannot be negative");
        }
        Set<LimitKey> both = new HashSet<>(absolute.keySet());
        both.retainAll(ownPercent.keySet());
        if (!both.isEmpty()) {
            throw new IllegalArgumentException("one headroom per number, not a length and a share");
        }
    }

    /** The same percentage on every number. */
    public static Headroom ofPercent(double percent) {
        return new Headroom(percent, Map.of(), Map.of());
    }

    private static void requirePercent(double percent) {
        if (!(percent >= 0 && percent <= 1000)) {
            throw new IllegalArgumentException("headroom must be 0 to 1000 %: " + percent);
        }
    }

    /** The limit with its headroom: raised for a least, lowered for a most. */
    public double apply(LimitKey key, double limit) {
        Double own = absolute.get(key);
        double share = ownPercent.getOrDefault(key, percent);
        double margin = own == null ? limit * share / 100 : own;
        return key.isLeast() ? limit + margin : Math.max(0, limit - margin);
    }
}
