package dev.lastcut.core.check.panel;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
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
import org.locationtech.jts.index.strtree.STRtree;
import org.locationtech.jts.operation.distance.DistanceOp;

/**
 * Parts too near to where the panel is broken: the bending cracks ceramic parts and joints. One
 * finding for each part of a board, with the other boards where it is the same.
 */
public final class PartAtBreakRule extends PanelRule {
    /** Where the shop does not say (common practice, no source). */
    private static final double USUAL_NM = 1_000_000;

    private static final double SLACK_NM = 1_000;

    @Override
    public String id() {
        return "part-at-break";
    }

    @Override
    public String title() {
        return "Parts at scores and tabs";
    }

    private record Of(Object source, String designator) {}

    @Override
    Optional<String> run(CheckContext c, Panel panel, List<Finding> out) {
        if (panel.breaks().isEmpty()) {
            return Optional.of("the panel has neither scores nor tabs");
        }
        if (panel.boards().stream().allMatch(b -> b.source().bodies().isEmpty())) {
            return Optional.of("the pack has no placement, so nobody knows where parts stand");
        }
        double least =
                c.panelTerms()
                        .flatMap(PanelTerms::partToBreak)
                        .map(l -> (double) l.nm())
                        .orElse(USUAL_NM);
        STRtree breaks = new STRtree();
        for (Breaks.Place p : Breaks.of(panel)) {
            breaks.insert(Geo.expanded(p.line().getEnvelopeInternal(), least + p.halfNm()), p);
        }
        Map<Of, Nearest> found = new LinkedHashMap<>();
        for (PlacedBoard b : panel.boards()) {
            for (PartBodies.Body body : b.source().bodies()) {
                if (body.fitted()) {
                    part(b, body, breaks, least, found);
                }
            }
        }
        found.forEach((of, near) -> out.add(finding(c, of, near, least)));
        return Optional.empty();
    }

    private static void part(
            PlacedBoard b,
            PartBodies.Body body,
            STRtree breaks,
            double least,
            Map<Of, Nearest> found) {
        Geometry outline = b.onPanel(body.outline());
        Envelope e = outline.getEnvelopeInternal();
        for (Object o : breaks.query(e)) {
            Breaks.Place place = (Breaks.Place) o;
            Coordinate[] ends = DistanceOp.nearestPoints(outline, place.line());
            double gap = Math.max(0, ends[0].distance(ends[1]) - place.halfNm());
            if (gap < least - SLACK_NM) {
                found.computeIfAbsent(new Of(b.source(), body.designator()), k -> new Nearest())
                        .add(place, b, new Measure(Pt.of(ends[0]), Pt.of(ends[1]), gap));
            }
        }
    }

    private Finding finding(CheckContext c, Of of, Nearest near, double least) {
        boolean across = near.least().nm() == 0;
        return finding(across ? Severity.STOP : Severity.LOOK)
                .measure(near.least())
                .limitNm(least)
                .parts(List.of(of.designator))
                .also(near.all())
                .say(
                        of.designator
                                + (across
                                        ? " stands across "
                                        : " stands " + Length.text(near.least().nm()) + " from ")
                                + (near.isToScore() ? "a score" : "a tab")
                                + "; "
                                + Length.text(least)
                                + (c.panelTerms().flatMap(PanelTerms::partToBreak).isPresent()
                                        ? " is what " + c.shopName() + " wants"
                                        : " is usual")
                                + ". Bending it off may crack the part or its joints. Turn the"
                                + " board, move the part, or join otherwise."
                                + near.sameOn());
    }
}
