package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.report.Json;
import java.util.EnumMap;
import java.util.Map;

/** Headroom as stored and as the interface sends it: a percentage, and mm for single numbers. */
public record HeadroomJson(double percent, Map<String, Double> mm) {
    public HeadroomJson {
        mm = mm == null ? Map.of() : Map.copyOf(mm);
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
        Map<LimitKey, Long> nm = new EnumMap<>(LimitKey.class);
        mm.forEach(
                (id, value) ->
                        nm.put(
                                LimitKey.parse(id)
                                        .orElseThrow(
                                                () ->
                                                        new IllegalArgumentException(
                                                                "unknown limit '" + id + "'")),
                                Length.mm(value)));
        return new Headroom(percent, nm);
    }
}
