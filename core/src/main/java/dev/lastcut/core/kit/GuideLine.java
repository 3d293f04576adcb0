package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.GuidePlan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * One line of the bench guide: parts to solder, or a step of the maker's own.
 *
 * @param step what is soldered; empty for a step of one's own
 * @param own what is done instead; "" where parts are soldered
 */
public record GuideLine(Optional<KitStep> step, String own) {
    /**
     * The lines in the order that is chosen. A step that the choice does not name comes behind the
     * one it is proposed behind; one that it names and that is not there any more is left out.
     *
     * @param proposed in the usual order
     */
    static List<GuideLine> ordered(List<KitStep> proposed, GuidePlan plan) {
        Map<String, Integer> stepOf = new HashMap<>();
        for (int i = 0; i < proposed.size(); i++) {
            for (String d : proposed.get(i).designators()) {
                stepOf.putIfAbsent(d, i);
            }
        }
        Set<Integer> named = new HashSet<>();
        List<GuideLine> order = new ArrayList<>();
        // The step each line solders, or -1 for one's own.
        List<Integer> steps = new ArrayList<>();
        for (GuidePlan.Entry e : plan.entries()) {
            Integer step = stepOf.get(e.part());
            if (!e.own().isEmpty()) {
                order.add(new GuideLine(Optional.empty(), e.own()));
                steps.add(-1);
            } else if (step != null && named.add(step)) {
                order.add(line(proposed.get(step)));
                steps.add(step);
            }
        }
        List<GuideLine> lines = new ArrayList<>();
        unnamed(proposed, named, -1, lines);
        for (int i = 0; i < order.size(); i++) {
            lines.add(order.get(i));
            if (steps.get(i) >= 0) {
                unnamed(proposed, named, steps.get(i), lines);
            }
        }
        return lines;
    }

    /** Adds the steps behind a proposed one, up to the next that is named. */
    private static void unnamed(
            List<KitStep> proposed, Set<Integer> named, int behind, List<GuideLine> lines) {
        for (int i = behind + 1; i < proposed.size() && !named.contains(i); i++) {
            lines.add(line(proposed.get(i)));
        }
    }

    private static GuideLine line(KitStep s) {
        return new GuideLine(Optional.of(s), "");
    }
}
