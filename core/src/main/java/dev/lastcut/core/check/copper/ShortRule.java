package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;

/** Nets of the netlist that the copper joins, and the place where they meet. */
public final class ShortRule implements Rule {
    /** Drawn joints meet at ends and pad centres; an overlap further off than this is no joint. */
    private static final double JOINT_NM = 10_000;

    private record Meeting(int a, int b) {}

    @Override
    public String id() {
        return "short";
    }

    @Override
    public String title() {
        return "Shorts";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<NetReference> reference = c.geometry().reference();
        if (reference.isEmpty()) {
            return Outcome.notRun("the pack has no netlist and its copper names no nets");
        }
        Map<Integer, List<NetReference.Anchor>> byNet = new HashMap<>();
        CopperNets nets = c.geometry().nets();
        for (NetReference.Anchor a : reference.get().anchors()) {
            byNet.computeIfAbsent(nets.nodes().get(a.node()).net(), k -> new ArrayList<>()).add(a);
        }
        List<Finding> findings = new ArrayList<>();
        for (int net = 0; net < nets.netCount(); net++) {
            List<String> names = List.copyOf(reference.get().namesOf(net));
            for (int i = 1; i < names.size(); i++) {
                findings.add(finding(c, names, i, byNet.get(net)));
            }
        }
        return Outcome.of(findings, "held against " + reference.get().source());
    }

    /** The i-th name against all before it: n nets in one make n − 1 findings. */
    private Finding finding(
            CheckContext c, List<String> names, int i, List<NetReference.Anchor> anchors) {
        CopperNets nets = c.geometry().nets();
        String name = names.get(i);
        List<String> earlier = names.subList(0, i);
        Map<Integer, String> labels = labels(nets, anchors);
        Meeting m = meeting(nets, labels, name, earlier);
        CopperNode a = nets.nodes().get(m.a());
        CopperNode b = nets.nodes().get(m.b());
        String other =
                earlier.size() == 1 ? earlier.get(0) : labels.getOrDefault(m.a(), earlier.get(0));
        other = other.equals(name) ? earlier.get(0) : other;
        Geometry overlap = a.polygon().intersection(b.polygon());
        Pt at =
                overlap.isEmpty()
                        ? Pt.of(b.polygon().getInteriorPoint().getCoordinate())
                        : Pt.of(overlap.getCentroid().getCoordinate());
        return new FindingBuilder(id())
                .layers(c.copperId(b.layer()))
                .at(at)
                .count(names.size(), 1, "nets")
                .nets(List.of(name, other))
                .say(
                        "The copper joins "
                                + name
                                + " and "
                                + other
                                + ", which the netlist keeps apart; they meet here. The circuit will"
                                + " not work. Part them in the layout.");
    }

    private static Map<Integer, String> labels(CopperNets nets, List<NetReference.Anchor> anchors) {
        Map<Integer, String> labels = new HashMap<>();
        // What a file says of its own objects is stronger than a point that lies on them.
        for (NetReference.Anchor a : anchors) {
            labels.put(a.node(), a.point().net());
        }
        int net = nets.nodes().get(anchors.get(0).node()).net();
        for (int id : nets.nodesOf(net)) {
            String stated = nets.nodes().get(id).feature().attributes().net();
            if (!stated.isEmpty()) {
                labels.put(id, stated);
            }
        }
        return labels;
    }

    /**
     * Walks out from all nodes of one name until copper of another is met. On the way found, a
     * touch between copper labelled differently is the place; else the touch that was not drawn as
     * a joint; else the middle of the way.
     */
    private static Meeting meeting(
            CopperNets nets, Map<Integer, String> labels, String name, List<String> others) {
        Map<Integer, Integer> cameFrom = new HashMap<>();
        ArrayDeque<Integer> queue = new ArrayDeque<>();
        labels.forEach(
                (node, label) -> {
                    if (label.equals(name)) {
                        cameFrom.put(node, node);
                        queue.add(node);
                    }
                });
        int hit = -1;
        while (!queue.isEmpty() && hit < 0) {
            int at = queue.poll();
            for (int next : nets.neighboursOf(at)) {
                if (cameFrom.putIfAbsent(next, at) == null) {
                    String label = labels.get(next);
                    if (label != null && others.contains(label)) {
                        hit = next;
                        break;
                    }
                    queue.add(next);
                }
            }
        }
        List<Integer> way = new ArrayList<>();
        for (int at = hit; at >= 0; at = cameFrom.get(at) == at ? -1 : cameFrom.get(at)) {
            way.add(at);
        }
        if (way.size() < 2) {
            int node = way.isEmpty() ? labels.keySet().iterator().next() : way.get(0);
            return new Meeting(node, node);
        }
        return suspicious(nets, labels, way);
    }

    private static Meeting suspicious(
            CopperNets nets, Map<Integer, String> labels, List<Integer> way) {
        for (int i = 1; i < way.size(); i++) {
            String a = labels.get(way.get(i - 1));
            String b = labels.get(way.get(i));
            if (a != null && b != null && !a.equals(b)) {
                return new Meeting(way.get(i - 1), way.get(i));
            }
        }
        for (int i = 1; i < way.size(); i++) {
            if (!isDrawnJoint(nets.nodes().get(way.get(i - 1)), nets.nodes().get(way.get(i)))) {
                return new Meeting(way.get(i - 1), way.get(i));
            }
        }
        int middle = way.size() / 2;
        return new Meeting(way.get(middle - 1), way.get(middle));
    }

    private static boolean isDrawnJoint(CopperNode a, CopperNode b) {
        boolean area = a.isArea() || b.isArea();
        if (a.layer() != b.layer() && area) {
            return true;
        }
        for (Pt p : ends(a.feature())) {
            for (Pt q : ends(b.feature())) {
                if (p.distance(q) <= JOINT_NM) {
                    return true;
                }
            }
        }
        return false;
    }

    private static List<Pt> ends(Feature f) {
        if (f instanceof Feature.Flash flash) {
            return List.of(flash.at());
        }
        if (f instanceof Feature.Stroke s) {
            Segment path = s.path();
            return List.of(path.from(), path.to());
        }
        return List.of();
    }
}
