package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.check.Openings;
import dev.lastcut.core.check.Openings.Figures;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Whether paste leaves the openings of a stencil: each pane by the ratios of IPC-7525 (from
 * memory), its area by that of its wall and its width by the foil's thickness.
 */
public final class Release {
    /** Least area by area of the wall. */
    public static final double AREA_RATIO = 0.66;

    /** Least width by thickness. */
    public static final double ASPECT = 1.5;

    private final double foilNm;
    private final Map<List<Long>, Figures> known = new HashMap<>();

    public Release(double foilMm) {
        this.foilNm = foilMm * 1e6;
    }

    /**
     * One pane and its ratios.
     *
     * @param mostFoilMm the thickest foil that it releases its paste from
     */
    public record Pane(Polygon shape, double areaRatio, double aspect, double mostFoilMm) {
        /** Half a thousandth is what the flattened figures are true to. */
        private static final double SLACK = 5e-4;

        public boolean fails() {
            return areaRatio < AREA_RATIO - SLACK || aspect < ASPECT - SLACK;
        }
    }

    /** The panes of an opening as it will be cut; none when it is left out. */
    public List<Pane> of(StencilOpening o) {
        return of(o.after());
    }

    /** The panes of any areas. */
    public List<Pane> of(Geometry areas) {
        List<Pane> all = new ArrayList<>();
        Geo.eachPolygon(areas, p -> all.add(pane(p)));
        return all;
    }

    private Pane pane(Polygon p) {
        // Openings of one shape are many, and their figures the same wherever they lie.
        List<Long> likeness =
                List.of(
                        Math.round(p.getArea() / 1e4),
                        Math.round(p.getLength() / 10),
                        (long) p.getNumPoints());
        Figures f = known.computeIfAbsent(likeness, k -> Openings.figuresOf(p));
        double areaRatio = f.area() / (f.perimeter() * foilNm);
        double aspect = f.width().nm() / foilNm;
        double most =
                Math.min(f.area() / (f.perimeter() * AREA_RATIO), f.width().nm() / ASPECT) / 1e6;
        return new Pane(p, areaRatio, aspect, most);
    }
}
