package dev.lastcut.core.touch.holes;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.geom.Geometry;

/** What lies under a hole that is to be drilled. */
final class DrillObstacles {
    private DrillObstacles() {}

    /**
     * Holds a hole that is new there against all it meets.
     *
     * @param leaving the index of the hole it takes the place of, or −1
     * @param own nets whose copper it may meet
     * @param keep nm from its wall to other copper
     * @return what else lies there: silk and parts
     * @throws NotDone when it would meet copper, another hole or the edge
     */
    static List<String> look(Work work, Hole hole, int leaving, Set<Integer> own, double keep)
            throws NotDone {
        BoardGeometry g = work.geometry();
        Pt at = hole.middle();
        Geometry wall = hole.shape(g.flattener());
        onBoard(work, hole, wall);
        for (int i : g.holes().near(Geo.expanded(wall.getEnvelopeInternal(), work.room().web()))) {
            Hole other = work.board().holes().get(i);
            double web =
                    other.core().distance(hole.core()) - (other.diameter() + hole.diameter()) / 2.0;
            if (i != leaving && web < Math.min(work.room().web(), other.diameter()) - 1) {
                throw new NotDone(
                        "The hole at " + Work.place(at) + " would come too near to another hole",
                        at,
                        other.middle());
            }
        }
        for (int layer = 0; layer < work.nets().layerCount(); layer++) {
            for (CopperNode n :
                    work.nets().near(layer, Geo.expanded(wall.getEnvelopeInternal(), keep))) {
                if (!own.contains(n.net())
                        && work.nets().contact().gap(n.piece(), hole, keep)
                                < keep - KeepOff.SLACK_NM) {
                    throw new NotDone(
                            "The hole at "
                                    + Work.place(at)
                                    + " would lie on, or within "
                                    + Length.text(keep)
                                    + " of, copper of "
                                    + g.netName(n.net())
                                    + " on the "
                                    + work.board().copper().get(layer).role().words(),
                            at);
                }
            }
        }
        return told(work, wall);
    }

    /** The same for the end of a sentence. */
    static String said(List<String> told) {
        return told.isEmpty() ? "" : "; it " + through(told);
    }

    static String through(List<String> told) {
        return "goes through " + String.join(", ", told);
    }

    private static void onBoard(Work work, Hole hole, Geometry wall) throws NotDone {
        Geometry board = work.geometry().boardArea();
        if (!board.isEmpty() && !board.covers(wall)) {
            throw new NotDone(
                    "The hole at " + Work.place(hole.middle()) + " would lie off the board",
                    hole.middle());
        }
    }

    /** Silk and parts under it. */
    private static List<String> told(Work work, Geometry wall) {
        List<String> all = new ArrayList<>();
        for (Layer layer : work.board().layers()) {
            if (layer.role().kind() == Role.Kind.SILK) {
                var silk = work.geometry().index(layer.role());
                if (silk.near(wall.getEnvelopeInternal()).stream()
                        .anyMatch(i -> silk.pieces().get(i).polygon().intersects(wall))) {
                    all.add(layer.role().words());
                }
            }
        }
        TreeSet<String> parts = new TreeSet<>();
        for (PartBodies.Body b : PartBodies.of(work.geometry(), PartsPlan.NONE)) {
            if (wall.intersects(b.outline())) {
                parts.add(b.designator());
            }
        }
        all.addAll(parts);
        return all;
    }
}
