package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code strip-hole}: holes with two leads or wires in them, leads where the copper is cut away,
 * and whatever lies off the board.
 */
public final class StripHolesRule extends StripRule {
    @Override
    public String id() {
        return "strip-hole";
    }

    @Override
    public String title() {
        return "One lead in each hole";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        StripPlan plan = layout.plan();
        StripCopper copper = layout.copper();
        Map<GridHole, List<String>> used = new TreeMap<>();
        Map<GridHole, List<String>> parts = new TreeMap<>();
        for (Map.Entry<GridHole, List<StripCircuit.Pin>> e : plan.leads().entrySet()) {
            for (StripCircuit.Pin p : e.getValue()) {
                used.computeIfAbsent(e.getKey(), k -> new ArrayList<>()).add(p.describe());
                parts.computeIfAbsent(e.getKey(), k -> new ArrayList<>()).add(p.part());
            }
        }
        for (StripPlan.Link l : plan.links()) {
            for (GridHole end : List.of(l.from(), l.to())) {
                used.computeIfAbsent(end, k -> new ArrayList<>()).add("a link");
            }
        }
        used.forEach(
                (hole, names) -> {
                    List<String> its = parts.getOrDefault(hole, List.of());
                    if (!plan.isOnBoard(hole)) {
                        into.add(
                                finding(Severity.STOP, layout, hole)
                                        .parts(its)
                                        .about("off" + names)
                                        .say(
                                                "%s would be at %s, which is off the board of %d strips and %d holes. Move it onto the board."
                                                        .formatted(
                                                                list(names.stream()),
                                                                hole.describe(),
                                                                plan.strips(),
                                                                plan.holes())));
                        return;
                    }
                    if (names.size() > 1) {
                        into.add(
                                finding(Severity.STOP, layout, hole)
                                        .layers(COPPER)
                                        .parts(its)
                                        .about("shared")
                                        .say(
                                                "%s are both in %s; a hole takes one lead. Move one of them."
                                                        .formatted(
                                                                list(names.stream()),
                                                                hole.describe())));
                    }
                    if (copper.isBare(hole)) {
                        into.add(
                                finding(Severity.STOP, layout, hole)
                                        .layers(COPPER)
                                        .parts(its)
                                        .about("bare")
                                        .say(
                                                "%s is in %s, where there is no copper to solder to. Move the cut or the lead."
                                                        .formatted(
                                                                list(names.stream()),
                                                                hole.describe())));
                    }
                });
        for (GridHole cut : plan.cuts()) {
            if (!plan.isOnBoard(cut)) {
                into.add(
                        finding(Severity.STOP, layout, cut)
                                .about("cut")
                                .say(
                                        "A cut is at %s, off the board. Remove it."
                                                .formatted(cut.describe())));
            }
        }
        for (GridHole cut : plan.knifeCuts()) {
            if (!layout.terms().knife()) {
                into.add(
                        finding(Severity.STOP, layout, cut)
                                .about("knife")
                                .say(
                                        "A cut is between two holes at %s; this board is cut at holes only. Move it to a hole."
                                                .formatted(cut.describe())));
            }
        }
    }
}
