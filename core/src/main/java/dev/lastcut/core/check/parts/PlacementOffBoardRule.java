package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/** Parts whose middle is said to lie beside the board. */
public final class PlacementOffBoardRule implements Rule {
    private static final double LEAST_NM = 10_000;

    @Override
    public String id() {
        return "placement-off-board";
    }

    @Override
    public String title() {
        return "Placement off the board";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().placements().isEmpty()) {
            return Outcome.notRun("the pack has no placement file");
        }
        Geometry board = c.geometry().boardArea();
        if (board.isEmpty()) {
            return Outcome.notRun("the board has no closed outline");
        }
        PreparedGeometry inside = PreparedGeometryFactory.prepare(board);
        List<Part> parts = Placed.fitted(c);
        List<Part> beside = new ArrayList<>();
        for (Part p : parts) {
            if (!inside.covers(middle(board, p)) && board.distance(middle(board, p)) > LEAST_NM) {
                beside.add(p);
            }
        }
        PartPins pins = PartPins.of(c.geometry());
        if (beside.size() > 2 && beside.size() * 2 > parts.size()) {
            return onPads(beside, pins)
                    ? Outcome.notRun("the outline does not lie about the parts")
                    : Outcome.of(List.of(all(beside.size(), parts.size())));
        }
        return Outcome.of(
                beside.stream()
                        .map(p -> finding(p, board.distance(middle(board, p)), pins))
                        .toList());
    }

    /** Where most parts lie on their pads, it is the outline that is elsewhere. */
    private static boolean onPads(List<Part> parts, PartPins pins) {
        long on = parts.stream().filter(p -> near(p, pins)).count();
        return on * 2 > parts.size();
    }

    private static boolean near(Part p, PartPins pins) {
        Envelope near = pins.box(p.designator());
        near.expandBy(Math.max(near.getWidth(), near.getHeight()));
        return near.contains(p.placed().orElseThrow().at().coordinate());
    }

    private static Point middle(Geometry board, Part p) {
        return board.getFactory().createPoint(p.placed().orElseThrow().at().coordinate());
    }

    private Finding all(int beside, int of) {
        return new FindingBuilder(id())
                .severity(Severity.STOP)
                .layers("placement")
                .say(
                        String.format(
                                Locale.ROOT,
                                "%d of %d parts are placed beside the board: the table has"
                                        + " another origin or unit than the pictures. Put the"
                                        + " placement right at Bring in.",
                                beside,
                                of));
    }

    private Finding finding(Part p, double outNm, PartPins pins) {
        PlacedPart at = p.placed().orElseThrow();
        // What is plugged in over the edge has its pads close by.
        boolean over = near(p, pins);
        return new FindingBuilder(id())
                .severity(over ? Severity.NOTE : Severity.STOP)
                .at(at.at())
                .lengths(outNm, 0)
                .layers("placement")
                .parts(List.of(p.designator()))
                .say(
                        p.designator()
                                + " is placed "
                                + Length.text(outNm)
                                + " beside the board"
                                + (over
                                        ? ", with its pads at the edge, as a plug may be."
                                        : ": nothing can be fitted there. Put its x and y right in"
                                                + " the placement."));
    }
}
