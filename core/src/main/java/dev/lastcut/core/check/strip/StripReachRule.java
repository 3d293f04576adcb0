package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.BodyBox;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.LeadForm;
import dev.lastcut.core.strip.StripLayout;
import java.util.List;

/** {@code strip-reach}: leads that do not reach their holes. */
public final class StripReachRule extends StripRule {
    @Override
    public String id() {
        return "strip-reach";
    }

    @Override
    public String title() {
        return "Lead reach";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        layout.plan()
                .parts()
                .forEach(
                        (name, placed) ->
                                layout.part(name)
                                        .filter(p -> p.form().isPresent())
                                        .filter(p -> placed.pins().keySet().containsAll(p.pins()))
                                        .filter(p -> !BodyBox.reaches(p, placed))
                                        .ifPresent(
                                                p -> {
                                                    GridHole at =
                                                            placed.pins()
                                                                    .values()
                                                                    .iterator()
                                                                    .next();
                                                    into.add(
                                                            finding(Severity.STOP, layout, at)
                                                                    .parts(List.of(name))
                                                                    .say(
                                                                            message(
                                                                                    name,
                                                                                    p.form().get(),
                                                                                    placed
                                                                                            .standing())));
                                                }));
    }

    private static String message(String name, LeadForm form, boolean standing) {
        if (!form.isBendable()) {
            return "The leads of %s (%s) do not fit these holes. Place it again."
                    .formatted(name, form.name());
        }
        if (standing) {
            return "%s cannot stand so: upright, its leads are 1 to %d holes apart."
                    .formatted(name, BodyBox.MOST_STANDING);
        }
        return "The leads of %s (%s) reach %d to %d holes. Move one of its ends."
                .formatted(name, form.name(), form.leastSpan(), form.mostSpan());
    }
}
