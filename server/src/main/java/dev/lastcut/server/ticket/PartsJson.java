package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.GuidePlan;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.server.catalogue.PartJson;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
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

    /** What is added to rotations, in degrees. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    record TurnsJson(Map<String, Double> packages, Map<String, Double> parts) {
        static TurnsJson of(Turns t) {
            return t.equals(Turns.NONE) ? null : new TurnsJson(t.packages(), t.parts());
        }

        Turns toTurns() {
            return new Turns(sorted(packages), sorted(parts));
        }
    }

    /** What is soldered by hand. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    record ByHandJson(List<String> packages, List<String> sides, Map<String, Boolean> parts) {
        static ByHandJson of(ByHand h) {
            return h.equals(ByHand.NONE)
                    ? null
                    : new ByHandJson(
                            List.copyOf(h.packages()),
                            h.sides().stream().map(Side::word).toList(),
                            h.parts());
        }

        ByHand toByHand() {
            TreeSet<Side> on = new TreeSet<>();
            for (Side side : Side.values()) {
                if (sides != null && sides.contains(side.word())) {
                    on.add(side);
                }
            }
            return new ByHand(
                    new TreeSet<>(packages == null ? List.of() : packages), on, sorted(parts));
        }
    }

    private static <V> SortedMap<String, V> sorted(Map<String, V> given) {
        return new TreeMap<>(given == null ? Map.of() : given);
    }

    /** The keys of a plan as they stand in the ticket. */
    record Keys(
            Map<String, FittingJson> parts,
            Map<String, Map<String, FittingJson>> variants,
            String variant,
            Map<String, PartJson> known,
            Map<String, List<String>> needs,
            TurnsJson turns,
            ByHandJson byHand,
            Map<String, String> notes,
            Map<String, String> lookedAt,
            Map<String, String> polarity,
            List<GuideJson> guide,
            HeightsJson heights) {}

    /** One place in the order of the bench guide: a part to solder, or what to do. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record GuideJson(String solder, @JsonProperty("do") String own) {
        static List<GuideJson> of(GuidePlan plan) {
            return plan.entries().stream()
                    .map(
                            e ->
                                    e.own().isEmpty()
                                            ? new GuideJson(e.part(), null)
                                            : new GuideJson(null, e.own()))
                    .toList();
        }

        GuidePlan.Entry toEntry() {
            return new GuidePlan.Entry(solder == null ? "" : solder, own == null ? "" : own);
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
    static PartsPlan plan(Keys k) {
        TreeMap<String, SortedMap<String, Fitting>> named = new TreeMap<>();
        if (k.variants != null) {
            k.variants.forEach((name, own) -> named.put(name, fittings(own)));
        }
        Variants some =
                at("variants", () -> new Variants(fittings(k.parts), named, Optional.empty()));
        Variants all = at("variant", () -> some.building(Optional.ofNullable(k.variant)));
        TreeMap<String, CataloguePart> facts = new TreeMap<>();
        if (k.known != null) {
            k.known.forEach(
                    (number, p) ->
                            facts.put(number, at("known_parts." + number, () -> p.toPart(number))));
        }
        return new PartsPlan(
                all,
                facts,
                sorted(k.needs),
                k.turns == null ? Turns.NONE : at("turns", () -> k.turns.toTurns()),
                k.byHand == null ? ByHand.NONE : k.byHand.toByHand(),
                sorted(k.notes),
                sorted(k.lookedAt),
                sorted(k.polarity),
                at(
                        "guide",
                        () ->
                                k.guide == null
                                        ? GuidePlan.AS_PROPOSED
                                        : new GuidePlan(
                                                k.guide.stream().map(GuideJson::toEntry).toList())),
                k.heights == null ? Heights.NONE : at("heights", () -> k.heights.toHeights()));
    }

    private static <T> T at(String key, Supplier<T> read) {
        try {
            return read.get();
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(key + ": " + e.getMessage(), e);
        }
    }
}
