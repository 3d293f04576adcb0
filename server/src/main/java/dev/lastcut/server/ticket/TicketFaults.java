package dev.lastcut.server.ticket;

import com.networknt.schema.Error;
import com.networknt.schema.path.NodePath;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** Says what the schema finds in a sentence, after the path of the key it is about. */
final class TicketFaults {
    private TicketFaults() {}

    static String sentence(Error e) {
        JsonNode wanted = e.getSchemaNode();
        return switch (e.getKeyword()) {
            case "additionalProperties" ->
                    path(e, e.getProperty()) + ": there is no such key, or not yet";
            case "required" -> path(e, e.getProperty()) + ": it is missing";
            case "type" -> path(e, null) + ": it must be " + types(wanted) + shown(e);
            case "enum" -> path(e, null) + ": it must be one of " + values(wanted) + shown(e);
            case "const" -> path(e, null) + ": it must be " + wanted + shown(e);
            case "minimum" -> path(e, null) + ": it must be at least " + wanted + shown(e);
            case "maximum" -> path(e, null) + ": it must be at most " + wanted + shown(e);
            case "exclusiveMinimum" -> path(e, null) + ": it must be above " + wanted + shown(e);
            case "minLength" -> path(e, null) + ": it must not be empty";
            case "pattern" ->
                    path(e, null) + ": it is not one of the words or forms known" + shown(e);
            default -> path(e, null) + ": " + e.getMessage();
        };
    }

    /** Names parted by points, places in lists in brackets: {@code currents[0].net}. */
    private static String path(Error e, String property) {
        NodePath at = e.getInstanceLocation();
        List<Object> steps = new ArrayList<>();
        for (int i = 0; i < at.getNameCount(); i++) {
            steps.add(at.getElement(i));
        }
        if (property != null) {
            steps.add(property);
        }
        StringBuilder path = new StringBuilder();
        for (Object step : steps) {
            if (step instanceof Integer) {
                path.append('[').append(step).append(']');
            } else {
                path.append(path.length() > 0 ? "." : "").append(step);
            }
        }
        return path.isEmpty() ? "the whole" : path.toString();
    }

    private static String shown(Error e) {
        JsonNode given = e.getInstanceNode();
        String text = given == null ? "" : given.toString();
        return text.isEmpty() || text.length() > 40 ? "" : ", not " + text;
    }

    private static String types(JsonNode wanted) {
        List<String> all = wanted.isArray() ? strings(wanted) : List.of(wanted.asString());
        return all.stream()
                .map(t -> t.equals("null") ? "null" : (t.matches("[aeiou].*") ? "an " : "a ") + t)
                .collect(Collectors.joining(" or "));
    }

    private static String values(JsonNode wanted) {
        return String.join(", ", strings(wanted));
    }

    private static List<String> strings(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false)
                .map(n -> n.isString() ? n.asString() : n.toString())
                .toList();
    }
}
