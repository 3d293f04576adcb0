package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Board thickness by the diameter of plated holes: deep narrow holes plate badly. */
public final class AspectRatioRule implements Rule {
    @Override
    public String id() {
        return "aspect-ratio";
    }

    @Override
    public String title() {
        return "Aspect ratio of holes";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.ASPECT_RATIO);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.ASPECT_RATIO);
        }
        Optional<Double> thickness = c.number(OrderOption.THICKNESS);
        if (thickness.isEmpty()) {
            return Outcome.notRun("the sheet of " + c.shopName() + " offers no board thickness");
        }
        Map<Long, List<Hole>> bySize = new TreeMap<>();
        for (Hole h : c.board().holes()) {
            // Blind and buried holes are not as deep as the board; how deep, no file says.
            if (h.plated() && h.span().isThrough()) {
                bySize.computeIfAbsent(h.diameter(), k -> new ArrayList<>()).add(h);
            }
        }
        if (bySize.isEmpty()) {
            return Outcome.notRun("the pack has no plated holes through the board");
        }
        List<Finding> findings = new ArrayList<>();
        bySize.forEach(
                (size, holes) -> {
                    double ratio = thickness.get() * Length.NM_PER_MM / size;
                    if (bounds.get().isBeyond(ratio)) {
                        findings.add(finding(bounds.get(), thickness.get(), ratio, holes));
                    }
                });
        return Outcome.of(findings, thickness.get() + " mm thick");
    }

    private Finding finding(
            CheckContext.Bounds bounds, double thickness, double ratio, List<Hole> holes) {
        Hole h = holes.get(0);
        return new FindingBuilder(id())
                .layers("plated-holes")
                .at(h.middle())
                .between(h.across().from(), h.across().to())
                .alsoAt(holes.stream().map(Hole::middle).toList())
                .ratio(ratio, bounds.withHeadroom())
                .severity(bounds.severity(ratio, Severity.STOP))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%d plated holes of %s in a board of %.2f mm are %.1f times as deep"
                                        + " as wide; the limit is %.1f. The plating gets thin in the"
                                        + " middle. Take a larger hole or a thinner board.",
                                holes.size(),
                                Length.text(h.diameter()),
                                thickness,
                                ratio,
                                bounds.withHeadroom()));
    }
}
