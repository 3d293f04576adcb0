package dev.lastcut.core.check.panel;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelAsk;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A rule about a panel. Places of its findings are panel coordinates. */
abstract class PanelRule implements Rule {
    static final String LAYER = "panel";

    @Override
    public final Outcome run(CheckContext c) {
        Optional<PanelAsk.Laid> laid = c.panel();
        if (laid.isEmpty()) {
            return Outcome.notRun("the boards are made singly: no panel is planned");
        }
        if (laid.get().panel().isEmpty()) {
            return unlaid(laid.get().problem());
        }
        List<Finding> findings = new ArrayList<>();
        Optional<String> reason = run(c, laid.get().panel().get(), findings);
        return reason.isPresent() ? Outcome.notRun(reason.get()) : Outcome.of(findings);
    }

    /**
     * What is said where the panel cannot be laid out: one rule tells it, the others do not run.
     */
    Outcome unlaid(String problem) {
        return Outcome.notRun("the panel cannot be laid out");
    }

    /**
     * @return why it could not run, or nothing
     */
    abstract Optional<String> run(CheckContext c, Panel panel, List<Finding> out);

    FindingBuilder finding(Severity severity) {
        return new FindingBuilder(id()).layers(LAYER).severity(severity);
    }
}
