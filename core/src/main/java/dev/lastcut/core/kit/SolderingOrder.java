package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.PartBodies.Body;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.TreeSet;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * The order of steps: by stage, then by height, but what lies under another part before that part.
 * Where two steps lie under each other, the usual order holds.
 */
final class SolderingOrder {
    /** A part lies under a higher one when this share of it does. */
    private static final double SHARE = 0.1;

    private static final Comparator<KitStep> USUAL =
            Comparator.comparing(KitStep::stage)
                    .thenComparing(KitStep::side)
                    .thenComparingDouble(KitStep::heightMm)
                    .thenComparing(s -> s.designators().get(0));

    private SolderingOrder() {}

    static List<KitStep> ordered(List<KitStep> steps, Map<String, Body> bodies) {
        List<KitStep> usual = new ArrayList<>(steps);
        usual.sort(USUAL);
        List<TreeSet<Integer>> after = new ArrayList<>();
        int[] waits = new int[usual.size()];
        Map<String, Integer> stepOf = new HashMap<>();
        for (int i = 0; i < usual.size(); i++) {
            after.add(new TreeSet<>());
            for (String d : usual.get(i).designators()) {
                stepOf.put(d, i);
            }
        }
        for (String[] pair : under(stepOf, bodies)) {
            int low = stepOf.get(pair[0]);
            int high = stepOf.get(pair[1]);
            if (low != high && after.get(low).add(high)) {
                waits[high]++;
            }
        }
        PriorityQueue<Integer> ready = new PriorityQueue<>();
        TreeSet<Integer> left = new TreeSet<>();
        for (int i = 0; i < waits.length; i++) {
            left.add(i);
            if (waits[i] == 0) {
                ready.add(i);
            }
        }
        List<KitStep> order = new ArrayList<>();
        while (!left.isEmpty()) {
            // A ring of steps under each other is broken where the usual order begins it.
            int next = ready.isEmpty() ? left.first() : ready.poll();
            if (!left.remove(next)) {
                continue;
            }
            order.add(usual.get(next));
            for (int later : after.get(next)) {
                if (--waits[later] == 0) {
                    ready.add(later);
                }
            }
        }
        return List.copyOf(order);
    }

    /** Pairs of parts of one side, the first under the second. */
    private static List<String[]> under(Map<String, Integer> asked, Map<String, Body> bodies) {
        STRtree tree = new STRtree();
        List<Body> here = new ArrayList<>();
        for (Body b : bodies.values()) {
            if (asked.containsKey(b.designator())) {
                here.add(b);
                tree.insert(b.outline().getEnvelopeInternal(), b);
            }
        }
        List<String[]> pairs = new ArrayList<>();
        for (Body low : here) {
            Geometry shape = low.outline();
            for (Object o : tree.query(shape.getEnvelopeInternal())) {
                Body high = (Body) o;
                if (high.side() == low.side()
                        && high.heightNm() > low.heightNm()
                        && shape.intersection(high.outline()).getArea() > SHARE * shape.getArea()) {
                    pairs.add(new String[] {low.designator(), high.designator()});
                }
            }
        }
        return pairs;
    }
}
