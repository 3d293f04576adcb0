package dev.lastcut.core.touch.picture;

import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;

/** The area that a drawing stands for. */
final class ArtShape {
    private ArtShape() {}

    static Geometry of(Drawing drawing, double width, double least) {
        Envelope e = drawing.extent();
        double factor = width > 0 && e.getWidth() > 0 ? width / e.getWidth() : 1;
        AffineTransformation sized = AffineTransformation.scaleInstance(factor, factor);
        List<Geometry> closed = new ArrayList<>();
        List<Geometry> lines = new ArrayList<>();
        for (List<Segment> path : paths(drawing.segments())) {
            Coordinate[] c = Flattener.FINE.polyline(path);
            boolean ring = c.length > 3 && c[0].distance(c[c.length - 1]) < 1_000;
            if (ring) {
                c[c.length - 1] = c[0].copy();
                closed.add(rounded(sized.transform(Rings.fill(c))));
            } else {
                LineString line = Geo.FACTORY.createLineString(c);
                lines.add(Geo.offset(sized.transform(line), least / 2, 250));
            }
        }
        // Even-odd: what lies within an even number of paths is a hole.
        Geometry filled = nested(closed);
        Geometry all = lines.isEmpty() ? filled : Geo.union(filled, Geo.union(lines));
        return thickened(all, least);
    }

    /** Larger ones first: each path adds what was empty and empties what was filled. */
    private static Geometry nested(List<Geometry> closed) {
        List<Geometry> sorted = new ArrayList<>(closed);
        sorted.removeIf(Geometry::isEmpty);
        sorted.sort((a, b) -> Double.compare(b.getArea(), a.getArea()));
        Geometry all = Geo.empty();
        for (Geometry g : sorted) {
            all = all.isEmpty() ? g : Geo.symmetricDifference(all, g);
        }
        return all;
    }

    /** What is thinner than a stroke may be is drawn as thick as one. */
    private static Geometry thickened(Geometry g, double least) {
        if (g.isEmpty()) {
            return g;
        }
        // What is just as thick as a stroke is thick enough.
        Geometry core = Geo.offset(g, 1_000 - least / 2, 250);
        Geometry opened = core.isEmpty() ? Geo.empty() : Geo.offset(core, least / 2 + 500, 250);
        List<Geometry> parts = new ArrayList<>(List.of(rounded(g)));
        for (Polygon thin : Geo.polygons(Geo.difference(g, opened))) {
            // What opening takes off a right corner is a twentieth of the square of the width.
            if (thin.getArea() > least * least / 4) {
                parts.add(rounded(Geo.offset(thin, least / 2, 250)));
            }
        }
        return Geo.union(parts);
    }

    private static Geometry rounded(Geometry g) {
        return Geo.union(g, Geo.empty());
    }

    /** Consecutive segments that share their ends. */
    private static List<List<Segment>> paths(List<Segment> all) {
        List<List<Segment>> paths = new ArrayList<>();
        List<Segment> now = new ArrayList<>();
        Pt start = null;
        for (Segment s : all) {
            boolean goesOn =
                    !now.isEmpty()
                            && now.get(now.size() - 1).to().equals(s.from())
                            && !s.from().equals(start);
            if (!goesOn) {
                now = new ArrayList<>();
                paths.add(now);
                start = s.from();
            }
            now.add(s);
        }
        return paths;
    }
}
