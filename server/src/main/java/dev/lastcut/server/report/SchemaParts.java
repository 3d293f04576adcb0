package dev.lastcut.server.report;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Pieces that JSON Schemas (draft 2020-12) are put together of. */
public final class SchemaParts {
    private SchemaParts() {}

    /** Names and values in turn, kept in that order: the schema is the same in every run. */
    public static Map<String, Object> ordered(Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            map.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return map;
    }

    /** The schema of a whole file: an object with just these keys. */
    public static Map<String, Object> file(
            String title, Map<String, Object> fields, List<String> required) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", title);
        schema.put("type", "object");
        schema.put("required", required);
        schema.put("additionalProperties", false);
        schema.put("properties", fields);
        return schema;
    }

    /** An object with just these keys. */
    public static Map<String, Object> object(Map<String, Object> fields, List<String> required) {
        return ordered(
                "type",
                "object",
                "additionalProperties",
                false,
                "required",
                required,
                "properties",
                fields);
    }

    /** An object with any keys, all values alike. */
    public static Map<String, Object> mapOf(Map<String, Object> value) {
        return ordered("type", "object", "additionalProperties", value);
    }

    public static Map<String, Object> listOf(Map<String, Object> item) {
        return ordered("type", "array", "items", item);
    }

    /**
     * @param least fewest characters
     */
    public static Map<String, Object> text(int least) {
        return ordered("type", "string", "minLength", least);
    }

    /** A number, from 0. */
    public static Map<String, Object> number() {
        return ordered("type", "number", "minimum", 0);
    }

    public static Map<String, Object> above0() {
        return ordered("type", "number", "exclusiveMinimum", 0);
    }
}
