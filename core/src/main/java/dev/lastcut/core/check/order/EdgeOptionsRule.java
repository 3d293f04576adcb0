package dev.lastcut.core.check.order;

import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.EdgeFeatures;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Castellated edges and edge connectors that the board has and the order does not ask for, or the
 * other way round.
 */
public final class EdgeOptionsRule implements Rule {
    private static final String YES = "yes";

    @Override
    public String id() {
        return "edge-options";
    }

    @Override
    public String title() {
        return "Castellated edges and edge connectors";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("the board has no closed outline");
        }
        List<Finding> findings = new ArrayList<>();
        boolean asked =
                compare(
                                c,
                                OrderOption.CASTELLATION,
                                "plated holes cut by its outline",
                                EdgeFeatures.castellations(c.geometry()),
                                findings)
                        | compare(
                                c,
                                OrderOption.BEVEL,
                                "long pads side by side at its edge, as of an edge connector",
                                EdgeFeatures.fingers(c.geometry()),
                                findings);
        return asked
                ? Outcome.of(findings)
                : Outcome.notRun(c.shopName() + " offers neither, and the board has neither");
    }

    private boolean compare(
            CheckContext c, OrderOption option, String what, List<Pt> places, List<Finding> out) {
        Optional<String> ordered = c.word(option);
        boolean has = !places.isEmpty();
        if (ordered.isEmpty()) {
            if (has) {
                out.add(
                        said(option, places)
                                .say(
                                        "The board has "
                                                + what
                                                + " ("
                                                + places.size()
                                                + "), but "
                                                + c.shopName()
                                                + " does not offer "
                                                + name(option)
                                                + ". Ask there, or choose another shop."));
            }
            return has;
        }
        boolean wants = ordered.get().equals(YES);
        if (has && !wants) {
            out.add(
                    said(option, places)
                            .say(
                                    "The board has "
                                            + what
                                            + " ("
                                            + places.size()
                                            + "), but "
                                            + name(option)
                                            + " are not ordered. Order them at Shop, or they come"
                                            + " out as the router leaves them."));
        } else if (!has && wants) {
            out.add(
                    new FindingBuilder(id())
                            .about(option.id())
                            .severity(Severity.LOOK)
                            .say(
                                    "Ordered: "
                                            + name(option)
                                            + ", but the board has no "
                                            + what
                                            + ". It costs, and does nothing."));
        }
        return true;
    }

    private FindingBuilder said(OrderOption option, List<Pt> places) {
        return new FindingBuilder(id())
                .about(option.id())
                .severity(Severity.LOOK)
                .at(places.get(0))
                .alsoAt(places);
    }

    private static String name(OrderOption o) {
        return o == OrderOption.BEVEL ? "bevelled edge connectors" : "castellated edges";
    }
}
