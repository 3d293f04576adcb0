package dev.lastcut.core.intake;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.intake.reading.Reading;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Names of drill files that say between which copper layers their holes go: {@code vias 1-3},
 * {@code drill_L1_L4}. Believed only where the numbers make a stack: the names of several drill
 * files, with the deepest as the bottom, or a file of through holes beside them. Common practice,
 * no source.
 */
final class DrillSpanNames {
    private static final Pattern NUMBERS =
            Pattern.compile(
                    "(?<![\\p{L}\\d.])((?:l|layer|lay|lyr|cu)?)0*([1-9]\\d?)\\s*(?:-|_|–|to|bis|,|\\.\\.|\\s)\\s*"
                            + "(?:l|layer|lay|lyr|cu)?0*([1-9]\\d?)(?![\\d.]|\\p{L})",
                    Pattern.CASE_INSENSITIVE);

    private static final int MOST_LAYERS = 32;

    private DrillSpanNames() {}

    /**
     * Gives the holes of drill files the spans their names state.
     *
     * @param copper how many pictures may be copper layers
     */
    static void settle(Map<String, Reading> readings, int copper) {
        Map<String, Span> spans = new HashMap<>();
        int deepest = 0;
        boolean lettered = false;
        for (Map.Entry<String, Reading> e : readings.entrySet()) {
            if (e.getValue() instanceof Reading.Drill d && !d.file().spanStated()) {
                Matcher m = NUMBERS.matcher(leaf(e.getKey()));
                while (m.find()) {
                    int a = Integer.parseInt(m.group(2));
                    int b = Integer.parseInt(m.group(3));
                    if (a < b && b <= MOST_LAYERS) {
                        spans.put(e.getKey(), new Span(a, b));
                        lettered |= !m.group(1).isEmpty();
                        deepest = Math.max(deepest, b);
                        break;
                    }
                }
            }
        }
        int last = deepest;
        Set<Span> different = new HashSet<>(spans.values());
        boolean through = different.contains(new Span(1, last));
        boolean stack =
                last > 2 && last <= copper + 2 && (lettered && through || different.size() > 1);
        if (!stack) {
            return;
        }
        spans.forEach(
                (path, span) -> {
                    boolean whole = span.first() == 1 && span.last() == last;
                    DrillFile f = ((Reading.Drill) readings.get(path)).file();
                    DrillFile own = whole ? f : spanned(f, span);
                    readings.put(path, new Reading.Drill(own.reaching(last)));
                });
    }

    /** The same file with holes that pass just these layers. */
    static DrillFile spanned(DrillFile f, Span span) {
        Map<Integer, List<Hole>> unsized = new HashMap<>();
        f.unsized()
                .forEach((t, h) -> unsized.put(t, h.stream().map(x -> x.through(span)).toList()));
        return f.with(f.holes().stream().map(h -> h.through(span)).toList(), unsized, f.routes());
    }

    private static String leaf(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }
}
