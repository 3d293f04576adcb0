package dev.lastcut.server.report;

import dev.lastcut.core.assembly.Cost;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.parts.ListLimitsRule;
import java.util.List;
import java.util.OptionalInt;

/**
 * How long the parts list is and what it costs.
 *
 * @param lines as the shop gets them, long ones split
 * @param kinds before splitting
 * @param cost null when no price is known
 */
record BillJson(int lines, int designators, int kinds, int loadedKinds, CostJson cost) {
    /** The sums; {@code unpriced} kinds are in neither. */
    record CostJson(String currency, double perBoard, double batch, int boards, int unpriced) {}

    static BillJson of(Assignments who, CapabilitySheet sheet, PartsPlan plan, int boards) {
        List<Part> parts = who.listed();
        List<PartsList.Line> kinds = PartsList.kinds(parts);
        OptionalInt most =
                sheet.assembly()
                        .map(a -> a.counts().designatorsPerLine())
                        .orElse(OptionalInt.empty());
        Cost cost = Cost.of(parts, plan.known(), sheet, boards, who.isOrdered());
        boolean priced = cost.items().stream().anyMatch(i -> i.what() == Cost.For.PARTS);
        return new BillJson(
                PartsList.split(kinds, most).size(),
                kinds.stream().mapToInt(PartsList.Line::quantity).sum(),
                kinds.size(),
                ListLimitsRule.loaded(kinds, plan.known()),
                priced
                        ? new CostJson(
                                cost.currency(),
                                cents(cost.perBoard()),
                                cents(cost.batch()),
                                boards,
                                cost.unpriced().size())
                        : null);
    }

    private static double cents(double amount) {
        return Math.round(amount * 100) / 100.0;
    }
}
