package dev.lastcut.core.touch.edge;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.operation.valid.IsValidOp;

/**
 * Puts a board within another edge. Filled areas are cut back from it; a track, pad or hole that
 * was on the board and would be cut refuses it. What hung over before, such as a connector, may go
 * on to.
 */
final class NewEdge {
    private static final double PEN_NM = 100_000;

    private NewEdge() {}

    static Change on(Work work, Outline made, String says, List<Pt> places) throws NotDone {
        Geometry area = made.area(Flattener.FINE);
        if (area.isEmpty() || !new IsValidOp(area).isValid()) {
            throw new NotDone("The outline would cross itself", places);
        }
        Geometry before = work.geometry().boardArea();
        PreparedGeometry now = PreparedGeometryFactory.prepare(area);
        PreparedGeometry was = before.isEmpty() ? now : PreparedGeometryFactory.prepare(before);
        for (CopperNode n : work.nets().nodes()) {
            if (!n.isArea() && !now.covers(n.polygon()) && was.covers(n.polygon())) {
                Pt at = Pt.of(n.envelope().centre());
                throw new NotDone(
                        "Copper of "
                                + work.geometry().netName(n.net())
                                + " at "
                                + Work.place(at)
                                + " would be cut",
                        at);
            }
        }
        for (Hole h : work.board().holes()) {
            Geometry wall = h.shape(work.geometry().flattener());
            if (!now.covers(wall) && was.covers(wall)) {
                throw new NotDone(
                        "The hole at " + Work.place(h.middle()) + " would be cut", h.middle());
            }
        }
        Board board = trimmed(work, area);
        int near = near(work, area, was);
        String told =
                near == 0
                        ? ""
                        : "; "
                                + Change.count(near, "track or pad")
                                + " nearer to it than "
                                + Length.text(work.room().edge());
        return new Change(drawn(board, made), says + told, places);
    }

    private static int near(Work work, Geometry area, PreparedGeometry was) {
        PreparedGeometry may =
                PreparedGeometryFactory.prepare(
                        Geo.offset(area, -(work.room().edge() - KeepOff.SLACK_NM), 100));
        int near = 0;
        for (CopperNode n : work.nets().nodes()) {
            boolean free = n.isArea() || may.covers(n.polygon());
            near += free || !was.covers(n.polygon()) ? 0 : 1;
        }
        return near;
    }

    /** Areas that reach the new edge are cut back from it as far as the shop asks. */
    private static Board trimmed(Work work, Geometry area) {
        Geometry may = Geo.offset(area, -work.room().edge(), 100);
        PreparedGeometry free = PreparedGeometryFactory.prepare(may);
        PreparedGeometry old =
                PreparedGeometryFactory.prepare(
                        Geo.offset(
                                work.geometry().boardArea(),
                                -(work.room().edge() - KeepOff.SLACK_NM),
                                100));
        Set<Feature> which = Collections.newSetFromMap(new IdentityHashMap<>());
        for (CopperNode n : work.nets().nodes()) {
            if (n.isArea()
                    && !free.covers(n.polygon())
                    && (old.covers(n.polygon()) || !area.covers(n.polygon()))) {
                which.add(n.feature());
            }
        }
        return Redrawn.areas(work, which, n -> Geo.sharedArea(n.polygon(), may));
    }

    private static Board drawn(Board board, Outline made) {
        List<Feature> strokes = new ArrayList<>();
        for (List<Segment> path : paths(made)) {
            path.forEach(s -> strokes.add(Features.stroke(s, PEN_NM, ObjectAttributes.NONE)));
        }
        Layer layer =
                board.layer(Role.OUTLINE)
                        .map(l -> l.with(strokes))
                        .orElseGet(() -> new Layer(Role.OUTLINE, Features.FILE, strokes));
        return board.withOutline(made).with(layer);
    }

    private static List<List<Segment>> paths(Outline made) {
        List<List<Segment>> all = new ArrayList<>();
        all.add(made.outer());
        all.addAll(made.cutouts());
        return all;
    }
}
