package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Nearby;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.PrintedOutline;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * Copper without pad or hole. A filled area is worth a look: it floats, or a stitching via was
 * forgotten. Drawn strokes are most likely lettering; those near each other are one note.
 */
public final class CopperIslandRule implements Rule {
    /** Strokes nearer than this to each other belong to the same lettering: 1.5 mm. */
    private static final double LETTERING_NM = 1_500_000;

    @Override
    public String id() {
        return "copper-island";
    }

    @Override
    public String title() {
        return "Floating copper";
    }

    @Override
    public Outcome run(CheckContext c) {
        CopperNets nets = c.geometry().nets();
        if (nets.nodes().isEmpty()) {
            return Outcome.notRun("the pack has no copper");
        }
        Set<Integer> tied = tied(c);
        // The outline on copper is a finding of its own.
        PrintedOutline.of(c.geometry()).forEach(p -> p.nodes().forEach(n -> tied.add(n.net())));
        List<Finding> findings = new ArrayList<>();
        List<List<CopperNode>> drawn = new ArrayList<>();
        for (int net = 0; net < nets.netCount(); net++) {
            if (!tied.contains(net)) {
                List<CopperNode> nodes = nets.nodesOf(net).stream().map(nets.nodes()::get).toList();
                if (nodes.stream().allMatch(n -> n.feature() instanceof Feature.Stroke)) {
                    drawn.add(nodes);
                } else {
                    findings.add(area(c, nodes));
                }
            }
        }
        for (List<CopperNode> lettering :
                Nearby.groups(drawn, CopperIslandRule::box, LETTERING_NM).stream()
                        .map(g -> g.stream().flatMap(List::stream).toList())
                        .toList()) {
            findings.add(lettering(c, lettering));
        }
        return Outcome.of(findings);
    }

    private static Envelope box(List<CopperNode> nodes) {
        Envelope e = new Envelope();
        nodes.forEach(n -> e.expandToInclude(n.envelope()));
        return e;
    }

    /** Nets with a pad, a hole, a named point or an opening in the mask. */
    private static Set<Integer> tied(CheckContext c) {
        CopperNets nets = c.geometry().nets();
        Set<Integer> tied = new HashSet<>();
        c.geometry()
                .reference()
                .ifPresent(
                        r -> r.anchors().forEach(a -> tied.add(nets.nodes().get(a.node()).net())));
        for (int h = 0; h < c.board().holes().size(); h++) {
            tied.add(nets.netOfHole(h));
        }
        for (CopperNode n : nets.nodes()) {
            if (n.feature() instanceof Feature.Flash || (!tied.contains(n.net()) && bare(c, n))) {
                tied.add(n.net());
            }
        }
        return tied;
    }

    private static boolean bare(CheckContext c, CopperNode n) {
        return c.board()
                .copper()
                .get(n.layer())
                .role()
                .side()
                .map(side -> c.geometry().index(Role.of(Role.Kind.MASK, side)))
                .filter(mask -> !mask.within(n.piece(), 1).isEmpty())
                .isPresent();
    }

    private Finding area(CheckContext c, List<CopperNode> nodes) {
        Geometry all = Geo.union(nodes.stream().map(CopperNode::polygon).toList());
        Pt at = Pt.of(all.getInteriorPoint().getCoordinate());
        return new FindingBuilder(id())
                .layers(c.copperId(nodes.get(0).layer()))
                .at(at)
                .count(Math.round(all.getArea() / 1e9) / 1e3, 0, "mm²")
                .severity(Severity.LOOK)
                .say(
                        String.format(
                                Locale.ROOT,
                                "%.2f mm² of copper here is connected to nothing. It floats: it"
                                        + " catches noise and may short two parts. Tie it to a net"
                                        + " or take it out.",
                                all.getArea() / 1e12));
    }

    private Finding lettering(CheckContext c, List<CopperNode> nodes) {
        Envelope e = box(nodes);
        Pt low = new Pt(Math.round(e.getMinX()), Math.round(e.getMinY()));
        Pt high = new Pt(Math.round(e.getMaxX()), Math.round(e.getMaxY()));
        return new FindingBuilder(id())
                .layers(c.copperId(nodes.get(0).layer()))
                .at(Pt.of(nodes.get(0).polygon().getInteriorPoint().getCoordinate()))
                .also(List.of(new Measure(low, high, low.distance(high))))
                .count(nodes.size(), 0, "strokes")
                .severity(Severity.NOTE)
                .say(
                        nodes.size()
                                + " strokes of copper here are connected to nothing. Lettering in"
                                + " copper is fine; if it was meant as a track, it is cut off.");
    }
}
