package dev.lastcut.core.capability;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What the maker chose of what a shop offers; what is not chosen is the shop's usual. */
public record Order(Map<OrderOption, String> chosen) {
    public static final Order USUAL = new Order(Map.of());

    public Order {
        chosen = Collections.unmodifiableMap(new TreeMap<>(chosen));
    }

    public Optional<String> value(OrderOption option) {
        return Optional.ofNullable(chosen.get(option));
    }

    public Order with(OrderOption option, String value) {
        Map<OrderOption, String> next = new EnumMap<>(OrderOption.class);
        next.putAll(chosen);
        next.put(option, value);
        return new Order(next);
    }
}
