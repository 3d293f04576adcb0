package dev.lastcut.server.sheets;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Exclusion;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Parcel;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.capability.ShopCalendar;
import dev.lastcut.core.capability.Variation;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.report.Json;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ObjectReader;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** A capability sheet as it stands in a JSON file; see docs/sheets.md. */
public record SheetJson(
        String id,
        String name,
        String kind,
        String description,
        Integer maxCopperLayers,
        Boolean plates,
        PriceJson price,
        Map<String, List<String>> options,
        Map<String, Limit> limits,
        List<VariationJson> variations,
        MillJson mill,
        AssemblyJson assembly,
        PanelTermsJson panel,
        List<ExcludesJson> excludes,
        StripTermsJson strip,
        CalendarJson calendar,
        List<ParcelJson> parcels) {

    /** Numbers that hold for one value of an order option. */
    public record VariationJson(String option, String value, Map<String, Limit> limits) {}

    /** An upload of its own; see {@link Parcel}. */
    public record ParcelJson(String name, List<String> holds) {
        static ParcelJson of(Parcel p) {
            return new ParcelJson(
                    p.name(), p.holds().stream().sorted().map(Parcel.Content::id).toList());
        }

        Parcel toParcel() {
            return new Parcel(
                    require(name, "parcels.name"),
                    require(holds, "parcels.holds").stream()
                            .map(
                                    id ->
                                            Parcel.Content.parse(id)
                                                    .orElseThrow(
                                                            () ->
                                                                    new IllegalArgumentException(
                                                                            "parcels: unknown content '"
                                                                                    + id
                                                                                    + "'")))
                            .collect(Collectors.toSet()));
        }
    }

    /** Two values of options that are not made together. */
    public record ExcludesJson(
            String option, String value, String with, String withValue, String why) {
        static ExcludesJson of(Exclusion x) {
            return new ExcludesJson(
                    x.option().id(), x.value(), x.with().id(), x.withValue(), x.why());
        }

        Exclusion toExclusion() {
            return new Exclusion(
                    SheetJson.option(require(option, "excludes.option")),
                    require(value, "excludes.value"),
                    SheetJson.option(require(with, "excludes.with")),
                    require(withValue, "excludes.with_value"),
                    why == null ? "it is not offered" : why);
        }
    }

    /** The section of a mill; what is not given has a usual value. */
    public record MillJson(
            Limit stockThickness,
            Limit stockWidth,
            Limit stockHeight,
            Limit copperThickness,
            Limit bedWidth,
            Limit bedHeight,
            Limit bedLift,
            Limit safeHeight,
            Limit drillTolerance,
            Limit isolationDepth,
            Limit channel,
            Integer isolationPasses,
            double passOverlap,
            Limit breakthrough,
            int tabs,
            Limit tabWidth,
            Limit tabHeight,
            Limit pinDiameter,
            Limit pinDepth,
            double rapidMmMin,
            String toolChange,
            Boolean lineNumbers,
            Boolean arcs,
            Boolean spindleSpeed,
            Double toolChangeMinutes,
            List<CutterJson> rack) {}

    /** One tool of the rack. */
    public record CutterJson(
            String id,
            String name,
            String kind,
            double tipMm,
            double angleDeg,
            double diameterMm,
            Double fluteMm,
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
            throw new BadSheetException("the sheet cannot be read: " + fault(e));
        } catch (IllegalArgumentException e) {
            throw new BadSheetException("the sheet cannot be used: " + e.getMessage());
        }
    }

    /** What is wrong and where, in the sheet's own words. */
    private static String fault(JacksonException e) {
        String path =
                e.getPath().stream()
                        .map(
                                r ->
                                        r.getPropertyName() == null
                                                ? "[" + r.getIndex() + "]"
                                                : "." + r.getPropertyName())
                        .collect(Collectors.joining())
                        .replaceFirst("^\\.", "");
        if (e instanceof UnrecognizedPropertyException) {
            return path + ": there is no such field";
        }
        if (e instanceof DatabindException && !path.isEmpty()) {
            return path + ": its value is of another kind than this field's";
        }
        return "it is not JSON: " + e.getOriginalMessage();
    }

    /**
     * @throws IllegalArgumentException when a field is missing or holds an impossible value
     */
    private CapabilitySheet toSheet() {
        require(id, "id");
        require(name, "name");
        CapabilitySheet.Kind is =
                CapabilitySheet.Kind.parse(require(kind, "kind"))
                        .orElseThrow(
                                () ->
                                        new IllegalArgumentException(
                                                "kind must be house, mill or strip, not '"
                                                        + kind
                                                        + "'"));
        Map<OrderOption, List<String>> offered = new EnumMap<>(OrderOption.class);
        if (options != null) {
            options.forEach((o, values) -> offered.put(option(o), require(values, o)));
        }
        return new CapabilitySheet(
                id,
                name,
                is,
                description == null ? "" : description,
                limits(require(limits, "limits")),
                maxCopperLayers == null ? 2 : maxCopperLayers,
                plates == null ? is == CapabilitySheet.Kind.HOUSE : plates,
                offered,
                variations == null
                        ? List.of()
                        : variations.stream().map(SheetJson::toVariation).toList(),
                price == null ? new Price("EUR", 0, 0, 0) : price.toPrice(),
                Optional.ofNullable(mill).map(SheetJson::toMill),
                Optional.ofNullable(assembly).map(AssemblyJson::toAssembly),
                Optional.ofNullable(panel).map(PanelTermsJson::toTerms),
                excludes == null
                        ? List.of()
                        : excludes.stream().map(ExcludesJson::toExclusion).toList(),
                Optional.ofNullable(strip).map(StripTermsJson::toTerms),
                calendar == null ? ShopCalendar.EVERY_DAY : calendar.toCalendar(),
                parcels == null ? List.of() : parcels.stream().map(ParcelJson::toParcel).toList());
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
        List<Cutter> rack = require(m.rack, "mill.rack").stream().map(SheetJson::toCutter).toList();
        long depth = require(m.isolationDepth, "mill.isolation_depth").nm();
        return new Mill(
                rack,
                new Mill.Stock(
                        nm(m.stockWidth, 160),
                        nm(m.stockHeight, 100),
                        require(m.stockThickness, "mill.stock_thickness").nm(),
                        nm(m.copperThickness, 0.035)),
                new Mill.Bed(nm(m.bedWidth, 200), nm(m.bedHeight, 140), nm(m.bedLift, 40)),
                new Mill.Cutting(
                        require(m.safeHeight, "mill.safe_height").nm(),
                        depth,
                        m.channel == null ? channelOf(m, rack, depth) : m.channel.nm(),
                        m.passOverlap,
                        require(m.breakthrough, "mill.breakthrough").nm(),
                        require(m.drillTolerance, "mill.drill_tolerance").nm(),
                        m.rapidMmMin),
                new Mill.Tabs(
                        m.tabs,
                        require(m.tabWidth, "mill.tab_width").nm(),
                        require(m.tabHeight, "mill.tab_height").nm()),
                new Mill.Pins(nm(m.pinDiameter, 0.9), nm(m.pinDepth, 4)),
                new Mill.Controller(
                        toolChange(m.toolChange),
                        Boolean.TRUE.equals(m.lineNumbers),
                        Boolean.TRUE.equals(m.arcs),
                        !Boolean.FALSE.equals(m.spindleSpeed),
                        m.toolChangeMinutes == null ? 2 : m.toolChangeMinutes));
    }

    /** A sheet from before the channel was a number counts passes of its narrowest V tool. */
    private static long channelOf(MillJson m, List<Cutter> rack, long depth) {
        int passes = m.isolationPasses == null ? 1 : m.isolationPasses;
        if (passes < 1 || passes > 20) {
            throw new IllegalArgumentException("isolation_passes must be 1 to 20");
        }
        double width =
                rack.stream()
                        .filter(c -> c.kind() == Cutter.Kind.V)
                        .mapToDouble(c -> c.widthAt(depth))
                        .min()
                        .orElse(0);
        return Math.round(width * (1 + (passes - 1) * (1 - m.passOverlap)));
    }

    private static Mill.Controller.ToolChange toolChange(String word) {
        if (word == null || word.equals("program-per-tool")) {
            return Mill.Controller.ToolChange.PROGRAM_PER_TOOL;
        }
        if (word.equals("pause")) {
            return Mill.Controller.ToolChange.PAUSE;
        }
        throw new IllegalArgumentException(
                "tool_change is pause or program-per-tool, not '" + word + "'");
    }

    private static long nm(Limit l, double usualMm) {
        return l == null ? Length.mm(usualMm) : l.nm();
    }

    private static Cutter toCutter(CutterJson c) {
        return new Cutter(
                c.id,
                c.name,
                kind(require(c.kind, "kind")),
                Length.mm(c.tipMm),
                c.angleDeg,
                Length.mm(c.diameterMm),
                c.fluteMm == null ? 0 : Length.mm(c.fluteMm),
                c.feedMmMin,
                c.plungeMmMin,
                c.spindleRpm,
                Length.mm(c.depthPerPassMm));
    }

    private static Cutter.Kind kind(String word) {
        for (Cutter.Kind k : Cutter.Kind.values()) {
            if (k.name().toLowerCase(Locale.ROOT).equals(word)) {
                return k;
            }
        }
        throw new IllegalArgumentException("a tool is v, flat or drill, not '" + word + "'");
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
                s.kind().id(),
                s.description(),
                s.maxCopperLayers(),
                s.plates(),
                PriceJson.of(s.price()),
                options,
                byId(s.limits()),
                s.variations().stream()
                        .map(v -> new VariationJson(v.option().id(), v.value(), byId(v.limits())))
                        .toList(),
                s.mill().map(SheetJson::of).orElse(null),
                s.assembly().map(AssemblyJson::of).orElse(null),
                s.panel().map(PanelTermsJson::of).orElse(null),
                s.exclusions().isEmpty()
                        ? null
                        : s.exclusions().stream().map(ExcludesJson::of).toList(),
                s.strip().map(StripTermsJson::of).orElse(null),
                s.calendar().equals(ShopCalendar.EVERY_DAY) ? null : CalendarJson.of(s.calendar()),
                s.parcels().isEmpty() ? null : s.parcels().stream().map(ParcelJson::of).toList());
    }

    private static MillJson of(Mill m) {
        return new MillJson(
                mm(m.stock().thickness()),
                mm(m.stock().width()),
                mm(m.stock().height()),
                mm(m.stock().copper()),
                mm(m.bed().width()),
                mm(m.bed().height()),
                mm(m.bed().lift()),
                mm(m.cutting().safeHeight()),
                mm(m.cutting().drillTolerance()),
                mm(m.cutting().isolationDepth()),
                mm(m.cutting().channel()),
                null,
                m.cutting().overlap(),
                mm(m.cutting().breakthrough()),
                m.tabs().count(),
                mm(m.tabs().width()),
                mm(m.tabs().height()),
                mm(m.pins().diameter()),
                mm(m.pins().depth()),
                m.cutting().rapidMmPerMin(),
                m.controller().toolChange() == Mill.Controller.ToolChange.PAUSE
                        ? "pause"
                        : "program-per-tool",
                m.controller().lineNumbers(),
                m.controller().arcs(),
                m.controller().spindleSpeed(),
                m.controller().toolChangeMinutes(),
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
                Length.toMm(c.flute()),
                c.feed(),
                c.plunge(),
                c.spindleRpm(),
                Length.toMm(c.depthPerPass()));
    }

    private static Limit mm(long nm) {
        return new Limit(Length.toMm(nm), "mm", "", "");
    }
}
