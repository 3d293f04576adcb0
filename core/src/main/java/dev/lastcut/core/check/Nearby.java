package dev.lastcut.core.check;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.UnionFind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.hprtree.HPRtree;

/** Puts what lies near each other into one group, so that one place gives one finding. */
public final class Nearby {
    private Nearby() {}

    /** Groups of things whose boxes come within {@code reachNm}, directly or through others. */
    public static <T> List<List<T>> groups(
            List<T> things, Function<T, Envelope> box, double reachNm) {
        UnionFind sets = new UnionFind(things.size());
        HPRtree tree = new HPRtree();
        for (int i = 0; i < things.size(); i++) {
            tree.insert(box.apply(things.get(i)), i);
        }
        if (!things.isEmpty()) {
            tree.build();
        }
        for (int i = 0; i < things.size(); i++) {
            Envelope reach = Geo.expanded(box.apply(things.get(i)), reachNm);
            int self = i;
            tree.query(
                    reach,
                    o -> {
                        if (box.apply(things.get((Integer) o)).intersects(reach)) {
                            sets.union(self, (Integer) o);
                        }
                    });
        }
        Map<Integer, List<T>> groups = new LinkedHashMap<>();
        for (int i = 0; i < things.size(); i++) {
            groups.computeIfAbsent(sets.find(i), k -> new ArrayList<>()).add(things.get(i));
        }
        return new ArrayList<>(groups.values());
    }
}
