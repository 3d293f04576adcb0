package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Aperture;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads the body of an aperture definition, such as {@code D10C,0.5X0.2}. */
final class ApertureParser {
    private static final Pattern DEFINITION =
            Pattern.compile("[Dd](\\d{1,9})\\s*([^,\\s]+)\\s*(?:,(.*))?");

    private ApertureParser() {}

    record Defined(int code, Aperture aperture) {}

    /**
     * @throws IllegalArgumentException with the reason when it is not a definition
     */
    static Defined parse(String body, Map<String, MacroDefinition> macros, double nmPerUnit) {
        Matcher m = DEFINITION.matcher(body.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException("expected Dnn and a template");
        }
        int code = Integer.parseInt(m.group(1));
        List<Double> values = new ArrayList<>();
        if (m.group(3) != null) {
            for (String part : m.group(3).split("[Xx]")) {
                values.add(Double.parseDouble(part.strip()));
            }
        }
        return new Defined(code, template(m.group(2), values, macros, nmPerUnit));
    }

    private static Aperture template(
            String name, List<Double> v, Map<String, MacroDefinition> macros, double nmPerUnit) {
        Values values = new Values(v, nmPerUnit);
        if (macros.containsKey(name)) {
            return macros.get(name).evaluate(v, nmPerUnit);
        }
        return switch (name) {
            case "C", "c" -> new Aperture.Circle(values.size(0), values.hole(1));
            case "R", "r" -> new Aperture.Rectangle(values.size(0), values.size(1), values.hole(2));
            case "O", "o" -> new Aperture.Obround(values.size(0), values.size(1), values.hole(2));
            case "P", "p" -> polygon(values);
            default -> throw new IllegalArgumentException("no macro named '" + name + "'");
        };
    }

    private static Aperture polygon(Values values) {
        int corners = (int) values.plain(1);
        if (corners < 3 || corners > 12) {
            throw new IllegalArgumentException("polygon with " + corners + " corners");
        }
        double rotation = values.count() > 2 ? values.plain(2) : 0;
        return new Aperture.Polygon(values.size(0), corners, rotation, values.hole(3));
    }

    private record Values(List<Double> values, double nmPerUnit) {
        int count() {
            return values.size();
        }

        double plain(int i) {
            if (i >= values.size()) {
                throw new IllegalArgumentException("parameter " + (i + 1) + " is missing");
            }
            return values.get(i);
        }

        double size(int i) {
            double nm = plain(i) * nmPerUnit;
            if (!(nm >= 0) || nm > 1e10) {
                throw new IllegalArgumentException("size " + plain(i) + " is out of range");
            }
            return nm;
        }

        double hole(int i) {
            return i < values.size() ? size(i) : 0;
        }
    }
}
