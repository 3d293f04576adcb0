package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** The attribute commands TF, TA, TO and TD (specification, "Attributes"). */
final class AttributeDictionary {
    private final Map<String, String> file = new LinkedHashMap<>();
    private final Map<String, String> aperture = new HashMap<>();
    private final Map<String, String> object = new HashMap<>();
    private ObjectAttributes current = ObjectAttributes.NONE;

    /** Takes one word, such as {@code TF.FileFunction,Copper,L1,Top}; false if it is none. */
    boolean accept(String word) {
        if (word.length() < 2 || word.charAt(0) != 'T') {
            return false;
        }
        String body = word.substring(2);
        int comma = body.indexOf(',');
        int start = body.startsWith(".") ? 1 : 0;
        String name = (comma < 0 ? body.substring(start) : body.substring(start, comma)).strip();
        String value = comma < 0 ? "" : body.substring(comma + 1).strip();
        switch (word.charAt(1)) {
            case 'F' -> file.put(name, value);
            case 'A' -> aperture.put(name, value);
            case 'O' -> object.put(name, value);
            case 'D' -> delete(name);
            default -> {
                return false;
            }
        }
        current = null;
        return true;
    }

    private void delete(String name) {
        if (name.isEmpty()) {
            aperture.clear();
            object.clear();
        } else {
            aperture.remove(name);
            object.remove(name);
        }
    }

    Map<String, String> file() {
        return file;
    }

    /** The aperture function in force where an aperture is defined or a region drawn. */
    String apertureFunction() {
        return first(aperture.get("AperFunction"));
    }

    /** The attributes of an object now drawn with an aperture of the given function. */
    ObjectAttributes objectAttributes(String function) {
        if (current == null || !current.function().equals(function)) {
            String[] pin = object.getOrDefault("P", "").split(",");
            String component = object.getOrDefault("C", "");
            current =
                    new ObjectAttributes(
                            function,
                            unescape(first(object.get("N"))),
                            unescape(pin[0].isEmpty() ? component : pin[0]),
                            unescape(pin.length > 1 ? pin[1] : ""));
        }
        return current;
    }

    /**
     * The part that a flash of the aperture function {@code ComponentMain} stands for
     * (specification, "Component layers", from memory).
     *
     * @throws NumberFormatException when its rotation is no number
     */
    PlacedPart component(Pt at, int line) {
        String side = file.getOrDefault("FileFunction", "").toLowerCase(Locale.ROOT);
        String turn = object.getOrDefault("CRot", "0");
        return new PlacedPart(
                unescape(first(object.get("C"))),
                unescape(object.getOrDefault("CVal", "")),
                unescape(object.getOrDefault("CFtp", "")),
                at,
                Double.parseDouble(turn),
                side.endsWith("bot") ? Side.BOTTOM : Side.TOP,
                line);
    }

    private static String first(String value) {
        if (value == null) {
            return "";
        }
        int comma = value.indexOf(',');
        return comma < 0 ? value : value.substring(0, comma);
    }

    /** Unicode escapes of the form backslash-u and four hexadecimal digits. */
    private static String unescape(String s) {
        if (s.indexOf('\\') < 0) {
            return s;
        }
        return java.util.regex.Pattern.compile("\\\\u([0-9a-fA-F]{4})")
                .matcher(s)
                .replaceAll(
                        m ->
                                java.util.regex.Matcher.quoteReplacement(
                                        String.valueOf((char) Integer.parseInt(m.group(1), 16))));
    }
}
