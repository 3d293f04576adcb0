package dev.lastcut.core.check.order;

import dev.lastcut.core.capability.Exclusion;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.List;

/** Options that are ordered but that the shop does not make together. */
public final class OrderConflictRule implements Rule {
    @Override
    public String id() {
        return "order-conflict";
    }

    @Override
    public String title() {
        return "Options of the order";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Finding> findings = new ArrayList<>();
        for (Exclusion x : c.excluded()) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.STOP)
                            .about(x.words())
                            .say(
                                    c.shopName()
                                            + " does not make "
                                            + x.words()
                                            + ": "
                                            + x.why()
                                            + ". Choose one of them otherwise at Shop."));
        }
        for (String chosen : c.notOffered()) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.NOTE)
                            .about(chosen)
                            .say(
                                    String.format(
                                            "%s does not offer “%s”; its usual choice is ordered.",
                                            c.shopName(), chosen)));
        }
        return Outcome.of(findings);
    }
}
