package dev.lastcut.core.strip.paper;

import com.google.gson.JsonPrimitive;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * A layout as {@code strip/plan.json}, documented in docs/strip.md. Gaps that the board has as
 * bought are among the cuts, so that copper between two cuts is one piece, and are listed once
 * more.
 */
public final class StripPlanJson {
    private StripPlanJson() {}

    public static String write(StripLayout layout) {
        StripPlan plan = layout.plan();
        Set<GridHole> gaps = StripCopper.gaps(plan, layout.stock().gaps());
        Set<GridHole> cuts = new TreeSet<>(plan.cuts());
        cuts.addAll(gaps);
        List<String> lines = new ArrayList<>();
        lines.add("\"stock\": " + text(layout.stock().name()));
        lines.add("\"strips\": " + plan.strips());
        lines.add("\"holes\": " + plan.holes());
        lines.add("\"pitch_mm\": " + layout.pitchMm());
        List<String> parts = new ArrayList<>();
        plan.parts().forEach((name, p) -> parts.add(part(name, p)));
        lines.add("\"parts\": " + array(parts));
        lines.add("\"cuts\": " + holes(cuts));
        if (!gaps.isEmpty()) {
            lines.add("\"gaps\": " + holes(gaps));
        }
        if (!plan.knifeCuts().isEmpty()) {
            lines.add("\"knife_cuts\": " + holes(plan.knifeCuts()));
        }
        lines.add(
                "\"links\": "
                        + array(
                                plan.links().stream()
                                        .map(l -> "[" + hole(l.from()) + ", " + hole(l.to()) + "]")
                                        .toList()));
        lines.add(
                "\"probes\": "
                        + array(
                                plan.probes().stream()
                                        .map(
                                                p ->
                                                        "{\"net\": "
                                                                + text(p.net())
                                                                + ", \"at\": "
                                                                + hole(p.at())
                                                                + "}")
                                        .toList()));
        return "{\n  " + String.join(",\n  ", lines) + "\n}\n";
    }

    private static String part(String name, StripPlan.Placed placed) {
        String pins =
                placed.pins().entrySet().stream()
                        .map(e -> text(e.getKey()) + ": " + hole(e.getValue()))
                        .collect(Collectors.joining(", "));
        return "{\"designator\": "
                + text(name)
                + ", \"pins\": {"
                + pins
                + "}, \"standing\": "
                + placed.standing()
                + (placed.locked() ? ", \"locked\": true" : "")
                + "}";
    }

    private static String holes(Collection<GridHole> all) {
        return "[" + all.stream().map(StripPlanJson::hole).collect(Collectors.joining(", ")) + "]";
    }

    private static String array(List<String> items) {
        return items.isEmpty() ? "[]" : "[\n    " + String.join(",\n    ", items) + "\n  ]";
    }

    private static String hole(GridHole h) {
        return "[" + h.strip() + ", " + h.hole() + "]";
    }

    private static String text(String s) {
        return new JsonPrimitive(s).toString();
    }
}
