package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import java.util.List;

/** {@code strip-stock}: boards larger than there are. */
public final class StripStockRule extends StripRule {
    @Override
    public String id() {
        return "strip-stock";
    }

    @Override
    public String title() {
        return "Size of the strip board";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        StripPlan plan = layout.plan();
        if (plan.strips() > layout.stock().strips() || plan.holes() > layout.stock().holes()) {
            into.add(
                    finding(Severity.STOP)
                            .count(plan.strips(), layout.stock().strips(), "strips")
                            .say(
                                    "The plan takes %d strips of %d holes; the board “%s” has %d of %d. Choose a larger board or place the parts closer."
                                            .formatted(
                                                    plan.strips(),
                                                    plan.holes(),
                                                    layout.stock().name(),
                                                    layout.stock().strips(),
                                                    layout.stock().holes())));
        }
    }
}
