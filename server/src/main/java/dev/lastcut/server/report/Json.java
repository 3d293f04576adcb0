package dev.lastcut.server.report;

import java.util.Arrays;
import java.util.Locale;
import tools.jackson.databind.PropertyNamingStrategies;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The one mapper for files: field names in snake case, indented. */
public final class Json {
    public static final JsonMapper MAPPER =
            JsonMapper.builder()
                    .propertyNamingStrategy(new Snake())
                    .enable(SerializationFeature.INDENT_OUTPUT)
                    .build();

    /** Every capital begins a word, so that {@code inStockXMm} is {@code in_stock_x_mm}. */
    private static final class Snake extends PropertyNamingStrategies.NamingBase {
        private static final long serialVersionUID = 1;

        @Override
        public String translate(String name) {
            return name.replaceAll("(?<=.)([A-Z])", "_$1").toLowerCase(Locale.ROOT);
        }
    }

    private Json() {}

    /** Indented UTF-8 with a final line feed. */
    public static byte[] write(Object value) {
        byte[] json = MAPPER.writeValueAsBytes(value);
        byte[] withEnd = Arrays.copyOf(json, json.length + 1);
        withEnd[json.length] = '\n';
        return withEnd;
    }
}
