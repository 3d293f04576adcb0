package dev.lastcut.core.check.panel;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.panel.Break;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PlacedBoard;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * Scores run straight from edge to edge of the panel: one that a board's side asks for must not cut
 * another board, and a board's edge that is no straight side is not parted by them at all.
 */
public final class ScoreCrossesRule extends PanelRule {
    /** A groove this far inside a board takes nothing from it that a saw would not. */
    private static final double INSIDE_NM = 10_000;

    /** Corners outside the board that stay on it: to this share of its area they are dressed. */
    private static final double CORNERS = 0.01;

    private static final double LEAST_CORNER_NM2 = 1e10;

    @Override
    public String id() {
        return "score-crosses";
    }

    @Override
    public String title() {
        return "Scores through boards";
    }

    @Override
    Optional<String> run(CheckContext c, Panel panel, List<Finding> out) {
        if (panel.plan().join() != Join.SCORE) {
            return Optional.of("the panel has no scores");
        }
        for (Break.Score s : panel.scores()) {
            crossing(panel, s, out);
        }
        Set<Object> told = new HashSet<>();
        for (PlacedBoard b : panel.boards()) {
            record Lying(Object source, double deg) {}
            if (told.add(new Lying(b.source(), b.rotationDeg()))) {
                corners(b, out);
            }
        }
        return Optional.empty();
    }

    private void crossing(Panel panel, Break.Score s, List<Finding> out) {
        Envelope line = s.line().getEnvelopeInternal();
        List<Measure> cuts = new ArrayList<>();
        List<String> boards = new ArrayList<>();
        for (PlacedBoard b : panel.boards()) {
            Envelope e = Geo.expanded(b.box(), -INSIDE_NM);
            if (e.isNull() || !e.intersects(line)) {
                continue;
            }
            Geometry inside = s.line().intersection(b.filled());
            for (int i = 0; i < inside.getNumGeometries(); i++) {
                if (inside.getGeometryN(i) instanceof LineString l
                        && l.getLength() > INSIDE_NM
                        && !onEdge(l, b)) {
                    Coordinate[] ends = l.getCoordinates();
                    cuts.add(
                            new Measure(
                                    Pt.of(ends[0]), Pt.of(ends[ends.length - 1]), l.getLength()));
                    boards.add(String.valueOf(b.number()));
                }
            }
        }
        if (cuts.isEmpty()) {
            return;
        }
        boolean one = new HashSet<>(boards).size() == 1;
        out.add(
                finding(Severity.STOP)
                        .measure(cuts.get(0))
                        .also(cuts)
                        .say(
                                "The score at "
                                        + (s.upright() ? "x " : "y ")
                                        + Length.text(s.upright() ? line.getMinX() : line.getMinY())
                                        + " runs through "
                                        + (one ? "board " : "boards ")
                                        + String.join(", ", new TreeSet<>(boards))
                                        + " and would cut "
                                        + (one ? "it" : "them")
                                        + ". Line the boards up, or join them by tabs."));
    }

    /** Along the side of the board itself. */
    private static boolean onEdge(LineString l, PlacedBoard b) {
        Coordinate m = l.getEnvelopeInternal().centre();
        return b.filled().getBoundary().isWithinDistance(Geo.FACTORY.createPoint(m), INSIDE_NM);
    }

    private void corners(PlacedBoard b, List<Finding> out) {
        Geometry left = Geo.difference(Geo.rectangle(b.box()), b.filled());
        Geometry largest = null;
        for (var p : Geo.polygons(left)) {
            if (p.getArea() > LEAST_CORNER_NM2
                    && (largest == null || p.getArea() > largest.getArea())) {
                largest = p;
            }
        }
        if (largest == null) {
            return;
        }
        double share = left.getArea() / b.filled().getArea();
        boolean few = share <= CORNERS;
        out.add(
                finding(few ? Severity.LOOK : Severity.STOP)
                        .about("edge of board " + b.number())
                        .at(Pt.of(largest.getEnvelopeInternal().centre()))
                        .count(Math.round(share * 1e4) / 100.0, 0, "%")
                        .say(
                                few
                                        ? "The boards' corners are rounded or cut off: a straight"
                                                + " score leaves square ones. Have them routed, or"
                                                + " dress them by hand."
                                        : "The board's edge is not four straight sides: a score"
                                                + " leaves material that is no part of it ("
                                                + String.format(Locale.ROOT, "%.1f", share * 100)
                                                + " % of its area). Join the boards by tabs."));
    }
}
