package dev.lastcut.server.report;

import tools.jackson.databind.PropertyNamingStrategies;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The one mapper for files: field names in snake case, indented. */
public final class Json {
    public static final JsonMapper MAPPER =
            JsonMapper.builder()
                    .propertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
                    .enable(SerializationFeature.INDENT_OUTPUT)
                    .build();

    private Json() {}

    /** Indented UTF-8 with a final line feed. */
    public static byte[] write(Object value) {
        byte[] json = MAPPER.writeValueAsBytes(value);
        byte[] withEnd = java.util.Arrays.copyOf(json, json.length + 1);
        withEnd[json.length] = '\n';
        return withEnd;
    }
}
