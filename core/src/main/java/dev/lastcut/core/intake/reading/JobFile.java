package dev.lastcut.core.intake.reading;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParseException;
import com.google.gson.JsonParser;
import dev.lastcut.core.board.Problem;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A Gerber job file (Gerber job format specification, from memory): JSON that names the function of
 * every file, the size of the board and its number of layers.
 *
 * @param functions file function by file name, as in the attribute
 * @param thicknessMm of the board
 * @param widthMm and {@code heightMm}: empty where it does not say
 */
public record JobFile(
        Map<String, String> functions,
        Optional<Double> widthMm,
        Optional<Double> heightMm,
        Optional<Integer> layers,
        OptionalDouble thicknessMm,
        List<Problem> problems) {
    public JobFile {
        functions = Map.copyOf(functions);
        problems = List.copyOf(problems);
    }

    public static boolean looksLikeJob(String head) {
        return head.stripLeading().startsWith("{")
                && head.contains("\"FilesAttributes\"")
                && head.contains("\"FileFunction\"");
    }

    public static JobFile read(String path, byte[] content) {
        Map<String, String> functions = new LinkedHashMap<>();
        try {
            JsonObject root =
                    JsonParser.parseString(new String(content, StandardCharsets.UTF_8))
                            .getAsJsonObject();
            JsonArray files = root.getAsJsonArray("FilesAttributes");
            for (JsonElement e : files == null ? new JsonArray() : files) {
                JsonObject f = e.getAsJsonObject();
                if (f.has("Path") && f.has("FileFunction")) {
                    functions.put(
                            f.get("Path").getAsString().replace('\\', '/'),
                            f.get("FileFunction").getAsString());
                }
            }
            JsonObject specs = object(root, "GeneralSpecs");
            JsonObject size = object(specs, "Size");
            return new JobFile(
                    functions,
                    number(size, "X"),
                    number(size, "Y"),
                    number(specs, "LayerNumber").map(Double::intValue),
                    number(specs, "BoardThickness")
                            .map(OptionalDouble::of)
                            .orElse(OptionalDouble.empty()),
                    List.of());
        } catch (JsonParseException
                | IllegalStateException
                | ClassCastException
                | NumberFormatException
                | UnsupportedOperationException
                | StackOverflowError e) {
            Problem bad =
                    new Problem(
                            Problem.Code.NOT_READABLE,
                            path,
                            0,
                            "a Gerber job file that is damaged: " + e.getMessage(),
                            "what it says of the files is not used");
            return new JobFile(
                    Map.of(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.empty(),
                    List.of(bad));
        }
    }

    private static JsonObject object(JsonObject parent, String key) {
        return parent.has(key) && parent.get(key).isJsonObject()
                ? parent.getAsJsonObject(key)
                : new JsonObject();
    }

    private static Optional<Double> number(JsonObject o, String key) {
        return o.has(key) ? Optional.of(o.get(key).getAsDouble()) : Optional.empty();
    }

    /** The function it names for a file of the pack, by its path or, failing that, its name. */
    public static Optional<String> functionOf(JobFile job, String path) {
        for (Map.Entry<String, String> e : job.functions.entrySet()) {
            if (path.equals(e.getKey()) || leaf(path).equals(leaf(e.getKey()))) {
                return Optional.of(e.getValue());
            }
        }
        return Optional.empty();
    }

    /** The last step of a path. */
    public static String leaf(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }
}
