package dev.lastcut.core.check.copper;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;

/** Nets of the netlist that the copper leaves in pieces, with the links that are missing. */
public final class OpenRule implements Rule {
    /** A group of one net's points that the copper joins. */
    private record Island(int net, List<NetReference.Anchor> anchors) {}

    @Override
    public String id() {
        return "open";
    }

    @Override
    public String title() {
        return "Opens";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<NetReference> reference = c.geometry().reference();
        if (reference.isEmpty()) {
            return Outcome.notRun("the pack has no netlist and its copper names no nets");
        }
        CopperNets nets = c.geometry().nets();
        Map<String, Map<Integer, Island>> byName = new TreeMap<>();
        for (NetReference.Anchor a : reference.get().anchors()) {
            int net = nets.nodes().get(a.node()).net();
            byName.computeIfAbsent(a.point().net(), k -> new TreeMap<>())
                    .computeIfAbsent(net, k -> new Island(net, new ArrayList<>()))
                    .anchors()
                    .add(a);
        }
        List<Finding> findings = new ArrayList<>();
        byName.forEach(
                (name, islands) -> {
                    if (islands.size() > 1) {
                        findings.add(finding(c, name, new ArrayList<>(islands.values())));
                    }
                });
        missingCopper(reference.get(), findings);
        return Outcome.of(findings, "held against " + reference.get().source());
    }

    private Finding finding(CheckContext c, String name, List<Island> islands) {
        List<Measure> links = links(islands);
        Measure first = links.get(0);
        TreeSet<String> pins = new TreeSet<>();
        islands.stream()
                .min((a, b) -> Integer.compare(a.anchors().size(), b.anchors().size()))
                .ifPresent(i -> i.anchors().forEach(a -> addPin(a, pins)));
        String cut = pins.isEmpty() ? "" : " Cut off: " + String.join(", ", first(pins)) + ".";
        int layer = c.geometry().nets().nodes().get(islands.get(0).anchors().get(0).node()).layer();
        return new FindingBuilder(id())
                .measure(first)
                .also(links)
                .count(links.size(), 0, "missing links")
                .layers(c.copperId(layer))
                .nets(List.of(name))
                .say(
                        name
                                + " is in "
                                + islands.size()
                                + " pieces: "
                                + links.size()
                                + (links.size() == 1 ? " link is" : " links are")
                                + " missing."
                                + cut
                                + " The circuit will not work. Route it in the layout.");
    }

    private static void addPin(NetReference.Anchor a, TreeSet<String> pins) {
        if (a.point().isPin()) {
            pins.add(a.point().component() + "." + a.point().pin());
        }
    }

    private static List<String> first(TreeSet<String> pins) {
        return pins.stream().limit(6).toList();
    }

    /**
     * The shortest straight links between named points that would join the islands: a minimum
     * spanning tree, grown from the first island (Prim).
     */
    private static List<Measure> links(List<Island> islands) {
        List<Island> joined = new ArrayList<>(List.of(islands.get(0)));
        List<Island> left = new ArrayList<>(islands.subList(1, islands.size()));
        List<Measure> links = new ArrayList<>();
        while (!left.isEmpty()) {
            Measure best = null;
            Island next = null;
            for (Island candidate : left) {
                for (Island from : joined) {
                    Measure m = nearest(from, candidate);
                    if (best == null || m.nm() < best.nm()) {
                        best = m;
                        next = candidate;
                    }
                }
            }
            links.add(best);
            joined.add(next);
            left.remove(next);
        }
        return links;
    }

    private static Measure nearest(Island a, Island b) {
        Measure best = null;
        for (NetReference.Anchor p : a.anchors()) {
            for (NetReference.Anchor q : b.anchors()) {
                double d = p.point().at().distance(q.point().at());
                if (best == null || d < best.nm()) {
                    best = new Measure(p.point().at(), q.point().at(), d);
                }
            }
        }
        return best;
    }

    /** Points of the netlist under which there is no copper at all. */
    private void missingCopper(NetReference reference, List<Finding> findings) {
        for (var p : reference.missing()) {
            String pin = p.isPin() ? p.component() + "." + p.pin() : "a via";
            findings.add(
                    new FindingBuilder(id())
                            .at(p.at())
                            .count(1, 0, "missing links")
                            .nets(List.of(p.net()))
                            .parts(p.isPin() ? List.of(p.component()) : List.of())
                            .say(
                                    "The netlist has "
                                            + pin
                                            + " of "
                                            + p.net()
                                            + " here, but there is no copper. Either the netlist is"
                                            + " of another revision or the pad is missing."));
        }
    }
}
