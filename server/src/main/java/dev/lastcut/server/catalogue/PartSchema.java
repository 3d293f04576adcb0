package dev.lastcut.server.catalogue;

import static dev.lastcut.server.report.SchemaParts.listOf;
import static dev.lastcut.server.report.SchemaParts.mapOf;
import static dev.lastcut.server.report.SchemaParts.number;
import static dev.lastcut.server.report.SchemaParts.object;
import static dev.lastcut.server.report.SchemaParts.ordered;
import static dev.lastcut.server.report.SchemaParts.text;

import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.catalogue.Supply;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The JSON Schema of a part as a counter tells it. */
public final class PartSchema {
    private PartSchema() {}

    public static Map<String, Object> part() {
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("number", text(1));
        for (String n : List.of("maker", "kind", "description", "package", "as_of")) {
            f.put(n, text(0));
        }
        Map<String, Object> body = new LinkedHashMap<>();
        for (String n : List.of("length_mm", "width_mm", "height_mm")) {
            body.put(n, ordered("type", "number", "exclusiveMinimum", 0, "maximum", 1000));
        }
        f.put("body", object(body, List.copyOf(body.keySet())));
        f.put("values", mapOf(value()));
        Map<String, Object> pin = new LinkedHashMap<>();
        pin.put("pin", text(1));
        pin.put("name", text(0));
        pin.put("role", words(PinRole.class));
        f.put("pins", listOf(object(pin, List.of("pin", "role"))));
        f.put("supply", supply());
        return object(f, List.of());
    }

    private static Map<String, Object> value() {
        Map<String, Object> f = new LinkedHashMap<>();
        for (String n : List.of("min", "typ", "max")) {
            f.put(n, ordered("type", "number"));
        }
        for (String n : List.of("unit", "condition", "word")) {
            f.put(n, text(0));
        }
        return object(f, List.of());
    }

    private static Map<String, Object> supply() {
        Map<String, Object> step = new LinkedHashMap<>();
        step.put("from", ordered("type", "integer", "minimum", 1));
        step.put("price", number());
        Map<String, Object> f = new LinkedHashMap<>();
        f.put("stock", ordered("type", "integer", "minimum", 0));
        f.put("currency", text(1));
        f.put("breaks", listOf(object(step, List.of("from", "price"))));
        f.put("lead_days", ordered("type", "integer", "minimum", 0));
        f.put("line_stock", ordered("type", "boolean"));
        f.put("life", words(Supply.Life.class));
        f.put("lot", ordered("type", "integer", "minimum", 1));
        return object(f, List.of());
    }

    private static <E extends Enum<E>> Map<String, Object> words(Class<E> type) {
        return ordered("enum", Arrays.stream(type.getEnumConstants()).map(PartJson::id).toList());
    }
}
