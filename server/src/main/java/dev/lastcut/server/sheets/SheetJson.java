package dev.lastcut.server.sheets;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Variation;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.report.Json;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ObjectReader;

/** A capability sheet as it stands in a JSON file; see docs/sheets.md. */
public record SheetJson(
        String id,
        String name,
        String kind,
        String description,
        Integer maxCopperLayers,
        Boolean plates,
        CapabilitySheet.Price price,
        Map<String, List<String>> options,
        Map<String, Limit> limits,
        List<VariationJson> variations,
        MillJson mill) {

    /** Numbers that hold for one value of an order option. */
    public record VariationJson(String option, String value, Map<String, Limit> limits) {}

    /** The section of a mill. */
    public record MillJson(
            Limit stockThickness,
            Limit safeHeight,
            Limit drillTolerance,
            Limit isolationDepth,
            int isolationPasses,
            double passOverlap,
            Limit breakthrough,
            int tabs,
            Limit tabWidth,
            Limit tabHeight,
            double rapidMmMin,
            List<CutterJson> rack) {}

    /** One tool of the rack. */
    public record CutterJson(
            String id,
            String name,
            String kind,
            double tipMm,
            double angleDeg,
            double diameterMm,
            double feedMmMin,
            double plungeMmMin,
            int spindleRpm,
            double depthPerPassMm) {}

    /** What is wrong with a sheet, in a sentence. */
    public static final class BadSheetException extends Exception {
        private static final long serialVersionUID = 1;

        BadSheetException(String sentence) {
            super(sentence);
        }
    }

    /** A field that nothing reads is most likely a slip of the pen: it is refused, not ignored. */
    private static final ObjectReader READER =
            Json.MAPPER
                    .readerFor(SheetJson.class)
                    .with(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);

    /**
     * @throws BadSheetException when it is not JSON, misses a field or holds an impossible number
     */
    public static CapabilitySheet parse(byte[] json) throws BadSheetException {
        try {
            return READER.<SheetJson>readValue(json).toSheet();
        } catch (JacksonException e) {
            throw new BadSheetException("the sheet is not readable: " + e.getOriginalMessage());
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new BadSheetException("the sheet cannot be used: " + e.getMessage());
        }
    }

    /**
     * @throws IllegalArgumentException when a field is missing or holds an impossible value
     */
    private CapabilitySheet toSheet() {
        require(id, "id");
        require(name, "name");
        boolean isMill = "mill".equals(require(kind, "kind"));
        if (!isMill && !kind.equals("house")) {
            throw new IllegalArgumentException("kind must be house or mill, not '" + kind + "'");
        }
        Map<OrderOption, List<String>> offered = new EnumMap<>(OrderOption.class);
        if (options != null) {
            options.forEach((o, values) -> offered.put(option(o), require(values, o)));
        }
        return new CapabilitySheet(
                id,
                name,
                isMill ? CapabilitySheet.Kind.MILL : CapabilitySheet.Kind.HOUSE,
                description == null ? "" : description,
                limits(require(limits, "limits")),
                maxCopperLayers == null ? 2 : maxCopperLayers,
                plates == null ? !isMill : plates,
                offered,
                variations == null
                        ? List.of()
                        : variations.stream().map(SheetJson::toVariation).toList(),
                price == null ? new CapabilitySheet.Price("EUR", 0, 0, 0) : price,
                Optional.ofNullable(mill).map(SheetJson::toMill));
    }

    private static Variation toVariation(VariationJson v) {
        return new Variation(
                option(require(v.option, "variations.option")),
                require(v.value, "variations.value"),
                limits(require(v.limits, "variations.limits")));
    }

    private static OrderOption option(String id) {
        return OrderOption.parse(id)
                .orElseThrow(() -> new IllegalArgumentException("unknown option '" + id + "'"));
    }

    private static Map<LimitKey, Limit> limits(Map<String, Limit> byId) {
        Map<LimitKey, Limit> known = new EnumMap<>(LimitKey.class);
        byId.forEach(
                (key, limit) ->
                        known.put(
                                LimitKey.parse(key)
                                        .orElseThrow(
                                                () ->
                                                        new IllegalArgumentException(
                                                                "unknown limit '" + key + "'")),
                                require(limit, key)));
        return known;
    }

    private static Map<String, Limit> byId(Map<LimitKey, Limit> limits) {
        Map<String, Limit> byId = new LinkedHashMap<>();
        for (LimitKey key : LimitKey.values()) {
            if (limits.containsKey(key)) {
                byId.put(key.id(), limits.get(key));
            }
        }
        return byId;
    }

    private static <T> T require(T value, String field) {
        if (value == null) {
            throw new IllegalArgumentException("the field " + field + " is missing");
        }
        return value;
    }

    private static Mill toMill(MillJson m) {
        return new Mill(
                require(m.rack, "mill.rack").stream().map(SheetJson::toCutter).toList(),
                require(m.stockThickness, "mill.stock_thickness").nm(),
                require(m.safeHeight, "mill.safe_height").nm(),
                require(m.drillTolerance, "mill.drill_tolerance").nm(),
                require(m.isolationDepth, "mill.isolation_depth").nm(),
                m.isolationPasses,
                m.passOverlap,
                require(m.breakthrough, "mill.breakthrough").nm(),
                m.tabs,
                require(m.tabWidth, "mill.tab_width").nm(),
                require(m.tabHeight, "mill.tab_height").nm(),
                m.rapidMmMin);
    }

    private static Cutter toCutter(CutterJson c) {
        if (!(c.feedMmMin > 0) || !(c.plungeMmMin > 0) || !(c.depthPerPassMm > 0)) {
            throw new IllegalArgumentException(
                    "feeds and depth per pass of " + c.id + " must be above 0");
        }
        return new Cutter(
                c.id,
                c.name,
                Cutter.Kind.valueOf(require(c.kind, "kind").toUpperCase(Locale.ROOT)),
                Length.mm(c.tipMm),
                c.angleDeg,
                Length.mm(c.diameterMm),
                c.feedMmMin,
                c.plungeMmMin,
                c.spindleRpm,
                Length.mm(c.depthPerPassMm));
    }

    /** The sheet as the JSON record that {@link #parse} reads back to an equal sheet. */
    public static SheetJson of(CapabilitySheet s) {
        Map<String, List<String>> options = new LinkedHashMap<>();
        for (OrderOption o : OrderOption.values()) {
            if (s.options().containsKey(o)) {
                options.put(o.id(), s.options().get(o));
            }
        }
        return new SheetJson(
                s.id(),
                s.name(),
                s.isMill() ? "mill" : "house",
                s.description(),
                s.maxCopperLayers(),
                s.plates(),
                s.price(),
                options,
                byId(s.limits()),
                s.variations().stream()
                        .map(v -> new VariationJson(v.option().id(), v.value(), byId(v.limits())))
                        .toList(),
                s.mill().map(SheetJson::of).orElse(null));
    }

    private static MillJson of(Mill m) {
        return new MillJson(
                mm(m.stockThickness()),
                mm(m.safeHeight()),
                mm(m.drillTolerance()),
                mm(m.isolationDepth()),
                m.isolationPasses(),
                m.passOverlap(),
                mm(m.breakthrough()),
                m.tabs(),
                mm(m.tabWidth()),
                mm(m.tabHeight()),
                m.rapidMmPerMin(),
                m.rack().stream().map(SheetJson::of).toList());
    }

    private static CutterJson of(Cutter c) {
        return new CutterJson(
                c.id(),
                c.name(),
                c.kind().name().toLowerCase(Locale.ROOT),
                Length.toMm(c.tip()),
                c.angleDeg(),
                Length.toMm(c.diameter()),
                c.feed(),
                c.plunge(),
                c.spindleRpm(),
                Length.toMm(c.depthPerPass()));
    }

    private static Limit mm(long nm) {
        return new Limit(Length.toMm(nm), "mm", "", "");
    }
}
