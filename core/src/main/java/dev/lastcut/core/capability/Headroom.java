package dev.lastcut.core.capability;

import java.util.Map;

/**
 * The margin a maker keeps over a sheet.
 *
 * @param percent on every number without one of its own
 * @param absoluteNm per number, in nm
 */
public record Headroom(double percent, Map<LimitKey, Long> absoluteNm) {
    public static final Headroom NONE = new Headroom(0, Map.of());

    public Headroom {
        absoluteNm = Map.copyOf(absoluteNm);
        if (!(percent >= 0 && percent <= 1000)) {
            throw new IllegalArgumentException("headroom must be 0 to 1000 %: " + percent);
        }
        if (absoluteNm.values().stream().anyMatch(v -> v < 0)) {
            throw new IllegalArgumentException("headroom cannot be negative");
        }
    }

    /** The limit with its headroom, nm: raised for a least, lowered for a most. */
    public double apply(LimitKey key, double limitNm) {
        Long own = absoluteNm.get(key);
        double margin = own == null ? limitNm * percent / 100 : own;
        return key.isLeast() ? limitNm + margin : Math.max(0, limitNm - margin);
    }
}
