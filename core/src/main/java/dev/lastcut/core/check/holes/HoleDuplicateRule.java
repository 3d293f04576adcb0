package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.HoleIndex;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.UnionFind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Holes drilled twice at one place, and holes that overlap. A row of equal overlapping holes is a
 * slot made the old way and only noted. Pieces of one slot that share an end belong together.
 */
public final class HoleDuplicateRule implements Rule {
    /** Middles within this are one place: 10 µm, the rounding of coarse drill files. */
    private static final double SAME_NM = 10_000;

    private static final int ROW = 3;

    @Override
    public String id() {
        return "hole-duplicate";
    }

    @Override
    public String title() {
        return "Duplicate holes";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Hole> holes = c.board().holes();
        if (holes.isEmpty()) {
            return Outcome.notRun("the pack has no holes");
        }
        UnionFind sets = new UnionFind(holes.size());
        for (int i = 0; i < holes.size(); i++) {
            for (int j : c.geometry().holes().near(HoleIndex.box(holes.get(i)))) {
                if (j > i && overlap(holes.get(i), holes.get(j))) {
                    sets.union(i, j);
                }
            }
        }
        Map<Integer, List<Hole>> groups = new TreeMap<>();
        for (int i = 0; i < holes.size(); i++) {
            groups.computeIfAbsent(sets.find(i), k -> new ArrayList<>()).add(holes.get(i));
        }
        return Outcome.of(
                groups.values().stream().filter(g -> g.size() > 1).map(this::finding).toList());
    }

    private static boolean overlap(Hole a, Hole b) {
        boolean sameSlot = a.isSlot() && b.isSlot() && sharesEnd(a, b);
        double apart = a.core().distance(b.core());
        return !sameSlot
                && !isApartInDepth(a, b)
                && apart < (a.diameter() + b.diameter()) / 2.0 - 1;
    }

    private static boolean sharesEnd(Hole a, Hole b) {
        boolean twice =
                (a.from().equals(b.from()) && a.to().equals(b.to()))
                        || (a.from().equals(b.to()) && a.to().equals(b.from()));
        boolean one =
                a.from().equals(b.from())
                        || a.from().equals(b.to())
                        || a.to().equals(b.from())
                        || a.to().equals(b.to());
        return one && !twice;
    }

    /** Blind and buried holes may stand over each other. */
    private static boolean isApartInDepth(Hole a, Hole b) {
        return !a.span().isThrough()
                && !b.span().isThrough()
                && (a.span().last() <= b.span().first() || b.span().last() <= a.span().first());
    }

    private Finding finding(List<Hole> group) {
        Hole first = group.get(0);
        Pt at = first.middle();
        boolean one = group.stream().allMatch(h -> h.middle().distance(at) <= SAME_NM);
        boolean equal = group.stream().allMatch(h -> h.diameter() == first.diameter());
        boolean plating = group.stream().map(Hole::plated).distinct().count() > 1;
        boolean row = group.size() >= ROW && equal && !one && !plating;
        FindingBuilder b =
                new FindingBuilder(id())
                        .layers(first.plated() ? "plated-holes" : "unplated-holes")
                        .at(one ? at : at.middle(group.get(1).middle()))
                        .alsoAt(group.stream().map(Hole::middle).toList())
                        .count(group.size(), 1, "holes");
        if (row) {
            return b.severity(Severity.NOTE)
                    .say(
                            group.size()
                                    + " holes of "
                                    + Length.text(first.diameter())
                                    + " overlap in a row: a slot drilled hole by hole. Most shops"
                                    + " rout it; a slot in the drill file is safer.");
        }
        if (plating) {
            return b.say(
                    "A plated and an unplated hole stand on the same place. The shop cannot know"
                            + " which one is meant. Delete one of them.");
        }
        if (one && equal) {
            return b.severity(Severity.LOOK)
                    .say(
                            group.size()
                                    + " equal holes stand on the same place. The second stroke"
                                    + " may break the drill. Delete the spare ones.");
        }
        return b.say(
                (one ? "Holes of different size stand on the same place" : "Holes overlap here")
                        + ". The drill runs off and breaks. Delete one or move them apart.");
    }
}
