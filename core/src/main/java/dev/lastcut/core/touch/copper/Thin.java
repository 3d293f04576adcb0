package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Draws the tracks of a net that are wider than this narrower. Lengths in nm. */
public record Thin(Net net, double to) implements Touch {
    public Thin {
        Sizes.above("to_mm", to);
    }

    @Override
    public String kind() {
        return "thin";
    }

    @Override
    public String words() {
        return "Thin tracks of " + net.words() + " to " + Length.shortMm(Length.toMm(to)) + " mm";
    }

    @Override
    public Phase phase() {
        return Phase.COPPER;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Set<Integer> nets = work.nets(net);
        int count = 0;
        double length = 0;
        Map<Feature, List<Feature>> drawn = new IdentityHashMap<>();
        for (CopperNode n : work.nets().nodes()) {
            if (nets.contains(n.net())
                    && n.feature() instanceof Feature.Stroke s
                    && s.roundWidth() > to) {
                drawn.put(s, List.of(Features.stroke(s.path(), to, s.attributes())));
                count++;
                length += s.path().length();
            }
        }
        if (count == 0) {
            throw new NotDone("No track of " + net.words() + " is wider than " + Length.text(to));
        }
        return new Change(
                Redrawn.with(work.board(), drawn),
                "Thins " + Change.count(count, "track") + ", " + Length.text(length) + " in all",
                List.of());
    }
}
