package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.server.catalogue.PartJson;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Supplier;

/** The keys of a ticket that are about parts. */
final class PartsJson {
    private PartsJson() {}

    /** What is chosen for one designator. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record FittingJson(Boolean fitted, String value, String partNumber, String footprint) {
        static FittingJson of(Fitting f) {
            return new FittingJson(
                    f.fitted().orElse(null),
                    f.value().orElse(null),
                    f.partNumber().orElse(null),
                    f.footprint().orElse(null));
        }

        Fitting toFitting() {
            return new Fitting(
                    Optional.ofNullable(fitted),
                    Optional.ofNullable(value),
                    Optional.ofNullable(partNumber),
                    Optional.ofNullable(footprint));
        }
    }

    static Map<String, FittingJson> of(Map<String, Fitting> by) {
        Map<String, FittingJson> all = new TreeMap<>();
        by.forEach((designator, f) -> all.put(designator, FittingJson.of(f)));
        return all;
    }

    static Map<String, Map<String, FittingJson>> variants(Variants v) {
        Map<String, Map<String, FittingJson>> all = new TreeMap<>();
        v.named().forEach((name, own) -> all.put(name, of(own)));
        return all;
    }

    static Map<String, PartJson> known(PartsPlan plan) {
        Map<String, PartJson> all = new TreeMap<>();
        plan.known().forEach((number, p) -> all.put(number, PartJson.of(p)));
        return all;
    }

    private static SortedMap<String, Fitting> fittings(Map<String, FittingJson> by) {
        TreeMap<String, Fitting> all = new TreeMap<>();
        if (by != null) {
            by.forEach((designator, f) -> all.put(designator, f.toFitting()));
        }
        return all;
    }

    /**
     * @throws IllegalArgumentException when a name cannot be used or the variant to be made is not
     *     there, after the key it is in
     */
    static PartsPlan plan(
            Map<String, FittingJson> parts,
            Map<String, Map<String, FittingJson>> variants,
            String variant,
            Map<String, PartJson> known,
            Map<String, List<String>> needs) {
        TreeMap<String, SortedMap<String, Fitting>> named = new TreeMap<>();
        if (variants != null) {
            variants.forEach((name, own) -> named.put(name, fittings(own)));
        }
        Variants some =
                at("variants", () -> new Variants(fittings(parts), named, Optional.empty()));
        Variants all = at("variant", () -> some.building(Optional.ofNullable(variant)));
        TreeMap<String, CataloguePart> facts = new TreeMap<>();
        if (known != null) {
            known.forEach(
                    (number, p) ->
                            facts.put(number, at("known_parts." + number, () -> p.toPart(number))));
        }
        return new PartsPlan(all, facts, new TreeMap<>(needs == null ? Map.of() : needs));
    }

    private static <T> T at(String key, Supplier<T> read) {
        try {
            return read.get();
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(key + ": " + e.getMessage(), e);
        }
    }
}
