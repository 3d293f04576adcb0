package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;

/**
 * The edge of the board: one outer contour, the cut-outs inside it, and the gaps found in either.
 *
 * @param outer closed path, empty when none closes
 * @param cutouts closed paths inside the outer one
 * @param gaps places where an end finds no other within the joining tolerance
 * @param others closed paths that are neither: they lie outside the outer one or upon it
 * @param repeated strokes that were drawn before, along just the same way
 */
public record Outline(
        List<Segment> outer,
        List<List<Segment>> cutouts,
        List<Gap> gaps,
        List<List<Segment>> others,
        List<Segment> repeated) {
    public Outline {
        outer = List.copyOf(outer);
        cutouts = cutouts.stream().map(List::copyOf).toList();
        gaps = List.copyOf(gaps);
        others = others.stream().map(List::copyOf).toList();
        repeated = List.copyOf(repeated);
    }

    /** Two loose ends that face each other. */
    public record Gap(Pt from, Pt to) {
        public double nm() {
            return from.distance(to);
        }
    }

    public boolean isClosed() {
        return !outer.isEmpty() && gaps.isEmpty();
    }

    /** The board's area with its cut-outs taken away; empty without a closed contour. */
    public Geometry area(Flattener flattener) {
        if (outer.isEmpty()) {
            return Geo.empty();
        }
        List<Geometry> holes = new ArrayList<>();
        for (List<Segment> cutout : cutouts) {
            holes.add(Rings.fill(flattener.polyline(cutout)));
        }
        return Geo.difference(Rings.fill(flattener.polyline(outer)), Geo.union(holes));
    }
}
