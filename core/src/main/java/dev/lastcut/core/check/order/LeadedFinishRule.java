package dev.lastcut.core.check.order;

import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A surface finish that contains lead, which what is sold in many countries must not. */
public final class LeadedFinishRule implements Rule {
    @Override
    public String id() {
        return "finish-lead";
    }

    @Override
    public String title() {
        return "Finish that contains lead";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<String> finish = c.word(OrderOption.FINISH);
        if (finish.isEmpty()) {
            return Outcome.notRun(c.shopName() + " states no surface finish");
        }
        String said = finish.get().toLowerCase(Locale.ROOT);
        boolean lead =
                said.matches(".*\\blead\\b.*") && !said.matches(".*(\\bno lead|lead[- ]free).*");
        return lead
                ? Outcome.of(
                        List.of(
                                new FindingBuilder(id())
                                        .severity(Severity.NOTE)
                                        .about(finish.get())
                                        .say(
                                                String.format(
                                                        "The finish “%s” contains lead: boards for sale in"
                                                                + " the European Union may not have it (Directive"
                                                                + " 2011/65/EU). Choose another finish at Shop for"
                                                                + " what is sold.",
                                                        finish.get()))))
                : Outcome.of(List.of());
    }
}
