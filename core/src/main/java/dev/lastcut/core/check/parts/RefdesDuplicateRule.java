package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * One designator for two parts. Two footprints under one designator that lie over each other are a
 * choice, not a mistake: only one of them is fitted.
 */
public final class RefdesDuplicateRule implements Rule {
    /** Second footprints are drawn over the first (common practice, no source). */
    private static final double OVER_EACH_OTHER_NM = 5_000_000;

    @Override
    public String id() {
        return "refdes-duplicate";
    }

    @Override
    public String title() {
        return "Duplicate designators";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return true;
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().parts().isEmpty() && c.board().placements().isEmpty()) {
            return Outcome.notRun("the pack has neither a parts list nor a placement file");
        }
        List<Finding> findings = new ArrayList<>();
        Population.placed(c.board())
                .forEach(
                        (name, places) -> {
                            if (places.size() > 1 && !isChoice(places)) {
                                findings.add(placement(name, places));
                            }
                        });
        Map<String, List<ListedPart>> listed = new LinkedHashMap<>();
        for (ListedPart p : c.board().parts().orElse(List.of())) {
            listed.computeIfAbsent(p.designator(), k -> new ArrayList<>()).add(p);
        }
        listed.forEach(
                (name, lines) -> {
                    if (lines.size() > 1) {
                        findings.add(list(c, name, lines));
                    }
                });
        return Outcome.of(findings);
    }

    static boolean isChoice(List<PlacedPart> places) {
        long footprints = places.stream().map(PlacedPart::footprint).distinct().count();
        PlacedPart first = places.get(0);
        return footprints == places.size()
                && places.stream()
                        .allMatch(
                                p ->
                                        p.at().distance(first.at()) < OVER_EACH_OTHER_NM
                                                && p.side() == first.side());
    }

    private Finding placement(String name, List<PlacedPart> places) {
        return new FindingBuilder(id())
                .severity(Severity.STOP)
                .at(places.get(1).at())
                .count(places.size(), 1, "places")
                .layers("placement")
                .parts(List.of(name))
                .alsoAt(places.stream().map(PlacedPart::at).toList())
                .say(
                        name
                                + " is placed "
                                + times(places.size())
                                + ", in lines "
                                + lines(places.stream().map(PlacedPart::line).toList())
                                + " of the placement: one of them is another part, and it would"
                                + " get this one's value or none. Give it its own designator.");
    }

    private Finding list(CheckContext c, String name, List<ListedPart> lines) {
        FindingBuilder b = new FindingBuilder(id());
        Tables.place(c, name).ifPresent(b::at);
        return b.severity(Severity.LOOK)
                .count(lines.size(), 1, "lines")
                .layers("parts-list")
                .parts(List.of(name))
                .say(
                        name
                                + " stands "
                                + times(lines.size())
                                + " on the parts list, in lines "
                                + lines(lines.stream().map(ListedPart::line).toList())
                                + ": it would be bought more than once, and the first line is what"
                                + " is built. Take it off the others.");
    }

    private static String times(int n) {
        return n == 2 ? "twice" : n + " times";
    }

    private static String lines(List<Integer> lines) {
        return lines.stream().map(String::valueOf).collect(Collectors.joining(" and "));
    }
}
