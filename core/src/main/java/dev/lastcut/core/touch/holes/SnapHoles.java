package dev.lastcut.core.touch.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Ring;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Gives each round hole the diameter of the drill that is nearest to it; where a wider one would
 * leave too thin a ring of copper, that of the nearest that does not.
 *
 * @param drills diameters, nm; empty: those of the chosen mill's rack
 * @param most a hole that would change by more than this stays, nm
 */
public record SnapHoles(List<Long> drills, double most) implements Touch {
    /** What a lead or a screw puts up with (common practice, no source). */
    public static final double USUAL_MOST_NM = 150_000;

    public SnapHoles {
        drills = drills.stream().sorted().distinct().toList();
    }

    @Override
    public String kind() {
        return "hole-snap";
    }

    @Override
    public String words() {
        return "Snap holes to the drills of the rack";
    }

    @Override
    public Phase phase() {
        return Phase.HOLES;
    }

    @Override
    public Change on(Work work) throws NotDone {
        List<Long> rack = drills.isEmpty() ? work.room().drills() : drills;
        if (rack.isEmpty()) {
            throw new NotDone("The chosen shop has no rack of drills; name their sizes, or a mill");
        }
        List<Hole> holes = new ArrayList<>(work.board().holes());
        List<Pt> changed = new ArrayList<>();
        List<Pt> stay = new ArrayList<>();
        for (int i = 0; i < holes.size(); i++) {
            Hole h = holes.get(i);
            if (h.isSlot() || rack.contains(h.diameter())) {
                continue;
            }
            long drill = nearest(work, rack, h);
            if (Math.abs(drill - h.diameter()) > most) {
                stay.add(h.middle());
                continue;
            }
            holes.set(i, h.at(h.from(), h.to(), drill));
            changed.add(h.middle());
        }
        if (changed.isEmpty()) {
            throw new NotDone(
                    stay.isEmpty()
                            ? "Every hole has the size of a drill already"
                            : "No drill comes within "
                                    + HoleAt.mm(most)
                                    + " of the "
                                    + Change.count(stay.size(), "hole")
                                    + " that have none",
                    stay);
        }
        String says = "Changes " + Change.count(changed.size(), "hole");
        if (!stay.isEmpty()) {
            says += "; " + stay.size() + " stay, no drill is near";
        }
        return new Change(work.board().withHoles(holes), says, changed);
    }

    /** Of two that are as near, the wider: a lead must go in. */
    private static long nearest(Work work, List<Long> rack, Hole h) {
        return rack.stream()
                .filter(d -> d < h.diameter() || keepsRing(work, h.at(h.from(), h.to(), d)))
                .min(
                        Comparator.comparingLong((Long d) -> Math.abs(d - h.diameter()))
                                .thenComparing(Comparator.reverseOrder()))
                .orElse(Long.MAX_VALUE / 2);
    }

    private static boolean keepsRing(Work work, Hole wider) {
        if (!wider.plated()) {
            return true;
        }
        return IntStream.range(0, work.nets().layerCount())
                .noneMatch(layer -> Ring.isThin(work.geometry(), wider, layer, work.room().ring()));
    }
}
