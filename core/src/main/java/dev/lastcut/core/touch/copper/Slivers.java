package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Necks;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Drawn;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Mends necks of filled areas: bridged where there is room, else cut off, where nothing hangs on
 * them. Lengths in nm.
 *
 * @param least narrower is a neck
 */
public record Slivers(double least) implements Touch {
    private static final double SLACK_NM = 700;

    public Slivers {
        Sizes.above("least_mm", least);
    }

    @Override
    public String kind() {
        return "slivers";
    }

    @Override
    public String words() {
        return "Mend necks under " + Length.shortMm(Length.toMm(least)) + " mm";
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Map<Integer, List<Feature>> more = new HashMap<>();
        Map<Integer, Geometry> cut = new HashMap<>();
        List<Pt> bridged = new ArrayList<>();
        List<Pt> taken = new ArrayList<>();
        Drawn made = new Drawn();
        for (CopperNode n : work.nets().nodes()) {
            if (!n.isArea() && n.piece().isWhole()) {
                continue;
            }
            List<Measure> necks = Necks.of(n.polygon(), least - SLACK_NM);
            if (necks.isEmpty()) {
                continue;
            }
            KeepOff off =
                    new KeepOff(
                            work.geometry(),
                            n.layer(),
                            Set.of(n.net()),
                            KeepOff.Distances.of(work.room()),
                            made);
            List<Measure> left = new ArrayList<>();
            for (Measure m : necks) {
                if (off.isFree(off.grown(least, along(m)))) {
                    more.computeIfAbsent(n.layer(), k -> new ArrayList<>())
                            .add(
                                    Features.stroke(
                                            along(m),
                                            least,
                                            work.says(Set.of(n.net()), "Conductor")));
                    bridged.add(m.middle());
                    made.add(n.layer(), n.net(), off.grown(least, along(m)));
                } else {
                    left.add(m);
                }
            }
            if (!left.isEmpty() && n.isArea()) {
                cut.put(n.id(), cut(n.polygon(), left));
                left.forEach(m -> taken.add(m.middle()));
            }
        }
        if (bridged.isEmpty() && taken.isEmpty()) {
            throw new NotDone("No area has a neck under " + Length.text(least));
        }
        return new Change(board(work, more, cut), says(bridged, taken), all(bridged, taken));
    }

    /** A patch of the width wanted, as long as the neck is wide: a brush put down along it. */
    private Segment along(Measure m) {
        return new Segment.Line(m.from(), m.to());
    }

    private Geometry cut(Polygon p, List<Measure> necks) {
        Geometry opened = PourShape.opened(p, least);
        List<Geometry> gone = new ArrayList<>();
        for (Polygon rest : Geo.polygons(Geo.difference(p, opened))) {
            for (Measure m : necks) {
                if (rest.distance(Geo.point(m.middle())) < 1_000) {
                    gone.add(rest);
                    break;
                }
            }
        }
        return gone.isEmpty() ? p : Geo.difference(p, Geo.union(gone));
    }

    private static Board board(
            Work work, Map<Integer, List<Feature>> more, Map<Integer, Geometry> cut) {
        Set<Feature> which = Collections.newSetFromMap(new IdentityHashMap<>());
        cut.keySet().forEach(id -> which.add(work.nets().nodes().get(id).feature()));
        Board board = Redrawn.areas(work, which, n -> cut.getOrDefault(n.id(), n.polygon()));
        return Redrawn.plus(board, more);
    }

    private static String says(List<Pt> bridged, List<Pt> taken) {
        List<String> all = new ArrayList<>();
        if (!bridged.isEmpty()) {
            all.add("bridges " + Change.count(bridged.size(), "neck"));
        }
        if (!taken.isEmpty()) {
            all.add("cuts " + Change.count(taken.size(), "neck") + " off");
        }
        return Change.sentence(List.of(String.join(" and ", all)));
    }

    private static List<Pt> all(List<Pt> a, List<Pt> b) {
        List<Pt> all = new ArrayList<>(a);
        all.addAll(b);
        return all;
    }
}
