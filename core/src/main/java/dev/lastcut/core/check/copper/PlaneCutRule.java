package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Envelope;

/**
 * The longest cut that a run of tracks makes into a reference plane where tracks of a neighbouring
 * layer cross over it: their return current must go round. A plane is a net whose areas cover at
 * least 30 % of the board on a layer; cuts from 10 mm are told (both common practice, no source).
 */
public final class PlaneCutRule implements Rule {
    private static final double PLANE_SHARE = 0.3;
    private static final double CUT_NM = 10_000_000;

    private record Cut(CopperNode track, double length, List<Measure> strokes, int crossed) {}

    @Override
    public String id() {
        return "plane-cut";
    }

    @Override
    public String title() {
        return "Splits in reference planes";
    }

    @Override
    public Outcome run(CheckContext c) {
        double board = c.geometry().boardArea().getArea();
        if (board == 0) {
            return Outcome.notRun("there is no closed outline");
        }
        if (c.board().copper().size() < 2) {
            return Outcome.notRun("the board has one copper layer only");
        }
        List<Finding> findings = new ArrayList<>();
        int planes = 0;
        for (int layer = 0; layer < c.board().copper().size(); layer++) {
            Optional<CopperNode> plane = plane(c, layer, board);
            if (plane.isPresent()) {
                planes++;
                longest(c, plane.get())
                        .ifPresent(cut -> findings.add(finding(c, plane.get(), cut)));
            }
        }
        return planes == 0
                ? Outcome.notRun("no layer has a plane")
                : Outcome.of(findings, planes + " planes");
    }

    private static Optional<CopperNode> plane(CheckContext c, int layer, double board) {
        CopperNode largest = null;
        for (CopperNode n : c.geometry().nets().nodes()) {
            if (n.layer() == layer
                    && n.isArea()
                    && n.envelope().getArea() > PLANE_SHARE * board
                    && (largest == null || n.polygon().getArea() > largest.polygon().getArea())) {
                largest = n;
            }
        }
        return Optional.ofNullable(largest)
                .filter(n -> n.polygon().getArea() >= PLANE_SHARE * board);
    }

    private static Optional<Cut> longest(CheckContext c, CopperNode plane) {
        CopperNets nets = c.geometry().nets();
        Set<Integer> seen = new HashSet<>();
        Cut longest = null;
        for (CopperNode n : nets.near(plane.layer(), plane.envelope())) {
            if (isForeignTrack(n, plane) && seen.add(n.id())) {
                Cut cut = run(nets, n, plane, seen);
                if (cut.length >= CUT_NM && (longest == null || cut.length > longest.length)) {
                    int crossed = crossings(nets, cut, plane);
                    if (crossed > 0) {
                        longest = new Cut(cut.track, cut.length, cut.strokes, crossed);
                    }
                }
            }
        }
        return Optional.ofNullable(longest);
    }

    private static boolean isForeignTrack(CopperNode n, CopperNode plane) {
        return n.net() != plane.net()
                && n.feature() instanceof Feature.Stroke
                && plane.envelope().contains(n.envelope());
    }

    /** The tracks joined to one on the plane's layer. */
    private static Cut run(CopperNets nets, CopperNode first, CopperNode plane, Set<Integer> seen) {
        ArrayDeque<Integer> queue = new ArrayDeque<>(List.of(first.id()));
        List<Measure> strokes = new ArrayList<>();
        double length = 0;
        while (!queue.isEmpty()) {
            CopperNode n = nets.nodes().get(queue.poll());
            if (n.feature() instanceof Feature.Stroke s) {
                double part = s.path().length();
                length += part;
                strokes.add(new Measure(s.path().from(), s.path().to(), part));
            }
            for (int next : nets.neighboursOf(n.id())) {
                CopperNode other = nets.nodes().get(next);
                if (other.layer() == plane.layer()
                        && isForeignTrack(other, plane)
                        && seen.add(next)) {
                    queue.add(next);
                }
            }
        }
        return new Cut(first, length, strokes, 0);
    }

    private static int crossings(CopperNets nets, Cut cut, CopperNode plane) {
        Set<Integer> crossing = new HashSet<>();
        for (int layer : new int[] {plane.layer() - 1, plane.layer() + 1}) {
            if (layer < 0 || layer >= nets.layerCount()) {
                continue;
            }
            for (Measure m : cut.strokes) {
                Envelope e = new Envelope(m.from().coordinate(), m.to().coordinate());
                for (CopperNode n : nets.near(layer, Geo.expanded(e, 1))) {
                    if (n.net() != plane.net()
                            && n.net() != cut.track.net()
                            && n.feature() instanceof Feature.Stroke s
                            && cross(m, s)) {
                        crossing.add(n.net());
                    }
                }
            }
        }
        return crossing.size();
    }

    private static boolean cross(Measure m, Feature.Stroke s) {
        RobustLineIntersector lines = new RobustLineIntersector();
        lines.computeIntersection(
                m.from().coordinate(),
                m.to().coordinate(),
                s.path().from().coordinate(),
                s.path().to().coordinate());
        return lines.isProper();
    }

    private Finding finding(CheckContext c, CopperNode plane, Cut cut) {
        Measure longest =
                cut.strokes.stream().max((a, b) -> Double.compare(a.nm(), b.nm())).orElseThrow();
        String net = c.netName(plane.net());
        String by = c.netName(cut.track.net());
        return new FindingBuilder(id())
                .layers(c.copperId(plane.layer()))
                .at(longest.middle())
                .between(longest.from(), longest.to())
                .also(cut.strokes)
                .lengths(cut.length, CUT_NM)
                .severity(Severity.LOOK)
                .nets(List.of(net, by))
                .say(
                        "Tracks of "
                                + by
                                + " cut the plane of "
                                + net
                                + " over "
                                + Length.text(cut.length)
                                + ", and "
                                + cut.crossed
                                + (cut.crossed == 1 ? " net crosses" : " nets cross")
                                + " over the cut on the next layer. Their return current goes round"
                                + " it and radiates. Move the tracks to another layer or bridge the"
                                + " cut.");
    }
}
