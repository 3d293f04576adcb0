package dev.lastcut.core.compare;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.hprtree.HPRtree;

/**
 * What one picture has that another lacks. Pieces that both have are set aside first, so a small
 * change to a large board costs little.
 */
record PictureDifference(Geometry added, Geometry removed) {
    /** Slivers thinner than twice this come from rounding in another file format: 1 µm. */
    private static final double SLIVER_NM = 1_000;

    static PictureDifference between(List<Piece> before, List<Piece> after) {
        Map<Object, Integer> count = new HashMap<>();
        before.forEach(p -> count.merge(key(p), 1, Integer::sum));
        List<Piece> onlyAfter = new ArrayList<>();
        for (Piece p : after) {
            if (count.merge(key(p), -1, Integer::sum) < 0) {
                onlyAfter.add(p);
            }
        }
        Map<Object, Integer> left = new HashMap<>();
        after.forEach(p -> left.merge(key(p), 1, Integer::sum));
        List<Piece> onlyBefore = new ArrayList<>();
        for (Piece p : before) {
            if (left.merge(key(p), -1, Integer::sum) < 0) {
                onlyBefore.add(p);
            }
        }
        return new PictureDifference(minus(onlyAfter, before), minus(onlyBefore, after));
    }

    /** Equal for pieces of the same shape in the same place. */
    private static Object key(Piece p) {
        Feature f = p.feature();
        if (p.isWhole() && f instanceof Feature.Flash x) {
            return List.of(x.aperture(), x.at(), x.orientation());
        }
        if (p.isWhole() && f instanceof Feature.Stroke x && x.path() instanceof Segment.Line) {
            return List.of(x.aperture(), x.path(), x.orientation());
        }
        return Arrays.asList(p.polygon().getCoordinates());
    }

    private static Geometry minus(List<Piece> some, List<Piece> others) {
        if (some.isEmpty()) {
            return Geo.empty();
        }
        HPRtree tree = new HPRtree();
        others.forEach(p -> tree.insert(p.envelope(), p));
        List<Polygon> found = new ArrayList<>();
        for (Polygon p : Geo.polygons(Geo.union(some.stream().map(Piece::polygon).toList()))) {
            List<Geometry> cover = new ArrayList<>();
            for (Object o : tree.query(p.getEnvelopeInternal())) {
                cover.add(Geo.clip(((Piece) o).polygon(), p.getEnvelopeInternal()));
            }
            Geometry rest = Geo.difference(p, Geo.union(cover));
            Geo.eachPolygon(
                    rest,
                    q -> {
                        if (!Geo.offset(q, -SLIVER_NM, SLIVER_NM / 4).isEmpty()) {
                            found.add(q);
                        }
                    });
        }
        return Geo.collected(found);
    }
}
