package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Makes the openings of the paste larger or smaller, and takes away those that lie over the hole of
 * their pad. Lengths in nm.
 *
 * @param grow how far each edge moves outwards; negative inwards
 * @param offHoles whether openings go whose middle is a hole
 */
public record Paste(double grow, boolean offHoles) implements Touch {
    public Paste {
        Sizes.notBelow0("grow_mm", Math.abs(grow));
        if (grow == 0 && !offHoles) {
            throw new IllegalArgumentException("paste: grow_mm or off_holes");
        }
    }

    @Override
    public String kind() {
        return "paste";
    }

    @Override
    public String words() {
        List<String> all = new ArrayList<>();
        if (grow != 0) {
            all.add(Openings.words(grow));
        }
        if (offHoles) {
            all.add("none over holes");
        }
        return "Paste: " + String.join(", ", all);
    }

    @Override
    public Phase phase() {
        return Phase.MASK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Board board = work.board();
        Set<Integer> vias = new HashSet<>(Pads.vias(work.geometry()));
        List<Pt> gone = new ArrayList<>();
        int resized = 0;
        boolean any = false;
        for (Layer layer : work.board().layers()) {
            if (layer.role().kind() != Role.Kind.PASTE) {
                continue;
            }
            any = true;
            List<Feature> all = new ArrayList<>();
            for (Piece p : work.geometry().pieces(layer.role())) {
                Pt middle = Pt.of(p.envelope().centre());
                if (offHoles && isOverHole(work, p, vias)) {
                    gone.add(middle);
                } else if (grow != 0) {
                    resized++;
                    all.addAll(Openings.grown(p, grow));
                } else {
                    all.addAll(
                            p.isWhole()
                                    ? List.of(p.feature())
                                    : Features.regions(p.polygon(), p.feature().attributes()));
                }
            }
            board = board.with(layer.with(all));
        }
        if (!any) {
            throw new NotDone("The pack has no paste file");
        }
        if (gone.isEmpty() && resized == 0) {
            throw new NotDone(
                    "No opening of the paste lies over the hole of a lead; vias in pads stay");
        }
        List<String> says = new ArrayList<>();
        if (!gone.isEmpty()) {
            says.add("takes away " + Change.count(gone.size(), "opening") + " over holes");
        }
        if (resized > 0) {
            says.add("resizes " + Change.count(resized, "opening"));
        }
        return new Change(board, Change.sentence(says), gone);
    }

    /**
     * Whether the middle of an opening is a hole for a lead, which is soldered otherwise. A via in
     * a pad is another matter: without its paste the part above it would not be soldered at all.
     */
    private static boolean isOverHole(Work work, Piece p, Set<Integer> vias) {
        Pt middle = Pt.of(p.envelope().centre());
        for (int h : work.geometry().holes().at(middle)) {
            Hole hole = work.board().holes().get(h);
            if (!vias.contains(h) && hole.middle().distance(middle) < hole.diameter() / 2.0) {
                return true;
            }
        }
        return false;
    }
}
