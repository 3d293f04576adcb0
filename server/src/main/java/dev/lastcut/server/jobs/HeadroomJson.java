package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.report.Json;
import java.util.EnumMap;
import java.util.Map;

/**
 * Headroom as stored and as the interface sends it: a percentage on all numbers, and for single
 * ones a length in mm (a ratio as it is) or a percentage of their own.
 */
public record HeadroomJson(double percent, Map<String, Double> mm, Map<String, Double> percents) {
    public HeadroomJson {
        mm = mm == null ? Map.of() : Map.copyOf(mm);
        percents = percents == null ? Map.of() : Map.copyOf(percents);
    }

    static HeadroomJson parse(String json) {
        return Json.MAPPER.readValue(json, HeadroomJson.class);
    }

    String write() {
        return Json.MAPPER.writeValueAsString(this);
    }

    /**
     * @throws IllegalArgumentException when a number is out of range or of no known limit
     */
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
