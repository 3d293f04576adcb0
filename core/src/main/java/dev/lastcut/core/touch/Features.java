package dev.lastcut.core.touch;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.HoleJoiner;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** Makes what touches draw. */
public final class Features {
    /** What overlays leave that is smaller than a square micrometre is none. */
    private static final double DUST_NM2 = 1e6;

    /** The name of the file that holes and contours of touches are of. */
    public static final String FILE = "touch-up";

    private Features() {}

    /**
     * Areas as filled contours. Holes are reached by cut-ins, lines that are run along both ways
     * (Gerber specification, "Contours with cut-ins"), so that one contour holds each polygon.
     */
    public static List<Feature> regions(Geometry areas, ObjectAttributes says) {
        List<Feature> all = new ArrayList<>();
        Geo.eachPolygon(
                areas,
                p -> {
                    if (p.getArea() >= DUST_NM2) {
                        all.add(region(p, says));
                    }
                });
        return all;
    }

    private static Feature region(Polygon p, ObjectAttributes says) {
        return new Feature.Region(List.of(path(HoleJoiner.join(p))), true, 0, says);
    }

    /** A closed ring as straight segments. */
    public static List<Segment> path(Coordinate[] ring) {
        List<Segment> path = new ArrayList<>();
        Pt last = Pt.of(ring[0]);
        for (int i = 1; i < ring.length; i++) {
            Pt next = Pt.of(ring[i]);
            if (!next.equals(last)) {
                path.add(new Segment.Line(last, next));
            }
            last = next;
        }
        return path;
    }

    public static Feature stroke(Segment path, double width, ObjectAttributes says) {
        return new Feature.Stroke(
                new Aperture.Circle(width, 0), path, Orientation.NONE, true, 0, says);
    }

    public static Feature disc(Pt at, double diameter, ObjectAttributes says) {
        return new Feature.Flash(
                new Aperture.Circle(diameter, 0), at, Orientation.NONE, true, 0, says);
    }

    /** A closed polygon of the given corners; may cross itself. */
    public static Coordinate[] ring(List<Pt> corners) {
        Coordinate[] ring = new Coordinate[corners.size() + 1];
        for (int i = 0; i < corners.size(); i++) {
            ring[i] = corners.get(i).coordinate();
        }
        ring[corners.size()] = ring[0].copy();
        return ring;
    }
}
