package dev.lastcut.core.cut;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PlacedBoard;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.openings.Stencil;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFilter;
import org.locationtech.jts.geom.Polygon;

/**
 * The stencil of one side, of a board or of a whole panel.
 *
 * @param area what is cut out, nm
 * @param features the same as a picture
 * @param what it is, for people
 */
record StencilSheet(
        Side side, Geometry area, List<Feature> features, String what, List<String> remarks) {

    static StencilSheet of(BoardGeometry geometry, Stencil s, StencilPlan plan) {
        Layer layer = s.layer(geometry.board().layer(s.role()));
        return new StencilSheet(
                s.side(), s.area(), layer.features(), purpose(s, plan), s.remarks());
    }

    private static String purpose(Stencil s, StencilPlan plan) {
        long shaped = s.cut().stream().filter(o -> o.isChanged()).count();
        return "stencil openings, "
                + s.side().word()
                + (s.without().isEmpty() ? "" : ", without " + Designators.fold(s.without()))
                + (shaped == 0 ? "" : ", " + shaped + " of " + s.cut().size() + " shaped")
                + (plan.mounting().framed() ? ", to be framed" : "");
    }

    /**
     * The stencils of a panel: each board's own where it lies.
     *
     * @param of the stencils of a board
     */
    static Map<Side, StencilSheet> ofPanel(
            Panel panel, Function<PlacedBoard, Map<Side, StencilSheet>> of) {
        Map<Object, Map<Side, StencilSheet>> known = new HashMap<>();
        Map<Side, StencilSheet> all = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            List<Polygon> areas = new ArrayList<>();
            List<Feature> features = new ArrayList<>();
            Set<String> remarks = new LinkedHashSet<>();
            String what = "";
            for (PlacedBoard b : panel.boards()) {
                StencilSheet own = known.computeIfAbsent(b.source(), k -> of.apply(b)).get(side);
                if (own == null) {
                    continue;
                }
                b.onPanel(own.area).apply(polygons(areas));
                b.source()
                        .near(own.features)
                        .forEach(f -> features.add(f.placed(b.orientation(), b.shift(), true)));
                remarks.addAll(own.remarks);
                what = what.isEmpty() ? own.what : what;
            }
            if (!areas.isEmpty()) {
                Geometry area = Geo.collected(areas);
                all.put(side, new StencilSheet(side, area, features, what, List.copyOf(remarks)));
            }
        }
        return all;
    }

    private static GeometryFilter polygons(List<Polygon> out) {
        return g -> {
            if (g instanceof Polygon p && !p.isEmpty()) {
                out.add(p);
            }
        };
    }
}
