package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/** What a shop takes at most of one order: lines, placements, kinds it must load. */
public final class ListLimitsRule implements Rule {
    /** From this share of what the shop takes it is said. */
    private static final double NEAR = 0.9;

    @Override
    public String id() {
        return "list-limits";
    }

    @Override
    public String title() {
        return "BOM and placement limits";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Assembly> assembly = c.assembly();
        if (assembly.isEmpty()) {
            return Outcome.notRun("the sheet of " + c.shopName() + " says nothing of assembly");
        }
        Assignments who = c.assignments();
        if (!who.isOrdered()) {
            return Outcome.notRun(Assignments.NOT_ORDERED);
        }
        if (c.board().parts().isEmpty() && c.board().placements().isEmpty()) {
            return Outcome.notRun("the pack has neither a parts list nor a placement file");
        }
        Assembly.Counts most = assembly.get().counts();
        List<Part> parts = who.house();
        List<PartsList.Line> kinds = PartsList.kinds(parts);
        List<PartsList.Line> lines = PartsList.split(kinds, most.designatorsPerLine());
        List<Finding> findings = new ArrayList<>();
        String shop = c.shopName();
        beyond(
                findings,
                "lines",
                lines.size(),
                most.billLines(),
                "The parts list has %d lines, and "
                        + shop
                        + " takes %d. Make kinds equal, or leave some to be fitted by hand.");
        beyond(
                findings,
                "placements",
                PlacementTable.fitted(parts).size(),
                most.placementLines(),
                "%d parts are to be placed, and "
                        + shop
                        + " takes %d in one order. Leave some off, or order in two lots.");
        int loaded = loaded(kinds, c.known());
        beyond(
                findings,
                "kinds",
                loaded,
                most.loadedKinds(),
                "%d kinds must be loaded to order, and "
                        + shop
                        + " loads %d. Take line stock for some, or leave them to be fitted by"
                        + " hand.");
        return Outcome.of(findings);
    }

    /** Kinds known not to be kept on the machines. */
    public static int loaded(List<PartsList.Line> kinds, Map<String, CataloguePart> known) {
        return (int)
                kinds.stream()
                        .map(l -> known.get(l.part().partNumber()))
                        .filter(k -> k != null && !k.supply().lineStock())
                        .count();
    }

    private void beyond(
            List<Finding> findings, String unit, int has, OptionalInt most, String sentence) {
        if (most.isPresent() && has <= most.getAsInt() && has >= NEAR * most.getAsInt()) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.NOTE)
                            .about(unit)
                            .count(has, most.getAsInt(), unit)
                            .layers("parts-list")
                            .say(
                                    String.format(
                                            "Near the limit: %d of %d %s.",
                                            has, most.getAsInt(), unit)));
        }
        if (most.isPresent() && has > most.getAsInt()) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.STOP)
                            .about(unit)
                            .count(has, most.getAsInt(), unit)
                            .layers("parts-list")
                            .say(String.format(sentence, has, most.getAsInt())));
        }
    }
}
