package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.List;

/** Gives a hole another diameter. Lengths in nm. */
public record ResizeHole(Pt at, double diameter) implements Touch {
    public ResizeHole {
        Sizes.above("diameter_mm", diameter);
    }

    @Override
    public String kind() {
        return "hole-size";
    }

    @Override
    public String words() {
        return "Make the hole at " + Work.place(at) + " " + HoleAt.mm(diameter) + " wide";
    }

    @Override
    public Phase phase() {
        return Phase.HOLES;
    }

    @Override
    public Change on(Work work) throws NotDone {
        int index = HoleAt.of(work, at);
        Hole hole = work.board().holes().get(index);
        if (hole.diameter() == Math.round(diameter)) {
            throw new NotDone("The hole is " + HoleAt.mm(diameter) + " wide already", at);
        }
        Hole resized = hole.at(hole.from(), hole.to(), Math.round(diameter));
        List<String> told = List.of();
        if (resized.diameter() > hole.diameter()) {
            double keep = hole.plated() ? work.room().clearance() : work.room().hole();
            told = DrillObstacles.look(work, resized, index, work.netsOfHole(index), keep);
        }
        return new Change(
                work.board().withHoles(HoleAt.changed(work, index, resized)),
                "From "
                        + HoleAt.mm(hole.diameter())
                        + " to "
                        + HoleAt.mm(diameter)
                        + DrillObstacles.said(told),
                List.of(hole.middle()));
    }
}
