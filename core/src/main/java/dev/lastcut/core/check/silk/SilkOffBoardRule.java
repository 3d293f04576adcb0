package dev.lastcut.core.check.silk;

import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Nearby;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.operation.distance.DistanceOp;

/**
 * Silk beyond the outline or over a cut-out: it is cut off. What lies together is one finding, and
 * so is all that lies wholly outside.
 */
public final class SilkOffBoardRule implements Rule {
    private static final double TOGETHER_NM = 1_000_000;

    /** Less than this beyond the edge is no more than flattening: 1 µm. */
    private static final double SLACK_NM = 1_000;

    @Override
    public String id() {
        return "silk-off-board";
    }

    @Override
    public String title() {
        return "Silkscreen off the board";
    }

    @Override
    public Outcome run(CheckContext c) {
        Geometry board = c.geometry().boardArea();
        if (board.isEmpty()) {
            return Outcome.notRun("there is no closed outline");
        }
        PreparedGeometry within = PreparedGeometryFactory.prepare(Geo.offset(board, SLACK_NM, 500));
        List<Finding> findings = new ArrayList<>();
        int sides = 0;
        for (Side side : Side.values()) {
            Role silk = Role.of(Role.Kind.SILK, side);
            if (c.board().layer(silk).isPresent()) {
                sides++;
                List<Piece> off = new ArrayList<>();
                List<Piece> outside = new ArrayList<>();
                for (Piece p : c.geometry().pieces(silk)) {
                    if (!within.covers(Geo.rectangle(p.envelope()))
                            && !within.covers(p.polygon())) {
                        (within.intersects(p.polygon()) ? off : outside).add(p);
                    }
                }
                if (!outside.isEmpty()) {
                    findings.add(outside(silk, outside));
                }
                Nearby.groups(off, Piece::envelope, TOGETHER_NM)
                        .forEach(g -> findings.add(finding(silk, board, g)));
            }
        }
        return sides == 0 ? Outcome.notRun("the pack has no silk file") : Outcome.of(findings);
    }

    private Finding outside(Role silk, List<Piece> outside) {
        return new FindingBuilder(id())
                .layers(silk.id(), "outline")
                .at(Pt.of(outside.get(0).envelope().centre()))
                .alsoAt(outside.stream().map(p -> Pt.of(p.envelope().centre())).toList())
                .count(outside.size(), 0, "strokes outside")
                .severity(Severity.NOTE)
                .say(
                        outside.size()
                                + " strokes of silk lie wholly outside the board. They are not"
                                + " printed. If they belong on it, look at the outline's place.");
    }

    private Finding finding(Role silk, Geometry board, List<Piece> together) {
        Measure farthest = null;
        for (Piece p : together) {
            Envelope near = Geo.expanded(p.envelope(), 1);
            for (Coordinate at : p.polygon().getCoordinates()) {
                if (near.contains(at)) {
                    Coordinate[] way =
                            new DistanceOp(board, Geo.FACTORY.createPoint(at)).nearestPoints();
                    double d = way[0].distance(way[1]);
                    if (farthest == null || d > farthest.nm()) {
                        farthest = new Measure(Pt.of(way[0]), Pt.of(way[1]), d);
                    }
                }
            }
        }
        return new FindingBuilder(id())
                .layers(silk.id(), "outline")
                .measure(farthest)
                .limitNm(0)
                .severity(Severity.LOOK)
                .say(
                        "Silk runs "
                                + Length.text(farthest.nm())
                                + " over the board's edge ("
                                + together.size()
                                + (together.size() == 1 ? " stroke" : " strokes")
                                + "). It is cut off there. Move it in or take it out.");
    }
}
