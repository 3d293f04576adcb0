package dev.lastcut.server.sheets;

import static dev.lastcut.server.report.SchemaParts.above0;
import static dev.lastcut.server.report.SchemaParts.file;
import static dev.lastcut.server.report.SchemaParts.listOf;
import static dev.lastcut.server.report.SchemaParts.number;
import static dev.lastcut.server.report.SchemaParts.object;
import static dev.lastcut.server.report.SchemaParts.ordered;
import static dev.lastcut.server.report.SchemaParts.text;

import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.FineSurcharge;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Parcel;
import dev.lastcut.core.capability.StripTerms;
import java.time.DayOfWeek;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The JSON Schema (draft 2020-12) of a capability sheet, made of the numbers and options known. */
public final class SheetSchema {
    private SheetSchema() {}

    public static Map<String, Object> schema() {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("id", ordered("type", "string", "pattern", "^[a-z0-9][a-z0-9-]{0,62}$"));
        fields.put("name", text(1));
        fields.put("kind", ordered("enum", List.of("house", "mill", "strip")));
        fields.put("description", text(0));
        fields.put("max_copper_layers", ordered("type", "integer", "minimum", 1, "maximum", 64));
        fields.put("plates", ordered("type", "boolean"));
        fields.put("price", price());
        fields.put("options", options());
        fields.put("limits", limits());
        fields.put("variations", variations());
        fields.put("mill", mill());
        fields.put("assembly", ordered("anyOf", List.of(ordered("type", "null"), assembly())));
        fields.put("panel", ordered("anyOf", List.of(ordered("type", "null"), panel())));
        fields.put("strip", ordered("anyOf", List.of(ordered("type", "null"), strip())));
        Map<String, Object> excludes = excludes();
        excludes.put("type", List.of("array", "null"));
        fields.put("excludes", excludes);
        Map<String, Object> calendar = calendar();
        calendar.put("type", List.of("object", "null"));
        fields.put("calendar", calendar);
        Map<String, Object> parcels = parcels();
        parcels.put("type", List.of("array", "null"));
        fields.put("parcels", parcels);
        return file("Capability sheet", fields, List.of("id", "name", "kind", "limits"));
    }

    private static Map<String, Object> price() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("currency", text(1));
        f.put("setup", number());
        f.put("per_square_cm", number());
        f.put("days", ordered("type", "integer", "minimum", 0));
        Map<String, Object> step = new LinkedHashMap<>();
        step.put("from", ordered("type", "integer", "minimum", 1));
        step.put("per_square_cm", number());
        f.put("steps", listOf(object(step, List.of("from", "per_square_cm"))));
        Map<String, Object> adds = new LinkedHashMap<>();
        adds.put("option", ordered("enum", optionIds()));
        adds.put("value", text(1));
        for (String n : List.of("setup", "per_square_cm", "percent")) {
            adds.put(n, ordered("type", "number"));
        }
        adds.put("days", ordered("type", "integer"));
        f.put("adds", listOf(object(adds, List.of("option", "value"))));
        f.put("lots", lots());
        f.put("fine", fine());
        Map<String, Object> way = new LinkedHashMap<>();
        way.put("name", text(1));
        way.put("amount", number());
        way.put("days", ordered("type", "integer", "minimum", 0, "maximum", 365));
        f.put("carriage", listOf(object(way, List.of("name", "amount", "days"))));
        f.put("minimum", number());
        f.put("wear_per_metre", number());
        return object(f, List.of());
    }

    private static Map<String, Object> lots() {
        Map<String, Object> lot = new LinkedHashMap<>();
        lot.put("up_to_boards", ordered("type", "integer", "minimum", 1));
        lot.put(
                "up_to_mm",
                ordered("type", "array", "items", number(), "minItems", 2, "maxItems", 2));
        lot.put("layers", ordered("type", "integer", "minimum", 1));
        lot.put("total", number());
        return listOf(object(lot, List.of("up_to_boards", "up_to_mm", "total")));
    }

    private static Map<String, Object> fine() {
        Map<String, Object> below = new LinkedHashMap<>();
        below.put("value", number());
        below.put("unit", ordered("enum", List.of("mm", "mil", "in", "um")));
        Map<String, Object> fine = new LinkedHashMap<>();
        List<String> measured = FineSurcharge.MEASURED.stream().sorted().map(LimitKey::id).toList();
        fine.put("limit", ordered("enum", measured));
        fine.put("below", object(below, List.of("value", "unit")));
        fine.put("setup", number());
        fine.put("percent", number());
        return listOf(object(fine, List.of("limit", "below")));
    }

    private static Map<String, Object> calendar() {
        Map<String, Object> f = new LinkedHashMap<>();
        List<String> days =
                Arrays.stream(DayOfWeek.values())
                        .map(d -> d.name().toLowerCase(Locale.ROOT))
                        .toList();
        f.put("closed", listOf(ordered("enum", days)));
        f.put("holidays", listOf(ordered("type", "string", "pattern", "^\\d{4}-\\d{2}-\\d{2}$")));
        f.put("cut_off", ordered("type", "string", "pattern", "^\\d{2}:\\d{2}$"));
        return object(f, List.of());
    }

    private static Map<String, Object> parcels() {
        Map<String, Object> parcel = new LinkedHashMap<>();
        parcel.put(
                "name", ordered("type", "string", "pattern", "^[A-Za-z0-9][A-Za-z0-9._-]{0,59}$"));
        List<String> contents =
                Arrays.stream(Parcel.Content.values()).map(Parcel.Content::id).toList();
        Map<String, Object> holds = listOf(ordered("enum", contents));
        parcel.put("holds", holds);
        return listOf(object(parcel, List.of("name", "holds")));
    }

    private static Map<String, Object> options() {
        Map<String, Object> f = new LinkedHashMap<>();
        for (OrderOption o : OrderOption.values()) {
            if (o != OrderOption.LAYERS) {
                Map<String, Object> value =
                        o.isNumber()
                                ? ordered("type", "string", "pattern", "^\\d{1,3}(\\.\\d{1,4})?$")
                                : text(1);
                Map<String, Object> list = new LinkedHashMap<>();
                list.put("description", (o.title() + ", " + o.unit()).replaceFirst(", $", ""));
                list.put("type", "array");
                list.put("minItems", 1);
                list.put("items", value);
                f.put(o.id(), list);
            }
        }
        return object(f, List.of());
    }

    private static Map<String, Object> limit(List<String> units) {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("value", number());
        f.put("unit", ordered("enum", units));
        f.put("source", text(0));
        f.put("date", text(0));
        return object(f, List.of("value", "unit"));
    }

    private static Map<String, Object> length() {
        return limit(List.of("mm", "mil", "in", "um"));
    }

    private static Map<String, Object> limits() {
        Map<String, Object> f = new LinkedHashMap<>();
        for (LimitKey k : LimitKey.values()) {
            Map<String, Object> limit = k.isRatio() ? limit(List.of("ratio")) : length();
            limit.put("description", k.title() + (k.isLeast() ? ", at least" : ", at most"));
            f.put(k.id(), limit);
        }
        return object(f, List.of());
    }

    private static List<String> optionIds() {
        return Arrays.stream(OrderOption.values()).map(OrderOption::id).toList();
    }

    private static Map<String, Object> excludes() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("option", ordered("enum", optionIds()));
        f.put("value", text(1));
        f.put("with", ordered("enum", optionIds()));
        f.put("with_value", text(1));
        f.put("why", text(1));
        return listOf(object(f, List.of("option", "value", "with", "with_value")));
    }

    private static Map<String, Object> variations() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("option", ordered("enum", optionIds()));
        f.put("value", text(1));
        f.put("limits", limits());
        return listOf(object(f, List.of("option", "value", "limits")));
    }

    private static Map<String, Object> strip() {
        Map<String, Object> gap = new LinkedHashMap<>();
        for (String n : List.of("first_strip", "last_strip", "hole")) {
            gap.put(n, ordered("type", "integer", "minimum", 0));
        }
        Map<String, Object> stock = new LinkedHashMap<>();
        stock.put("name", text(1));
        for (String n : List.of("strips", "holes")) {
            stock.put(
                    n, ordered("type", "integer", "minimum", 2, "maximum", StripTerms.Stock.MOST));
        }
        stock.put("gaps", listOf(object(gap, List.copyOf(gap.keySet()))));
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("pitch", length());
        f.put("hole", length());
        f.put("knife", ordered("type", "boolean"));
        f.put("stock", listOf(object(stock, List.of("name", "strips", "holes"))));
        return object(f, List.of("pitch", "stock"));
    }

    private static Map<String, Object> panel() {
        Map<String, Object> f = new LinkedHashMap<>();
        for (String n :
                List.of(
                        "width_max",
                        "height_max",
                        "rail_min",
                        "gap_min",
                        "score_to_copper",
                        "part_to_break")) {
            f.put(n, length());
        }
        f.put("joins", listOf(ordered("enum", List.of("tabs", "score", "none"))));
        return object(f, List.of());
    }

    private static Map<String, Object> assembly() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("sides", listOf(ordered("enum", List.of("top", "bottom"))));
        for (String n :
                List.of("designators_per_line", "bill_lines", "placement_lines", "loaded_kinds")) {
            f.put(n, ordered("type", "integer", "minimum", 1));
        }
        for (String n : List.of("setup_fee", "fitting_fee", "loading_fee")) {
            f.put(n, ordered("type", "number", "minimum", 0));
        }
        f.put("attrition_percent", ordered("type", "number", "minimum", 0, "maximum", 100));
        Map<String, Object> column = new LinkedHashMap<>();
        column.put(
                "holds",
                ordered(
                        "enum",
                        Arrays.stream(Assembly.Holds.values()).map(Assembly.Holds::id).toList()));
        column.put("title", text(1));
        f.put("columns", listOf(object(column, List.of("holds"))));
        f.put("ranges", ordered("type", "boolean"));
        f.put("separator", ordered("enum", List.of(" ", ",", ", ")));
        f.put("zero_orientation", ordered("enum", List.of("A", "B")));
        f.put("least_pitch", length());
        Map<String, Object> placement = new LinkedHashMap<>();
        placement.put(
                "holds",
                ordered(
                        "enum",
                        Arrays.stream(Assembly.PlacementHolds.values())
                                .map(Assembly.PlacementHolds::id)
                                .toList()));
        placement.put("title", text(1));
        f.put("placement_columns", listOf(object(placement, List.of("holds"))));
        f.put("placement_file_a_side", ordered("type", "boolean"));
        f.put("least_to_edge", length());
        f.put("fiducials", ordered("type", "integer", "minimum", 0, "maximum", 8));
        f.put("fits", listOf(ordered("enum", List.of("surface", "leaded"))));
        f.put("greatest_height", length());
        return object(f, List.of());
    }

    private static Map<String, Object> mill() {
        Map<String, Object> tool = new LinkedHashMap<>();
        tool.put("id", text(1));
        tool.put("name", text(1));
        tool.put("kind", ordered("enum", List.of("v", "flat", "drill")));
        for (String n : List.of("tip_mm", "angle_deg", "diameter_mm")) {
            tool.put(n, number());
        }
        for (String n : List.of("feed_mm_min", "plunge_mm_min", "depth_per_pass_mm")) {
            tool.put(n, above0());
        }
        tool.put("flute_mm", ordered("type", List.of("number", "null"), "minimum", 0));
        tool.put("spindle_rpm", ordered("type", "integer", "minimum", 0));
        Map<String, Object> f = new LinkedHashMap<>();
        for (String n :
                List.of(
                        "stock_thickness",
                        "safe_height",
                        "drill_tolerance",
                        "isolation_depth",
                        "breakthrough",
                        "tab_width",
                        "tab_height")) {
            f.put(n, length());
        }
        // These have a usual value when they are not given.
        for (String n :
                List.of(
                        "stock_width",
                        "stock_height",
                        "copper_thickness",
                        "bed_width",
                        "bed_height",
                        "bed_lift",
                        "channel",
                        "pin_diameter",
                        "pin_depth")) {
            f.put(n, ordered("anyOf", List.of(ordered("type", "null"), length())));
        }
        f.put(
                "isolation_passes",
                ordered("type", List.of("integer", "null"), "minimum", 1, "maximum", 20));
        f.put("tool_change", ordered("enum", Arrays.asList("pause", "program-per-tool", null)));
        for (String n : List.of("line_numbers", "arcs", "spindle_speed")) {
            f.put(n, ordered("type", List.of("boolean", "null")));
        }
        f.put(
                "tool_change_minutes",
                ordered("type", List.of("number", "null"), "minimum", 0, "maximum", 60));
        f.put("pass_overlap", ordered("type", "number", "minimum", 0, "exclusiveMaximum", 1));
        f.put("tabs", ordered("type", "integer", "minimum", 0));
        f.put("rapid_mm_min", above0());
        f.put(
                "rack",
                ordered(
                        "type",
                        "array",
                        "items",
                        object(
                                tool,
                                List.of(
                                        "id",
                                        "name",
                                        "kind",
                                        "feed_mm_min",
                                        "plunge_mm_min",
                                        "depth_per_pass_mm"))));
        Map<String, Object> mill =
                object(
                        f,
                        List.of(
                                "rack",
                                "stock_thickness",
                                "safe_height",
                                "drill_tolerance",
                                "isolation_depth",
                                "breakthrough",
                                "tab_width",
                                "tab_height"));
        return ordered("anyOf", List.of(ordered("type", "null"), mill));
    }
}
