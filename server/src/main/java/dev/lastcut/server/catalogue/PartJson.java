package dev.lastcut.server.catalogue;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.CataloguePart.Body;
import dev.lastcut.core.catalogue.CataloguePart.Pin;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.catalogue.DataValue;
import dev.lastcut.core.catalogue.Supply;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A part as a counter tells it, and as a ticket keeps it; documented in docs/counter.md. What is
 * not stated is not there.
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record PartJson(
        String number,
        String maker,
        String kind,
        String description,
        @com.fasterxml.jackson.annotation.JsonProperty("package") String packageName,
        BodyJson body,
        Map<String, ValueJson> values,
        List<PinJson> pins,
        SupplyJson supply,
        String asOf) {
    /** Sizes of a body. */
    public record BodyJson(double lengthMm, double widthMm, double heightMm) {}

    /** A line of the data sheet. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record ValueJson(
            Double min, Double typ, Double max, String unit, String condition, String word) {}

    /** A terminal. */
    public record PinJson(String pin, String name, String role) {}

    /** What is to be had. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SupplyJson(
            long stock,
            String currency,
            List<BreakJson> breaks,
            Integer leadDays,
            boolean lineStock,
            String life,
            Integer lot) {}

    /** A price from so many pieces on. */
    public record BreakJson(int from, double price) {}

    /** The same part, sold otherwise. */
    public PartJson soldAs(SupplyJson other) {
        return new PartJson(
                number, maker, kind, description, packageName, body, values, pins, other, asOf);
    }

    public static PartJson of(CataloguePart p) {
        Map<String, ValueJson> values = new TreeMap<>();
        p.values().forEach((name, v) -> values.put(name, value(v)));
        return new PartJson(
                p.number(),
                p.maker(),
                p.kind(),
                p.description(),
                p.packageName(),
                p.body()
                        .map(b -> new BodyJson(b.lengthMm(), b.widthMm(), b.heightMm()))
                        .orElse(null),
                values,
                p.pins().stream().map(x -> new PinJson(x.pin(), x.name(), id(x.role()))).toList(),
                supply(p.supply()),
                p.asOf());
    }

    private static ValueJson value(DataValue v) {
        return new ValueJson(
                v.min().orElse(null),
                v.typ().orElse(null),
                v.max().orElse(null),
                v.unit(),
                v.condition(),
                v.word().orElse(null));
    }

    private static SupplyJson supply(Supply s) {
        return new SupplyJson(
                s.stock(),
                s.currency(),
                s.breaks().stream().map(b -> new BreakJson(b.from(), b.price())).toList(),
                s.leadDays().orElse(null),
                s.lineStock(),
                id(s.life()),
                s.lot() == 1 ? null : s.lot());
    }

    /** The words of the JSON for a constant: {@code LAST_ORDERS} is {@code last-orders}. */
    public static String id(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /**
     * The part.
     *
     * @param key the number it stands under where it does not say it itself
     * @throws IllegalArgumentException when a word or a number of it cannot be
     */
    public CataloguePart toPart(String key) {
        Map<String, DataValue> all = new TreeMap<>();
        if (values != null) {
            values.forEach(
                    (name, v) ->
                            all.put(
                                    name,
                                    new DataValue(
                                            Optional.ofNullable(v.min),
                                            Optional.ofNullable(v.typ),
                                            Optional.ofNullable(v.max),
                                            text(v.unit),
                                            text(v.condition),
                                            Optional.ofNullable(v.word))));
        }
        return new CataloguePart(
                number == null ? key : number,
                text(maker),
                text(kind),
                text(description),
                text(packageName),
                Optional.ofNullable(body).map(b -> new Body(b.lengthMm, b.widthMm, b.heightMm)),
                all,
                pins == null
                        ? List.of()
                        : pins.stream()
                                .map(p -> new Pin(p.pin, text(p.name), word(PinRole.class, p.role)))
                                .toList(),
                supply == null ? Supply.UNKNOWN : supply(supply),
                text(asOf));
    }

    private static Supply supply(SupplyJson s) {
        return new Supply(
                Math.max(0, s.stock),
                s.currency == null ? "EUR" : s.currency,
                s.breaks == null
                        ? List.of()
                        : s.breaks.stream().map(b -> new Supply.Break(b.from, b.price)).toList(),
                Optional.ofNullable(s.leadDays),
                s.lineStock,
                s.life == null ? Supply.Life.MADE : word(Supply.Life.class, s.life),
                s.lot == null ? 1 : s.lot);
    }

    private static <E extends Enum<E>> E word(Class<E> type, String id) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> id(e).equals(id))
                .findFirst()
                .orElseThrow(
                        () -> new IllegalArgumentException("'" + id + "' is not a known word"));
    }

    private static String text(String s) {
        return s == null ? "" : s;
    }
}
