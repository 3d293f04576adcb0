package dev.lastcut.core.check.strip;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripLayout;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A check of a layout on strip board; it runs for shops of that kind alone. */
abstract class StripRule implements Rule {
    static final String COPPER = Role.of(Role.Kind.COPPER, Side.BOTTOM).id();

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return sheet.strip().isPresent();
    }

    @Override
    public Outcome run(CheckContext context) {
        Optional<StripLayout> layout = StripLayout.of(context.geometry());
        if (layout.isEmpty()) {
            return Outcome.notRun("the circuit is not laid out");
        }
        List<Finding> findings = new ArrayList<>();
        check(layout.get(), findings);
        return Outcome.of(findings);
    }

    abstract void check(StripLayout layout, List<Finding> into);

    FindingBuilder finding(Severity severity) {
        return new FindingBuilder(id()).severity(severity);
    }

    /** A finding at a hole. */
    FindingBuilder finding(Severity severity, StripLayout layout, GridHole at) {
        Pt place = layout.at(at);
        return finding(severity).at(place);
    }

    static String list(Stream<String> names) {
        return names.sorted().collect(Collectors.joining(", "));
    }
}
