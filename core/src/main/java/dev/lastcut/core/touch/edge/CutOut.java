package dev.lastcut.core.touch.edge;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Areas;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * A place that is cut out of the board: a polygon, or a circle. Lengths in nm.
 *
 * @param corners of the polygon; the middle alone for a circle
 * @param diameter of the circle; 0 for a polygon
 */
public record CutOut(List<Pt> corners, double diameter) {
    public CutOut {
        corners = List.copyOf(corners);
        Sizes.notBelow0("cut_out.diameter_mm", diameter);
        if (diameter > 0 ? corners.size() != 1 : corners.size() < 3) {
            throw new IllegalArgumentException(
                    "cut_out: a polygon of three corners or more, or the middle and diameter_mm of"
                            + " a circle");
        }
    }

    String words() {
        return diameter > 0
                ? "a round cut-out of " + Length.shortMm(Length.toMm(diameter)) + " mm"
                : "a cut-out of " + corners.size() + " corners";
    }

    Pt middle() {
        return corners.get(0);
    }

    double area() {
        return diameter > 0
                ? Math.PI * diameter * diameter / 4
                : Geo.FACTORY.createPolygon(Features.ring(corners)).getArea();
    }

    /**
     * @throws NotDone when it crosses itself, lies off the board, or would cut it in two
     */
    Outline in(Outline board) throws NotDone {
        Geometry shape =
                diameter > 0
                        ? Flattener.FINE.disc(middle().x(), middle().y(), diameter / 2)
                        : Areas.drawn(corners, "The cut-out");
        Geometry whole = board.area(Flattener.FINE);
        Geometry outer = Rings.fill(Flattener.FINE.polyline(board.outer()));
        if (!whole.intersects(shape)) {
            throw new NotDone("The cut-out lies off the board", middle());
        }
        if (shape.covers(whole)) {
            throw new NotDone("The cut-out takes all of the board", middle());
        }
        boolean within = outer.covers(shape) && !outer.getBoundary().intersects(shape);
        boolean meetsOthers = !whole.covers(shape) && within;
        if (within && !meetsOthers) {
            List<List<Segment>> all = new ArrayList<>(board.cutouts());
            all.add(path());
            return new Outline(board.outer(), all, List.of(), List.of(), List.of());
        }
        // It opens into the edge or into another cut-out: the contours are those of what is left.
        List<Polygon> left = Geo.polygons(Geo.difference(whole, shape));
        if (left.size() != 1) {
            throw new NotDone("The cut-out would cut the board in two", middle());
        }
        Polygon p = left.get(0);
        List<List<Segment>> holes = new ArrayList<>();
        for (int i = 0; i < p.getNumInteriorRing(); i++) {
            holes.add(Features.path(p.getInteriorRingN(i).getCoordinates()));
        }
        return new Outline(
                Features.path(p.getExteriorRing().getCoordinates()),
                holes,
                List.of(),
                List.of(),
                List.of());
    }

    private List<Segment> path() {
        if (diameter > 0) {
            Pt start = new Pt(middle().x() + Math.round(diameter / 2), middle().y());
            Pt end = new Pt(middle().x() - Math.round(diameter / 2), middle().y());
            return List.of(
                    new Segment.Arc(start, end, middle().x(), middle().y(), false),
                    new Segment.Arc(end, start, middle().x(), middle().y(), false));
        }
        return Features.path(Features.ring(corners));
    }
}
