package dev.lastcut.core.check.silk;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.design.DesignClass;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Silk strokes too thin to print; one finding for each width and side. */
public final class SilkWidthRule implements Rule {
    @Override
    public String id() {
        return "silk-width";
    }

    @Override
    public String title() {
        return "Silkscreen line width";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.SILK_WIDTH, Role.Kind.SILK);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.SILK_WIDTH);
        }
        List<Finding> findings = new ArrayList<>();
        int strokes = 0;
        for (Layer layer : c.board().layers()) {
            if (layer.role().kind() == Role.Kind.SILK) {
                Map<Long, List<Feature.Stroke>> thin = new TreeMap<>();
                for (Feature f : layer.features()) {
                    if (f instanceof Feature.Stroke s && s.dark() && s.roundWidth() > 0) {
                        strokes++;
                        if (bounds.get().isBeyond(s.roundWidth())) {
                            thin.computeIfAbsent(Math.round(s.roundWidth()), k -> new ArrayList<>())
                                    .add(s);
                        }
                    }
                }
                thin.forEach((w, same) -> findings.add(finding(bounds.get(), layer, w, same)));
            }
        }
        return strokes == 0
                ? Outcome.notRun("the pack has no silk drawn with strokes")
                : Outcome.of(findings, strokes + " strokes");
    }

    private Finding finding(
            CheckContext.Bounds bounds, Layer layer, long width, List<Feature.Stroke> same) {
        Feature.Stroke longest =
                same.stream()
                        .max((a, b) -> Double.compare(a.path().length(), b.path().length()))
                        .orElseThrow();
        List<Measure> places =
                same.stream()
                        .map(s -> new Measure(s.path().from(), s.path().to(), s.path().length()))
                        .toList();
        return new FindingBuilder(id())
                .layers(layer.role().id())
                .measure(DesignClass.across(longest))
                .also(places)
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(width, Severity.LOOK))
                .say(
                        same.size()
                                + " strokes of silk are "
                                + Length.text(width)
                                + " wide; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". They print broken or not at all. Draw them wider.");
    }
}
