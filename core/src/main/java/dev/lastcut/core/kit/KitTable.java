package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.kit.KitStep.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** The bench kit as a table: what to buy and lay ready, in the order it is soldered. */
public final class KitTable {
    private static final List<String> HEADER =
            List.of(
                    "Step",
                    "Designators",
                    "Quantity",
                    "For all boards",
                    "Value",
                    "Footprint",
                    "Maker",
                    "Part number",
                    "Side",
                    "Mounting",
                    "Height (mm)",
                    "Lead spacing (mm)",
                    "Colours",
                    "Polarity",
                    "Why then");

    private KitTable() {}

    public static byte[] csv(BenchKit kit, int boards) {
        List<List<String>> rows = new ArrayList<>();
        int n = 1;
        for (KitStep s : kit.steps()) {
            Part p = s.parts().get(0);
            rows.add(
                    List.of(
                            String.valueOf(n++),
                            Designators.fold(s.designators()),
                            String.valueOf(s.parts().size()),
                            String.valueOf(s.parts().size() * boards),
                            p.value(),
                            p.placed().map(a -> a.footprint()).orElse(p.footprint()),
                            p.maker(),
                            p.partNumber(),
                            s.side().word(),
                            s.leads() ? "leaded" : "surface",
                            String.format(Locale.ROOT, "%.2f", s.heightMm()),
                            s.spacingMm().isPresent()
                                    ? String.format(
                                            Locale.ROOT, "%.2f", s.spacingMm().getAsDouble())
                                    : "",
                            colours(s),
                            polarity(s),
                            s.stage().why()));
        }
        for (Part p : kit.unplaced()) {
            rows.add(
                    List.of(
                            "",
                            p.designator(),
                            "1",
                            String.valueOf(boards),
                            p.value(),
                            p.footprint(),
                            p.maker(),
                            p.partNumber(),
                            "",
                            "",
                            "",
                            "",
                            "",
                            "",
                            "on the list, but without a place on the board"));
        }
        return TableWriter.csv(HEADER, rows);
    }

    /** The bands by name; of unknown tolerance each reading with its own. */
    public static String colours(KitStep s) {
        return s.colours().stream().map(KitTable::reading).collect(Collectors.joining(" or "));
    }

    private static String reading(Reading r) {
        String words = r.code().words();
        return r.tolerancePercent() == 0
                ? words
                : words + String.format(Locale.ROOT, " (%.0f %%)", r.tolerancePercent());
    }

    /** Which way round each part stands; those that stand alike together. */
    public static String polarity(KitStep s) {
        List<String> words =
                s.places().stream()
                        .map(KitStep.Place::polarity)
                        .filter(w -> !w.isEmpty())
                        .distinct()
                        .toList();
        if (words.size() <= 1) {
            return words.isEmpty() ? "" : words.get(0);
        }
        return words.stream()
                .map(
                        w ->
                                w
                                        + ": "
                                        + Designators.fold(
                                                s.places().stream()
                                                        .filter(p -> p.polarity().equals(w))
                                                        .map(KitStep.Place::designator)
                                                        .toList()))
                .collect(Collectors.joining("; "));
    }
}
