package dev.lastcut.server.counter;

import dev.lastcut.server.catalogue.PartJson;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What a house that fits parts has on its own shelf: the same invented parts as the counter's. */
public final class HouseShelf {
    private final Map<String, PartJson> parts = new LinkedHashMap<>();

    public HouseShelf() {
        Shelves.filled().values().forEach(p -> parts.put(plain(p.number()), p));
    }

    /** By its number, capitals and signs between letters aside. */
    public Optional<PartJson> find(String number) {
        return Optional.ofNullable(parts.get(plain(number)));
    }

    public Collection<PartJson> all() {
        return parts.values();
    }

    private static String plain(String number) {
        return number.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
    }
}
