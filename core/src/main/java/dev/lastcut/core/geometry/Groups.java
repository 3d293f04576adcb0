package dev.lastcut.core.geometry;

import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.hprtree.HPRtree;

/** Parts geometries into groups that cannot touch each other. */
public final class Groups {
    /** Above this many points, boxes that meet are taken as meeting. */
    private static final int LARGE = 300;

    private Groups() {}

    private static boolean mayTouch(Geometry a, Geometry b) {
        boolean boxes = a.getEnvelopeInternal().intersects(b.getEnvelopeInternal());
        boolean large = a.getNumPoints() > LARGE || b.getNumPoints() > LARGE;
        return boxes && (large || a.intersects(b));
    }

    /** Geometries are of one group when they meet, directly or through others. */
    public static List<List<Geometry>> touching(Collection<? extends Geometry> parts) {
        return grouped(new ArrayList<>(parts), 0, Groups::mayTouch);
    }

    /**
     * Those are of one group whose boxes, grown by the distance, meet directly or through others.
     */
    static <G extends Geometry> List<List<G>> within(List<G> parts, double distanceNm) {
        return grouped(parts, distanceNm, (a, b) -> true);
    }

    private static <G extends Geometry> List<List<G>> grouped(
            List<G> all, double grown, BiPredicate<G, G> meet) {
        UnionFind sets = new UnionFind(all.size());
        HPRtree tree = new HPRtree();
        for (int i = 0; i < all.size(); i++) {
            tree.insert(Geo.expanded(all.get(i).getEnvelopeInternal(), grown), i);
        }
        tree.build();
        for (int i = 0; i < all.size(); i++) {
            WorkLimit.ask();
            int self = i;
            tree.query(
                    Geo.expanded(all.get(i).getEnvelopeInternal(), grown),
                    o -> {
                        int j = (Integer) o;
                        if (j > self
                                && sets.find(self) != sets.find(j)
                                && meet.test(all.get(self), all.get(j))) {
                            sets.union(self, j);
                        }
                    });
        }
        Map<Integer, List<G>> groups = new LinkedHashMap<>();
        for (int i = 0; i < all.size(); i++) {
            groups.computeIfAbsent(sets.find(i), k -> new ArrayList<>()).add(all.get(i));
        }
        return new ArrayList<>(groups.values());
    }
}
