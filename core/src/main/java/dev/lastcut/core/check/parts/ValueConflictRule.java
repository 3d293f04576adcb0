package dev.lastcut.core.check.parts;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.value.PartValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** One designator with two values, on two lines of the list or on list and placement. */
public final class ValueConflictRule implements Rule {
    @Override
    public String id() {
        return "value-conflict";
    }

    @Override
    public String title() {
        return "Conflicting values";
    }

    /** A value and where it stands. */
    private record Said(String value, String where, boolean list) {}

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return true;
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().parts().isEmpty()) {
            return Outcome.notRun("the pack has no parts list");
        }
        Map<String, List<Said>> said = new LinkedHashMap<>();
        for (ListedPart p : c.board().parts().get()) {
            add(said, p.designator(), p.value(), "line " + p.line() + " of the parts list", true);
        }
        for (PlacedPart p : c.board().placements().orElse(List.of())) {
            String where = "line " + p.line() + " of the placement";
            add(said, p.designator(), p.value(), where, false);
        }
        List<Finding> findings = new ArrayList<>();
        said.forEach(
                (name, all) -> {
                    Said first = all.get(0);
                    all.stream()
                            .filter(o -> conflict(name, first, o))
                            .findFirst()
                            .ifPresent(o -> findings.add(finding(c, name, first, o)));
                });
        return Outcome.of(findings);
    }

    private static void add(
            Map<String, List<Said>> said, String name, String value, String where, boolean list) {
        // The placement alone is in conflict with nothing.
        if (!value.isBlank() && (list || said.containsKey(name))) {
            said.computeIfAbsent(name, k -> new ArrayList<>()).add(new Said(value, where, list));
        }
    }

    /**
     * Amounts that differ, or names that do. An amount beside a name is a description beside a
     * value, which many lists have.
     */
    private static boolean conflict(String designator, Said a, Said b) {
        PartValue one = PartValue.read(a.value, designator);
        PartValue other = PartValue.read(b.value, designator);
        boolean alike = one.amount().isPresent() == other.amount().isPresent();
        boolean names = one.amount().isEmpty() && other.amount().isEmpty();
        // Layout programs place parts under short names: only the list is held against itself.
        boolean comparable = alike && (!names || (a.list && b.list));
        return comparable && !one.agrees(other);
    }

    private Finding finding(CheckContext c, String name, Said a, Said b) {
        FindingBuilder f = new FindingBuilder(id());
        Tables.place(c, name).ifPresent(f::at);
        return f.severity(Severity.STOP)
                .count(2, 1, "values")
                .layers(b.list ? "parts-list" : "placement")
                .parts(List.of(name))
                .say(
                        name
                                + " is "
                                + PartValue.read(a.value, name).words()
                                + " in "
                                + a.where
                                + " and "
                                + PartValue.read(b.value, name).words()
                                + " in "
                                + b.where
                                + ": what is fitted hangs on who reads which. "
                                + "Put one of them right.");
    }
}
