package dev.lastcut.core.check.panel;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PlacedBoard;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.index.strtree.STRtree;
import org.locationtech.jts.operation.distance.DistanceOp;

/**
 * Copper too near to a score or a row of bites: the groove's flank or the break lays it bare or
 * tears it. One finding for each stretch of copper, at its nearest place, with the other boards
 * where it is the same.
 */
public final class CopperAtScoreRule extends PanelRule {
    private static final double SLACK_NM = 1_000;

    @Override
    public String id() {
        return "copper-at-score";
    }

    @Override
    public String title() {
        return "Copper at scores and breaks";
    }

    /** The same copper of every like board. */
    private record Of(Object source, int layer, int net) {}

    @Override
    Optional<String> run(CheckContext c, Panel panel, List<Finding> out) {
        Optional<Limit> limit = c.panelTerms().flatMap(PanelTerms::scoreToCopper);
        if (limit.isEmpty()) {
            return Optional.of(
                    "the sheet of " + c.shopName() + " says nothing of copper at scores");
        }
        if (panel.breaks().isEmpty()) {
            return Optional.of("the panel has neither scores nor tabs");
        }
        double least = limit.get().nm();
        Map<Of, Nearest> found = new LinkedHashMap<>();
        STRtree breaks = new STRtree();
        for (Breaks.Place p : Breaks.of(panel)) {
            breaks.insert(p.line().getEnvelopeInternal(), p);
        }
        for (PlacedBoard b : panel.boards()) {
            for (Object place : breaks.query(Geo.expanded(b.box(), least))) {
                board(b, (Breaks.Place) place, least, found);
            }
        }
        found.forEach((of, near) -> out.add(finding(c, of, near, least)));
        return Optional.empty();
    }

    private static void board(
            PlacedBoard b, Breaks.Place place, double least, Map<Of, Nearest> found) {
        AffineTransformation back = back(b);
        Geometry line = back.transform(place.line());
        Envelope e = Geo.expanded(line.getEnvelopeInternal(), least + place.halfNm() + SLACK_NM);
        CopperNets nets = b.source().geometry().nets();
        for (int layer = 0; layer < nets.layerCount(); layer++) {
            for (CopperNode n : nets.near(layer, e)) {
                Coordinate[] ends = DistanceOp.nearestPoints(n.polygon(), line);
                double gap = ends[0].distance(ends[1]) - place.halfNm();
                if (gap < least - SLACK_NM) {
                    Measure m =
                            new Measure(
                                    b.onPanel(Pt.of(ends[0])),
                                    b.onPanel(Pt.of(ends[1])),
                                    Math.max(0, gap));
                    found.computeIfAbsent(of(b, n), k -> new Nearest()).add(place, b, m);
                }
            }
        }
    }

    private static Of of(PlacedBoard b, CopperNode n) {
        return new Of(b.source(), n.layer(), n.net());
    }

    private static AffineTransformation back(PlacedBoard b) {
        AffineTransformation t =
                AffineTransformation.translationInstance(-b.shift().x(), -b.shift().y());
        return t.compose(new Orientation(false, -b.rotationDeg(), 1).affine());
    }

    private Finding finding(CheckContext c, Of of, Nearest near, double least) {
        var geometry = near.board().source().geometry();
        Role role = geometry.board().copper().get(of.layer).role();
        String net = geometry.netName(of.net);
        return finding(near.least().nm() < least / 2 ? Severity.STOP : Severity.LOOK)
                .measure(near.least())
                .limitNm(least)
                .nets(List.of(net))
                .about(role.id())
                .also(near.all())
                .say(
                        "Copper of "
                                + net
                                + " on "
                                + role.words()
                                + " is "
                                + Length.text(near.least().nm())
                                + " from "
                                + (near.isToScore() ? "a score" : "a row of bites")
                                + "; "
                                + c.shopName()
                                + " wants "
                                + Length.text(least)
                                + ". It may be laid bare or torn. Draw it back from the edge, or"
                                + (near.isToScore() ? " join by tabs." : " move the tabs.")
                                + near.sameOn());
    }
}
