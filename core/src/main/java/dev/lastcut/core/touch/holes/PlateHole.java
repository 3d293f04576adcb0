package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.List;

/** Plates a hole, or leaves its plating out. */
public record PlateHole(Pt at, boolean plated) implements Touch {
    @Override
    public String kind() {
        return "hole-plating";
    }

    @Override
    public String words() {
        return (plated ? "Plate" : "Do not plate") + " the hole at " + Work.place(at);
    }

    @Override
    public Phase phase() {
        return Phase.HOLES;
    }

    @Override
    public Change on(Work work) throws NotDone {
        int index = HoleAt.of(work, at);
        Hole hole = work.board().holes().get(index);
        if (hole.plated() == plated) {
            throw new NotDone(
                    "The hole is " + (plated ? "plated" : "not plated") + " already",
                    hole.middle());
        }
        return new Change(
                work.board().withHoles(HoleAt.changed(work, index, hole.withPlating(plated))),
                "The "
                        + HoleAt.mm(hole.diameter())
                        + " hole is "
                        + (plated ? "" : "not ")
                        + "plated",
                List.of(hole.middle()));
    }
}
