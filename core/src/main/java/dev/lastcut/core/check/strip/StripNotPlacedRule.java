package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPart;
import dev.lastcut.core.strip.StripPlan;
import java.util.List;

/** {@code strip-not-placed}: parts and pins of the circuit that are not on the board. */
public final class StripNotPlacedRule extends StripRule {
    @Override
    public String id() {
        return "strip-not-placed";
    }

    @Override
    public String title() {
        return "Parts on the strip board";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        for (String problem : layout.circuit().problems()) {
            into.add(finding(Severity.STOP).about(problem).say(problem));
        }
        for (StripPart part : layout.circuit().parts().values()) {
            StripPlan.Placed placed = layout.plan().parts().get(part.designator());
            List<String> parts = List.of(part.designator());
            if (placed == null && part.form().isPresent()) {
                into.add(
                        finding(Severity.STOP)
                                .parts(parts)
                                .say(
                                        "%s is not on the board. Place it, or let the computer place it, or choose a larger board."
                                                .formatted(part.designator())));
            }
            if (placed != null) {
                for (String pin : part.pins()) {
                    if (!placed.pins().containsKey(pin)) {
                        into.add(
                                finding(Severity.STOP)
                                        .parts(parts)
                                        .about(pin)
                                        .say(
                                                "Pin %s of %s has no hole. Place %s again."
                                                        .formatted(
                                                                pin,
                                                                part.designator(),
                                                                part.designator())));
                    }
                }
            }
            if (part.assumed()) {
                into.add(
                        finding(Severity.LOOK)
                                .parts(parts)
                                .about("assumed")
                                .say(
                                        "%s has no footprint; a %s was assumed. Name its package in the parts list, or sign off."
                                                .formatted(
                                                        part.designator(),
                                                        part.form().orElseThrow().name())));
            }
        }
        layout.plan().parts().keySet().stream()
                .filter(name -> !layout.circuit().parts().containsKey(name))
                .forEach(
                        name ->
                                into.add(
                                        finding(Severity.STOP)
                                                .parts(List.of(name))
                                                .about("unknown")
                                                .say(
                                                        "The plan places %s, which is not in the circuit. Remove it from the plan."
                                                                .formatted(name))));
    }
}
