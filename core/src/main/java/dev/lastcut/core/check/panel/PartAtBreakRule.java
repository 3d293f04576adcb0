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
import java.util.ArrayList;
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

    private static final class Near {
        private Measure nearest;
        private boolean score;
        private final Map<Integer, Measure> boards = new LinkedHashMap<>();
    }

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
        Map<Of, Near> found = new LinkedHashMap<>();
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
            Map<Of, Near> found) {
        Geometry outline = b.onPanel(body.outline());
        Envelope e = outline.getEnvelopeInternal();
        for (Object o : breaks.query(e)) {
            Breaks.Place place = (Breaks.Place) o;
            Coordinate[] ends = DistanceOp.nearestPoints(outline, place.line());
            double gap = Math.max(0, ends[0].distance(ends[1]) - place.halfNm());
            if (gap < least - SLACK_NM) {
                Near near =
                        found.computeIfAbsent(
                                new Of(b.source(), body.designator()), k -> new Near());
                Measure m = new Measure(Pt.of(ends[0]), Pt.of(ends[1]), gap);
                near.boards.merge(b.number(), m, (x, y) -> x.nm() <= y.nm() ? x : y);
                if (near.nearest == null || gap < near.nearest.nm()) {
                    near.nearest = m;
                    near.score = place.isScore();
                }
            }
        }
    }

    private Finding finding(CheckContext c, Of of, Near near, double least) {
        boolean across = near.nearest.nm() == 0;
        return finding(across ? Severity.STOP : Severity.LOOK)
                .measure(near.nearest)
                .limitNm(least)
                .parts(List.of(of.designator))
                .also(new ArrayList<>(near.boards.values()))
                .say(
                        of.designator
                                + (across
                                        ? " stands across "
                                        : " stands " + Length.text(near.nearest.nm()) + " from ")
                                + (near.score ? "a score" : "a tab")
                                + "; "
                                + Length.text(least)
                                + (c.panelTerms().flatMap(PanelTerms::partToBreak).isPresent()
                                        ? " is what " + c.shopName() + " wants"
                                        : " is usual")
                                + ". Bending it off may crack the part or its joints. Turn the"
                                + " board, move the part, or join otherwise."
                                + (near.boards.size() > 1
                                        ? " The same on " + near.boards.size() + " boards."
                                        : ""));
    }
}
