package dev.lastcut.core.kit;

import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.paper.StripTables;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** What is done to a strip board before its parts: cuts, then links. Places are strip/hole. */
final class StripSteps {
    private static final int MOST = 400;

    private StripSteps() {}

    static List<GuideLine> before(StripLayout layout) {
        List<GuideLine> lines = new ArrayList<>();
        List<StripTables.Cut> cuts =
                StripTables.cuts(layout).stream()
                        .filter(c -> c.how() != StripTables.How.AS_BOUGHT)
                        .toList();
        if (!cuts.isEmpty()) {
            lines.add(
                    own(
                            "Cut the strips on the copper side, %d cuts: %s"
                                    .formatted(
                                            cuts.size(),
                                            cuts.stream()
                                                    .map(c -> c.at().strip() + "/" + c.at().hole())
                                                    .collect(Collectors.joining(", ")))));
        }
        List<StripPlan.Link> links = StripTables.links(layout.plan());
        if (!links.isEmpty()) {
            lines.add(
                    own(
                            "Solder the links, %d wires: %s"
                                    .formatted(
                                            links.size(),
                                            links.stream()
                                                    .map(StripSteps::words)
                                                    .collect(Collectors.joining(", ")))));
        }
        return lines;
    }

    private static String words(StripPlan.Link l) {
        return l.from().strip()
                + "/"
                + l.from().hole()
                + " to "
                + l.to().strip()
                + "/"
                + l.to().hole();
    }

    private static GuideLine own(String text) {
        String fits = text.length() <= MOST ? text : text.substring(0, MOST) + " …, see plan.pdf";
        return new GuideLine(Optional.empty(), fits);
    }
}
