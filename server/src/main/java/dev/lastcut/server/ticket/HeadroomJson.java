package dev.lastcut.server.ticket;

import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import java.util.EnumMap;
import java.util.Map;
import java.util.TreeMap;

/**
 * Headroom: a percentage on all numbers, and for single ones a length in mm (a ratio as it is) or a
 * percentage of their own.
 */
public record HeadroomJson(Double percent, Map<String, Double> mm, Map<String, Double> percents) {
    public HeadroomJson {
        percent = percent == null ? 0.0 : percent;
        mm = mm == null ? Map.of() : mm;
        percents = percents == null ? Map.of() : percents;
    }

    public static HeadroomJson of(Headroom h) {
        Map<String, Double> mm = new TreeMap<>();
        h.absolute().forEach((k, v) -> mm.put(k.id(), k.isRatio() ? v : Length.toMm(v)));
        Map<String, Double> percents = new TreeMap<>();
        h.ownPercent().forEach((k, v) -> percents.put(k.id(), v));
        return new HeadroomJson(h.percent(), mm, percents);
    }

    Headroom toHeadroom() {
        Map<LimitKey, Double> absolute = new EnumMap<>(LimitKey.class);
        mm.forEach(
                (id, value) -> {
                    LimitKey key = key(id);
                    absolute.put(key, key.isRatio() ? value : (double) Length.mm(value));
                });
        Map<LimitKey, Double> own = new EnumMap<>(LimitKey.class);
        percents.forEach((id, value) -> own.put(key(id), value));
        return new Headroom(percent, absolute, own);
    }

    private static LimitKey key(String id) {
        return LimitKey.parse(id)
                .orElseThrow(() -> new IllegalArgumentException("unknown limit '" + id + "'"));
    }
}
