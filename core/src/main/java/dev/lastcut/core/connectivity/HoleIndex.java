package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.hprtree.HPRtree;

/** The holes of a board, plated or not, found by place. */
public final class HoleIndex {
    private final List<Hole> holes;
    private final HPRtree tree = new HPRtree();

    HoleIndex(List<Hole> holes) {
        this.holes = holes;
        for (int i = 0; i < holes.size(); i++) {
            tree.insert(box(holes.get(i)), i);
        }
        if (!holes.isEmpty()) {
            tree.build();
        }
    }

    /** The box around a hole's wall. */
    public static Envelope box(Hole h) {
        return Geo.expanded(
                new Envelope(h.from().x(), h.to().x(), h.from().y(), h.to().y()),
                h.diameter() / 2.0);
    }

    /** The holes whose boxes meet the given one, by index. */
    public List<Integer> near(Envelope e) {
        List<Integer> found = new ArrayList<>();
        if (!holes.isEmpty()) {
            tree.query(
                    e,
                    o -> {
                        if (box(holes.get((Integer) o)).intersects(e)) {
                            found.add((Integer) o);
                        }
                    });
        }
        found.sort(null);
        return found;
    }

    /** The holes that take a place away, by index. */
    public List<Integer> at(Pt p) {
        List<Integer> found = new ArrayList<>();
        for (int i : near(new Envelope(p.coordinate()))) {
            Hole h = holes.get(i);
            double d = h.core().distance(Geo.point(p));
            if (d <= h.diameter() / 2.0) {
                found.add(i);
            }
        }
        return found;
    }
}
