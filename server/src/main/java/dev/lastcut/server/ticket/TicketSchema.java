package dev.lastcut.server.ticket;

import static dev.lastcut.server.report.SchemaParts.above0;
import static dev.lastcut.server.report.SchemaParts.file;
import static dev.lastcut.server.report.SchemaParts.listOf;
import static dev.lastcut.server.report.SchemaParts.mapOf;
import static dev.lastcut.server.report.SchemaParts.number;
import static dev.lastcut.server.report.SchemaParts.object;
import static dev.lastcut.server.report.SchemaParts.ordered;
import static dev.lastcut.server.report.SchemaParts.text;

import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.table.ColumnKind;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.Rails;
import dev.lastcut.core.review.Review;
import dev.lastcut.core.strip.OwnForm;
import dev.lastcut.server.catalogue.PartSchema;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

/** The JSON Schema (draft 2020-12) of a ticket, made of the roles, numbers and options known. */
public final class TicketSchema {
    private static final String INNER_COPPER = "copper-inner-[1-9][0-9]?";

    private TicketSchema() {}

    public static Map<String, Object> schema() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("version", ordered("const", TicketJson.VERSION));
        f.put("shop", text(1));
        f.put("roles", mapOf(role()));
        f.put(
                "formats",
                mapOf(ordered("enum", DrillFormat.ALL.stream().map(DrillFormat::words).toList())));
        f.put("units_nm", mapOf(ordered("type", "number", "minimum", 1, "maximum", 1e9)));
        f.put(
                "columns",
                mapOf(
                        listOf(
                                ordered(
                                        "enum",
                                        Arrays.stream(ColumnKind.values())
                                                .map(ColumnKind::id)
                                                .toList()))));
        Map<String, Object> sizes =
                mapOf(ordered("type", "number", "minimum", 0.01, "maximum", 50));
        sizes.put("propertyNames", ordered("pattern", TicketJson.TOOL));
        f.put("tool_sizes", mapOf(sizes));
        f.put("corrections", mapOf(move()));
        f.put("headroom", headroom());
        f.put("order", order());
        f.put("currents", listOf(current()));
        f.put("mill", mill());
        f.put("mills_aside", mapOf(mill()));
        f.put("surfaces", sides(surface()));
        f.put("parts", mapOf(fitting()));
        f.put("variant", name());
        Map<String, Object> variants = mapOf(mapOf(fitting()));
        variants.put("propertyNames", name());
        f.put("variants", variants);
        f.put("known_parts", mapOf(PartSchema.part()));
        f.put("needs", mapOf(listOf(text(1))));
        f.put("turns", turns());
        f.put("by_hand", byHand());
        f.put("notes", mapOf(text(1)));
        f.put("looked_at", mapOf(text(1)));
        f.put("polarity", mapOf(text(1)));
        f.put("guide", listOf(object(guideEntry(), List.of())));
        f.put("heights", heights());
        f.put("stencil", stencil());
        f.put("panel", panel());
        f.put("touches", listOf(touch()));
        f.put("strip", strip());
        f.put("sign_offs", listOf(signOff()));
        f.put("reviewed", reviewed());
        f.put("job", text(1));
        f.put("revision", ordered("type", "integer", "minimum", 1));
        f.put("cut", ordered("type", "integer", "minimum", 1));
        f.put(
                "made_at",
                ordered(
                        "type",
                        "string",
                        "pattern",
                        "^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\dZ$"));
        return file("Ticket", f, List.of());
    }

    private static Map<String, Object> heights() {
        Map<String, Object> zone = new LinkedHashMap<>();
        zone.put("name", text(1));
        zone.put("side", ordered("enum", List.of(Side.TOP.word(), Side.BOTTOM.word())));
        zone.put("at_most_mm", ordered("type", "number", "minimum", 0, "maximum", 500));
        Map<String, Object> corners =
                listOf(ordered("type", "array", "items", number(), "minItems", 2, "maxItems", 2));
        corners.put("minItems", 3);
        zone.put("area", corners);
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("zones", listOf(object(zone, List.of("name", "side", "at_most_mm"))));
        f.put(
                "unshaded",
                mapOf(ordered("type", "number", "exclusiveMinimum", 0, "exclusiveMaximum", 90)));
        return object(f, List.of());
    }

    private static Map<String, Object> strip() {
        Map<String, Object> hole =
                ordered(
                        "type",
                        "array",
                        "items",
                        ordered("type", "integer", "minimum", -200, "maximum", 400));
        hole.put("minItems", 2);
        hole.put("maxItems", 2);
        Map<String, Object> link = listOf(hole);
        link.put("minItems", 2);
        link.put("maxItems", 2);
        Map<String, Object> part = new LinkedHashMap<>();
        part.put("designator", text(1));
        part.put("pins", mapOf(hole));
        part.put("standing", ordered("type", "boolean"));
        part.put("locked", ordered("type", "boolean"));
        Map<String, Object> probe = new LinkedHashMap<>();
        probe.put("net", text(1));
        probe.put("at", hole);
        Map<String, Object> weights = new LinkedHashMap<>();
        for (String n : List.of("area", "link", "cut")) {
            weights.put(n, ordered("type", "number", "minimum", 0, "maximum", 1000));
        }
        Map<String, Object> form = new LinkedHashMap<>();
        form.put("shape", ids(OwnForm.Shape.values(), OwnForm.Shape::id));
        for (String n : List.of("leads", "spacing", "rows_apart")) {
            form.put(n, ordered("type", "integer", "minimum", 1, "maximum", 64));
        }
        for (String n : List.of("length_mm", "width_mm", "height_mm")) {
            form.put(n, above0());
        }
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("stock", text(1));
        for (String n : List.of("strips", "holes")) {
            f.put(n, ordered("type", "integer", "minimum", 1, "maximum", StripTerms.Stock.MOST));
        }
        f.put("pitch_mm", above0());
        f.put("parts", listOf(object(part, List.of("designator", "pins"))));
        f.put("cuts", listOf(hole));
        f.put("gaps", listOf(hole));
        f.put("knife_cuts", listOf(hole));
        f.put("links", listOf(link));
        f.put("probes", listOf(object(probe, List.of("net", "at"))));
        f.put("weights", object(weights, List.of()));
        f.put(
                "forms",
                mapOf(
                        object(
                                form,
                                List.of("shape", "leads", "length_mm", "width_mm", "height_mm"))));
        return object(f, List.of());
    }

    /** One of the two is given; which is looked at when it is read. */
    private static Map<String, Object> guideEntry() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("solder", text(1));
        f.put("do", text(1));
        return f;
    }

    private static Map<String, Object> role() {
        List<String> ids = new ArrayList<>();
        Role.pictures(0).forEach(r -> ids.add(r.id()));
        for (Role.Kind kind : Role.Kind.values()) {
            String id = kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
            if (Role.parse(id).isPresent() && !ids.contains(id)) {
                ids.add(id);
            }
        }
        return ordered(
                "type",
                "string",
                "pattern",
                "^(" + String.join("|", ids) + "|" + INNER_COPPER + ")$");
    }

    private static Map<String, Object> coordinate() {
        return ordered("type", "number", "minimum", -10_000, "maximum", 10_000);
    }

    private static Map<String, Object> move() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("mirrored", ordered("type", "boolean"));
        f.put("quarter_turns", ordered("type", "integer", "minimum", 0, "maximum", 3));
        f.put("scale", above0());
        f.put("dx_mm", coordinate());
        f.put("dy_mm", coordinate());
        return object(f, List.of());
    }

    private static Map<String, Object> headroom() {
        Map<String, Object> mm = new LinkedHashMap<>();
        Map<String, Object> percents = new LinkedHashMap<>();
        for (LimitKey k : LimitKey.values()) {
            Map<String, Object> length = number();
            length.put("description", k.title() + (k.isRatio() ? "" : ", mm"));
            mm.put(k.id(), length);
            percents.put(k.id(), percent());
        }
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("percent", percent());
        f.put("mm", object(mm, List.of()));
        f.put("percents", object(percents, List.of()));
        return object(f, List.of());
    }

    private static Map<String, Object> percent() {
        return ordered("type", "number", "minimum", 0, "maximum", 1000);
    }

    private static Map<String, Object> reviewed() {
        Map<String, Object> by = new LinkedHashMap<>();
        by.put("by", text(1));
        by.put("of", text(1));
        Map<String, Object> f = new LinkedHashMap<>();
        for (Review.Subject s : Review.Subject.values()) {
            f.put(s.id(), object(by, List.of("by", "of")));
        }
        return object(f, List.of());
    }

    private static Map<String, Object> order() {
        Map<String, Object> f = new LinkedHashMap<>();
        for (OrderOption o : OrderOption.values()) {
            f.put(
                    o.id(),
                    o.isNumber()
                            ? ordered("type", "string", "pattern", "^\\d{1,3}(\\.\\d{1,4})?$")
                            : text(1));
        }
        f.put(TicketJson.QUANTITY, ordered("type", "integer", "minimum", 1, "maximum", Order.MOST));
        f.put(TicketJson.CARRIAGE, text(1));
        Map<String, Object> mark = new LinkedHashMap<>();
        mark.put("x_mm", coordinate());
        mark.put("y_mm", coordinate());
        mark.put("side", ordered("enum", List.of(Side.TOP.word(), Side.BOTTOM.word())));
        f.put(TicketJson.MARK, object(mark, List.of("x_mm", "y_mm", "side")));
        return object(f, List.of());
    }

    private static Map<String, Object> name() {
        Map<String, Object> name = text(1);
        name.put("maxLength", Variants.LONGEST_NAME);
        return name;
    }

    private static Map<String, Object> stencil() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("foil_mm", ordered("type", "number", "minimum", 0.02, "maximum", 1));
        f.putAll(shaping());
        f.put("packages", mapOf(object(shaping(), List.of())));
        f.put("leave_out_unfitted", ordered("type", "boolean"));
        f.put("framed", ordered("type", "boolean"));
        f.put("align_mm", ordered("type", "number", "minimum", 0, "maximum", 20));
        return object(f, List.of());
    }

    private static Map<String, Object> panel() {
        Map<String, Object> bites = new LinkedHashMap<>();
        bites.put("hole_mm", number());
        bites.put("pitch_mm", number());
        Map<String, Object> tab = new LinkedHashMap<>();
        tab.put("width_mm", number());
        tab.put("per_side", ordered("type", "integer", "minimum", 1, "maximum", 20));
        tab.put("bites", object(bites, List.of()));
        Map<String, Object> also = new LinkedHashMap<>();
        also.put("pack", text(1));
        also.put("count", ordered("type", "integer", "minimum", 1));
        Map<String, Object> place = new LinkedHashMap<>();
        place.put("pack", text(1));
        place.put("x_mm", coordinate());
        place.put("y_mm", coordinate());
        place.put("rotation_deg", ordered("type", "number", "minimum", -360, "maximum", 360));
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("rows", ordered("type", "integer", "minimum", 1));
        f.put("columns", ordered("type", "integer", "minimum", 1));
        f.put("gap_mm", number());
        f.put("rotation_deg", ordered("type", "number", "minimum", -360, "maximum", 360));
        f.put("join", ids(Join.values(), Join::id));
        f.put("rail_mm", number());
        f.put("rails", ids(Rails.values(), Rails::id));
        f.put("tab", object(tab, List.of()));
        f.put("fiducials", ordered("enum", List.of(false, true, 0, 3, 4)));
        f.put("tooling_mm", number());
        f.put("also", listOf(object(also, List.of("pack"))));
        f.put("places", listOf(object(place, List.of("x_mm", "y_mm"))));
        return object(f, List.of());
    }

    /** One of any kind; which keys a kind has is looked at when it is read. */
    private static Map<String, Object> touch() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put(TouchJson.KIND, ordered("enum", List.copyOf(TouchKinds.ALL.keySet())));
        f.put(TouchJson.OFF, ordered("type", "boolean"));
        for (String key : TouchJson.keys()) {
            f.put(key, touchKey(key));
        }
        return object(f, List.of(TouchJson.KIND));
    }

    private static Map<String, Object> touchKey(String key) {
        return switch (key) {
            case "plated", "mirrored", "hide", "off_holes", "keep_old", "tented", "open" ->
                    ordered("type", "boolean");
            case "at", "from", "to", "move_mm" -> place();
            case "along" -> listOf(place());
            case "area", "relief", "cut_out", "scale_to_mm" -> new LinkedHashMap<>();
            case "drills_mm" -> listOf(number());
            case "grow_mm", "rotation_deg" -> coordinate();
            case "layer" -> role();
            case "hatch" -> {
                Map<String, Object> hatch = new LinkedHashMap<>();
                hatch.put("line_mm", number());
                hatch.put("gap_mm", number());
                yield object(hatch, List.of("line_mm", "gap_mm"));
            }
            default -> key.endsWith("_mm") ? number() : text(0);
        };
    }

    private static Map<String, Object> place() {
        Map<String, Object> p = listOf(coordinate());
        p.put("minItems", 2);
        p.put("maxItems", 2);
        return p;
    }

    private static <E> Map<String, Object> ids(E[] all, Function<E, String> id) {
        return ordered("enum", Arrays.stream(all).map(id).toList());
    }

    private static Map<String, Object> shaping() {
        Map<String, Object> panes = new LinkedHashMap<>();
        panes.put("over_mm2", ordered("type", "number", "exclusiveMinimum", 0, "maximum", 10_000));
        panes.put("web_mm", ordered("type", "number", "exclusiveMinimum", 0, "maximum", 10));
        panes.put("cover_percent", ordered("type", "number", "minimum", 10, "maximum", 100));
        Map<String, Object> plate = new LinkedHashMap<>();
        plate.put("packages", listOf(text(1)));
        plate.put("ratio", ordered("type", "number", "exclusiveMinimum", 0, "maximum", 1));
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("reduce_mm", ordered("type", "number", "minimum", 0, "maximum", 5));
        f.put("reduce_percent", ordered("type", "number", "minimum", 0, "maximum", 99));
        f.put("corner_mm", ordered("type", "number", "minimum", 0, "maximum", 5));
        f.put("panes", object(panes, List.of()));
        f.put("home_plate", object(plate, List.of()));
        return f;
    }

    private static Map<String, Object> turns() {
        Map<String, Object> degrees = ordered("type", "number", "minimum", -360, "maximum", 360);
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("packages", mapOf(degrees));
        f.put("parts", mapOf(degrees));
        return object(f, List.of());
    }

    private static Map<String, Object> byHand() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("packages", listOf(text(1)));
        f.put("sides", listOf(ordered("enum", List.of("bottom", "top"))));
        f.put("parts", mapOf(ordered("type", "boolean")));
        return object(f, List.of());
    }

    private static Map<String, Object> fitting() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("fitted", ordered("type", "boolean"));
        f.put("value", text(0));
        f.put("part_number", text(0));
        f.put("footprint", text(1));
        return object(f, List.of());
    }

    private static Map<String, Object> current() {
        Map<String, Object> end = new LinkedHashMap<>();
        end.put("layer", text(1));
        end.put("x_mm", coordinate());
        end.put("y_mm", coordinate());
        Map<String, Object> pad = object(end, List.of("layer", "x_mm", "y_mm"));
        pad.put("type", List.of("object", "null"));
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("net", text(1));
        f.put("amps", ordered("type", "number", "exclusiveMinimum", 0, "maximum", 1000));
        f.put("rise_c", ordered("type", "number", "exclusiveMinimum", 0, "maximum", 200));
        f.put("from", pad);
        f.put("to", pad);
        return object(f, List.of("net", "amps", "rise_c"));
    }

    private static Map<String, Object> mill() {
        Map<String, Object> corner = new LinkedHashMap<>();
        for (String n : List.of("min_x_mm", "min_y_mm", "max_x_mm", "max_y_mm")) {
            corner.put(n, coordinate());
        }
        Map<String, Object> areas = listOf(object(corner, List.copyOf(corner.keySet())));
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("tools", listOf(text(1)));
        f.put("sides", listOf(ordered("enum", List.of("bottom", "top"))));
        f.put("clearing", words(MillSetup.Clearing.class));
        f.put("rub_out", areas);
        f.put("leave_out", areas);
        f.put("leave_free_copper", ordered("type", "boolean"));
        f.put("nick_mm", ordered("type", "number", "minimum", 0, "maximum", 0.5));
        f.put("climb", ordered("type", "boolean"));
        f.put("ground", text(0));
        f.put("through_zero", words(MillSetup.Zero.class));
        f.put("in_stock_x_mm", number());
        f.put("in_stock_y_mm", number());
        f.put("pins", ordered("enum", List.of(0, 2, 4)));
        f.put("turned_over", words(MillSetup.FlipAxis.class));
        return object(f, List.of());
    }

    private static <E extends Enum<E>> Map<String, Object> words(Class<E> type) {
        return ordered(
                "enum", Arrays.stream(type.getEnumConstants()).map(MillSetupJson::word).toList());
    }

    private static Map<String, Object> sides(Map<String, Object> value) {
        return object(ordered("bottom", value, "top", value), List.of());
    }

    private static Map<String, Object> surface() {
        Map<String, Object> grid = new LinkedHashMap<>();
        for (String n : List.of("min_x", "min_y", "max_x", "max_y")) {
            grid.put(n, ordered("type", "number"));
        }
        for (String n : List.of("columns", "rows")) {
            grid.put(n, ordered("type", "integer", "minimum", 2, "maximum", 5000));
        }
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("grid_nm", object(grid, List.copyOf(grid.keySet())));
        f.put("points", text(1));
        return object(f, List.of("grid_nm", "points"));
    }

    private static Map<String, Object> signOff() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("rule", text(1));
        f.put("x_mm", coordinate());
        f.put("y_mm", coordinate());
        f.put("by", text(1));
        f.put("reason", text(1));
        f.put("finding", text(1));
        f.put("subject", text(0));
        f.put("beyond", number());
        f.put("revision", ordered("type", "integer", "minimum", 1));
        f.put("at", text(0));
        return object(f, List.of("rule", "by", "reason"));
    }
}
