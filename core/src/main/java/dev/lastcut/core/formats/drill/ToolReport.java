package dev.lastcut.core.formats.drill;

import dev.lastcut.core.formats.Texts;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text beside a drill file that says what its tools are: a line for each, with its number, its
 * diameter and whatever else. Common practice, no source.
 */
public final class ToolReport {
    private static final Pattern TOOL =
            Pattern.compile(
                    "^[^\\p{L}\\p{Nd}]*T(?:OOL)?[ _#-]*0*(\\d{1,3})\\b(.*)$",
                    Pattern.CASE_INSENSITIVE);
    private static final Pattern LENGTH =
            Pattern.compile(
                    "(?<![\\p{L}\\d])(\\d*[.,]?\\d+)\\s*(mm|mils?|thou|inch|in|\")?(?![\\p{L}\\d.,])",
                    Pattern.CASE_INSENSITIVE);
    private static final Pattern UNIT =
            Pattern.compile(
                    "(?<!\\p{L})(mm|mils?|thou|inch(?:es)?|in)(?!\\p{L})",
                    Pattern.CASE_INSENSITIVE);
    private static final List<String> NOT_PLATED =
            List.of(
                    "npth",
                    "non plated",
                    "unplated",
                    "not plated",
                    "nonplated",
                    "no",
                    "nein",
                    "nej",
                    "non",
                    "nee",
                    "nie",
                    "ne",
                    "ei",
                    "nem",
                    "hayir",
                    "nao",
                    "nicht");
    private static final List<String> PLATED =
            List.of(
                    "pth", "plated", "yes", "ja", "oui", "si", "sim", "tak", "ano", "kyllä", "igen",
                    "evet", "da");
    private static final int MOST_LINES = 5_000;
    private static final double LARGEST_NM = 20e6;
    private static final double SMALLEST_NM = 30_000;

    private ToolReport() {}

    /** The tools that a text states, by number; empty when it is no such report. */
    public static Map<Integer, DrillTool> read(byte[] content) {
        Map<Integer, DrillTool> tools = new TreeMap<>();
        if (content.length > 1 << 20) {
            return tools;
        }
        String[] lines = Texts.decode(content).split("\r\n|\n|\r", MOST_LINES);
        Optional<String> unit = Optional.empty();
        for (String line : lines) {
            Matcher m = TOOL.matcher(line);
            if (!m.matches()) {
                Optional<String> named = unitOf(line);
                unit = named.isPresent() ? named : unit;
                continue;
            }
            Optional<DrillTool> tool = tool(m.group(2), unit);
            tool.ifPresent(t -> tools.putIfAbsent(Integer.parseInt(m.group(1)), t));
        }
        return tools;
    }

    private static Optional<String> unitOf(String line) {
        Matcher m = UNIT.matcher(line);
        return m.find() ? Optional.of(m.group(1)) : Optional.empty();
    }

    /** The diameter is the first length with a unit, else the first with decimals. */
    private static Optional<DrillTool> tool(String rest, Optional<String> unit) {
        Matcher m = LENGTH.matcher(rest);
        OptionalLong size = OptionalLong.empty();
        boolean stated = false;
        List<Integer> whole = new ArrayList<>();
        while (m.find()) {
            boolean own = m.group(2) != null;
            boolean decimals = m.group(1).matches(".*[.,].*");
            if (own && !stated || decimals && size.isEmpty() && unit.isPresent()) {
                size = length(m.group(1), own ? m.group(2) : unit.get());
                stated |= own;
            } else if (!own && !decimals && m.group(1).length() < 7) {
                whole.add(Integer.parseInt(m.group(1)));
            }
        }
        if (size.isEmpty() || size.getAsLong() < SMALLEST_NM || size.getAsLong() > LARGEST_NM) {
            return Optional.empty();
        }
        OptionalInt count = whole.size() == 1 ? OptionalInt.of(whole.get(0)) : OptionalInt.empty();
        return Optional.of(new DrillTool(size.getAsLong(), plated(rest), count));
    }

    private static OptionalLong length(String digits, String unit) {
        String u = unit.toLowerCase(Locale.ROOT);
        double nm =
                u.startsWith("mm")
                        ? Length.NM_PER_MM
                        : u.startsWith("mil") || u.startsWith("thou")
                                ? Length.NM_PER_MIL
                                : Length.NM_PER_INCH;
        return OptionalLong.of(Math.round(Double.parseDouble(digits.replace(',', '.')) * nm));
    }

    private static Optional<Boolean> plated(String rest) {
        String s = " " + rest.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]+", " ").strip() + " ";
        if (NOT_PLATED.stream().anyMatch(w -> s.contains(" " + w + " "))) {
            return Optional.of(false);
        }
        return PLATED.stream().anyMatch(w -> s.contains(" " + w + " "))
                ? Optional.of(true)
                : Optional.empty();
    }
}
