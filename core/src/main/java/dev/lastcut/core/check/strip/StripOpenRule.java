package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** {@code strip-open}: connections that are missing. */
public final class StripOpenRule extends StripRule {
    @Override
    public String id() {
        return "strip-open";
    }

    @Override
    public String title() {
        return "Missing connections";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        StripCopper copper = layout.copper();
        layout.circuit()
                .nets()
                .forEach(
                        (net, pins) -> {
                            Map<Integer, List<StripCircuit.Pin>> groups = new LinkedHashMap<>();
                            Map<StripCircuit.Pin, GridHole> places = new LinkedHashMap<>();
                            for (StripCircuit.Pin p : pins) {
                                StripPlan.Placed placed = layout.plan().parts().get(p.part());
                                GridHole at = placed == null ? null : placed.pins().get(p.pin());
                                if (at != null) {
                                    places.put(p, at);
                                    int group =
                                            copper.at(at)
                                                    .map(StripCopper.StripPiece::group)
                                                    .orElse(-1 - places.size());
                                    groups.computeIfAbsent(group, k -> new ArrayList<>()).add(p);
                                }
                            }
                            if (groups.size() > 1) {
                                into.add(open(layout, net, groups, places));
                            }
                        });
    }

    private Finding open(
            StripLayout layout,
            String net,
            Map<Integer, List<StripCircuit.Pin>> groups,
            Map<StripCircuit.Pin, GridHole> places) {
        List<List<StripCircuit.Pin>> islands = new ArrayList<>(groups.values());
        islands.sort((a, b) -> b.size() - a.size());
        List<Measure> missing = new ArrayList<>();
        List<String> alone = new ArrayList<>();
        for (List<StripCircuit.Pin> island : islands.subList(1, islands.size())) {
            Measure nearest = null;
            for (StripCircuit.Pin a : islands.get(0)) {
                for (StripCircuit.Pin b : island) {
                    var from = layout.at(places.get(a));
                    var to = layout.at(places.get(b));
                    double d = from.distance(to);
                    if (nearest == null || d < nearest.nm()) {
                        nearest = new Measure(from, to, d);
                    }
                }
            }
            missing.add(nearest);
            alone.add(list(island.stream().map(StripCircuit.Pin::describe)));
        }
        Measure first = missing.get(0);
        return finding(Severity.STOP)
                .layers(COPPER)
                .nets(List.of(net))
                .at(first.middle())
                .between(first.from(), first.to())
                .also(missing)
                .count(groups.size(), 1, "pieces")
                .say(
                        "%s is in %d pieces: %s %s not joined to the rest. Add %s."
                                .formatted(
                                        net,
                                        groups.size(),
                                        String.join("; ", alone),
                                        alone.size() == 1 && !alone.get(0).contains(",")
                                                ? "is"
                                                : "are",
                                        alone.size() == 1 ? "a link" : alone.size() + " links"));
    }
}
