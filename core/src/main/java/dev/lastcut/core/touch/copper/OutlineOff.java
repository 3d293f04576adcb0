package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.PrintedOutline;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Removes the board's outline from copper layers it is drawn on. */
public record OutlineOff() implements Touch {
    @Override
    public String kind() {
        return "outline-off";
    }

    @Override
    public String words() {
        return "Remove the outline from the copper";
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Map<Feature, List<Feature>> gone = new IdentityHashMap<>();
        List<Pt> places = new ArrayList<>();
        double length = 0;
        for (PrintedOutline p : PrintedOutline.of(work.geometry())) {
            for (CopperNode n : p.nodes()) {
                Feature.Stroke s = (Feature.Stroke) n.feature();
                if (gone.put(s, List.of()) == null) {
                    length += s.path().length();
                    places.add(s.path().middle());
                }
            }
        }
        if (gone.isEmpty()) {
            throw new NotDone("The outline is drawn on no copper layer");
        }
        return new Change(
                Redrawn.with(work.board(), gone),
                "Removes "
                        + Change.count(gone.size(), "line")
                        + " along the edge, "
                        + Length.text(length)
                        + " in all",
                places);
    }
}
