package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;

/**
 * The end of a track that connects to nothing: no other copper and no hole lies under the round end
 * it is drawn with. Nets without any pad are lettering or islands and left to that check.
 */
public final class StubRule implements Rule {
    @Override
    public String id() {
        return "stub";
    }

    @Override
    public String title() {
        return "Stubs";
    }

    @Override
    public Outcome run(CheckContext c) {
        CopperNets nets = c.geometry().nets();
        if (nets.nodes().isEmpty()) {
            return Outcome.notRun("the pack has no copper");
        }
        Set<Integer> padded = new HashSet<>();
        for (CopperNode n : nets.nodes()) {
            if (n.feature() instanceof Feature.Flash) {
                padded.add(n.net());
            }
        }
        List<Finding> findings = new ArrayList<>();
        for (CopperNode n : nets.nodes()) {
            if (padded.contains(n.net())
                    && n.piece().isWhole()
                    && n.feature() instanceof Feature.Stroke s
                    && s.roundWidth() > 0
                    && !s.path().from().equals(s.path().to())) {
                end(c, n, s, s.path().from(), findings);
                end(c, n, s, s.path().to(), findings);
            }
        }
        return Outcome.of(findings);
    }

    private void end(
            CheckContext c, CopperNode n, Feature.Stroke s, Pt end, List<Finding> findings) {
        double half = s.roundWidth() / 2;
        Coordinate at = end.coordinate();
        Envelope reach = Geo.expanded(new Envelope(at), half);
        CopperNets nets = c.geometry().nets();
        for (CopperNode other : nets.near(n.layer(), reach)) {
            if (other.id() != n.id()
                    && !isSameStroke(s, other.feature())
                    && reaches(nets, other.piece(), end, half)) {
                return;
            }
        }
        for (int h : c.geometry().holes().near(reach)) {
            var hole = c.board().holes().get(h);
            Coordinate from = hole.from().coordinate();
            Coordinate to = hole.to().coordinate();
            if (HoleIndex.box(hole).intersects(reach)
                    && Distance.pointToSegment(at, from, to) <= hole.diameter() / 2.0 + half) {
                return;
            }
        }
        String net = c.netName(n.net());
        findings.add(
                new FindingBuilder(id())
                        .layers(c.copperId(n.layer()))
                        .at(end)
                        .lengths(s.path().length(), 0)
                        .between(s.path().from(), s.path().to())
                        .severity(Severity.LOOK)
                        .nets(List.of(net))
                        .say(
                                "A track of "
                                        + net
                                        + " ends here in nothing, "
                                        + Length.text(s.path().length())
                                        + " after its last joint. It was left over, or a link is"
                                        + " missing. Take it out or lead it on."));
    }

    /** A track that was drawn twice does not connect to itself. */
    private static boolean isSameStroke(Feature.Stroke s, Feature other) {
        return other instanceof Feature.Stroke o
                && (o.path().equals(s.path()) || o.path().reversed().equals(s.path()));
    }

    private static boolean reaches(CopperNets nets, Piece other, Pt end, double half) {
        double r = other.roundRadius();
        if (r > 0) {
            Coordinate from = other.roundFrom().coordinate();
            Coordinate to = other.roundTo().coordinate();
            return Distance.pointToSegment(end.coordinate(), from, to) <= r + half;
        }
        return nets.contact().covers(other, end)
                || other.polygon().isWithinDistance(Geo.point(end), half);
    }
}
