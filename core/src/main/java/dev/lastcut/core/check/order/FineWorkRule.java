package dev.lastcut.core.check.order;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.capability.FineSurcharge;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.design.DesignClass.Smallest;
import dev.lastcut.core.check.design.DesignNumbers;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Features that the shop can make and charges for: the finest of each kind, with what it adds. */
public final class FineWorkRule implements Rule {
    @Override
    public String id() {
        return "fine-work";
    }

    @Override
    public String title() {
        return "Features at extra cost";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.fineSurcharges().isEmpty()) {
            return Outcome.notRun(c.shopName() + " states no surcharge for fine features");
        }
        Map<LimitKey, Smallest> own = DesignNumbers.of(c.geometry());
        List<Finding> findings = new ArrayList<>();
        for (FineSurcharge f : c.fineSurcharges()) {
            Smallest s = own.get(f.limit());
            if (s != null && f.isFor(s.measure().nm())) {
                findings.add(finding(c, f, s));
            }
        }
        return Outcome.of(findings);
    }

    private Finding finding(CheckContext c, FineSurcharge f, Smallest s) {
        return new FindingBuilder(id())
                .severity(Severity.NOTE)
                .layers(s.layer())
                .measure(s.measure())
                .lengths(s.measure().nm(), f.below().nm())
                .about(f.limit().id())
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s: %.3f mm; below %s %s %s adds %s%s.",
                                f.limit().title(),
                                Length.toMm(s.measure().nm()),
                                f.below().value(),
                                f.below().unit(),
                                c.shopName(),
                                amount(c, f),
                                howMany(c, f)));
    }

    private static String amount(CheckContext c, FineSurcharge f) {
        String once = String.format(Locale.ROOT, "%.2f %s", f.setup(), c.currency());
        String share = String.format(Locale.ROOT, "%s %% of the boards' price", f.percent());
        return f.percent() == 0 ? once : f.setup() == 0 ? share : once + " and " + share;
    }

    /** How many holes it is about: often a few that could as well be larger. */
    private static String howMany(CheckContext c, FineSurcharge f) {
        if (f.limit() != LimitKey.HOLE_MIN) {
            return "";
        }
        List<Hole> all = c.board().holes();
        long few = all.stream().filter(h -> h.diameter() < f.below().nm()).count();
        return " for " + few + " of " + all.size() + " holes";
    }
}
