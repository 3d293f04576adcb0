package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.server.report.Json;
import java.util.EnumMap;
import java.util.Map;

/** What is ordered, as stored and as the interface sends it: a value for each option's id. */
public record OrderJson(Map<String, String> chosen) {
    public OrderJson {
        chosen = chosen == null ? Map.of() : Map.copyOf(chosen);
    }

    static OrderJson parse(String json) {
        return Json.MAPPER.readValue(json, OrderJson.class);
    }

    String write() {
        return Json.MAPPER.writeValueAsString(this);
    }

    /**
     * @throws IllegalArgumentException when an option is not known
     */
    Order toOrder() {
        Map<OrderOption, String> all = new EnumMap<>(OrderOption.class);
        chosen.forEach(
                (id, value) ->
                        all.put(
                                OrderOption.parse(id)
                                        .orElseThrow(
                                                () ->
                                                        new IllegalArgumentException(
                                                                "unknown option '" + id + "'")),
                                value));
        return new Order(all);
    }
}
