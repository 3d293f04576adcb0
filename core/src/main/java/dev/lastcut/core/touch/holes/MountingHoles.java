package dev.lastcut.core.touch.holes;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;

/**
 * Unplated holes in the four corners of the board. A corner without room is left out and said.
 * Lengths in nm.
 *
 * @param inset from the board's edges to the middle of each
 * @param keepOut from its wall to copper: what the screw's head covers
 */
public record MountingHoles(double diameter, double inset, double keepOut) implements Touch {
    public MountingHoles {
        Sizes.above("diameter_mm", diameter);
        Sizes.above("inset_mm", inset);
        Sizes.notBelow0("keep_out_mm", keepOut);
    }

    @Override
    public String kind() {
        return "mounting-holes";
    }

    @Override
    public String words() {
        return "Mounting holes of "
                + HoleAt.mm(diameter)
                + ", "
                + HoleAt.mm(inset)
                + " from the edges";
    }

    @Override
    public Phase phase() {
        return Phase.HOLES;
    }

    @Override
    public Change on(Work work) throws NotDone {
        if (work.geometry().boardArea().isEmpty()) {
            throw new NotDone("The board has no closed outline, so it has no corners");
        }
        Envelope e = Geo.expanded(work.geometry().boardArea().getEnvelopeInternal(), -inset);
        if (e.isNull()) {
            throw new NotDone("The board is smaller than that");
        }
        List<Pt> corners =
                List.of(
                        at(e.getMinX(), e.getMinY()),
                        at(e.getMaxX(), e.getMinY()),
                        at(e.getMaxX(), e.getMaxY()),
                        at(e.getMinX(), e.getMaxY()));
        Work now = work;
        List<Pt> done = new ArrayList<>();
        List<String> why = new ArrayList<>();
        List<Pt> left = new ArrayList<>();
        List<String> told = new ArrayList<>();
        for (Pt corner : corners) {
            try {
                AddHole.Added one = new AddHole(corner, diameter, false, 0, keepOut).added(now);
                now = now.on(one.board());
                done.add(corner);
                if (!one.told().isEmpty()) {
                    told.add(Work.place(corner) + " " + DrillObstacles.through(one.told()));
                }
            } catch (NotDone e1) {
                left.add(corner);
                why.add(e1.getMessage());
            }
        }
        if (done.isEmpty()) {
            throw new NotDone(
                    "No corner has room: "
                            + Character.toLowerCase(why.get(0).charAt(0))
                            + why.get(0).substring(1),
                    left);
        }
        String says = "Adds " + Change.count(done.size(), "hole");
        says += told.isEmpty() ? "" : "; that at " + String.join("; that at ", told);
        if (!left.isEmpty()) {
            says += "; left out: " + String.join("; ", why);
        }
        return new Change(now.board(), says, left.isEmpty() ? done : left);
    }

    private static Pt at(double x, double y) {
        return new Pt(Math.round(x), Math.round(y));
    }
}
