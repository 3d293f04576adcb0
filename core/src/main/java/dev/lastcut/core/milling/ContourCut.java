package dev.lastcut.core.milling;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.linearref.LengthIndexedLine;

/** Cuts along closed lines in several depth passes, leaving tabs standing where asked. */
final class ContourCut {
    private static final double CHORD_NM = 1_000;

    private ContourCut() {}

    /** Depths of the passes, each at most {@code perPass}, the last at {@code depth}; all in nm. */
    static List<Double> passes(double depth, double perPass) {
        int n = Math.max(1, (int) Math.ceil(depth / perPass - 1e-9));
        List<Double> result = new ArrayList<>();
        for (int i = 1; i <= n; i++) {
            result.add(depth * i / n);
        }
        return result;
    }

    /** The ring or rings that a tool's centre runs along, outside or inside an area. */
    static List<LineString> rings(Geometry area, double toolRadius, boolean outside) {
        Geometry shifted = Geo.offset(area, outside ? toolRadius : -toolRadius, CHORD_NM);
        List<LineString> rings = new ArrayList<>();
        Geo.eachPolygon(shifted, p -> rings.add(p.getExteriorRing()));
        return rings;
    }

    static ToolPath plain(LineString ring, List<Double> depths) {
        List<ToolPath.Vertex> vertices = new ArrayList<>();
        for (double depth : depths) {
            for (Coordinate c : ring.getCoordinates()) {
                vertices.add(new ToolPath.Vertex(c.x, c.y, -depth));
            }
        }
        return new ToolPath(vertices);
    }

    /**
     * @param middles of the tabs, lengths along the ring, rising
     * @param span length along the path over which the tool stays up: the tab plus the tool
     * @param top the depth it does not go below within a tab
     */
    static ToolPath withTabs(
            LineString ring, List<Double> depths, List<Double> middles, double span, double top) {
        List<ToolPath.Vertex> vertices = new ArrayList<>();
        double length = ring.getLength();
        for (double depth : depths) {
            if (depth <= top) {
                add(ring, 0, length, -depth, vertices);
                continue;
            }
            double at = 0;
            for (double middle : middles) {
                double from = Math.max(at, middle - span / 2);
                double to = Math.min(length, middle + span / 2);
                add(ring, at, from, -depth, vertices);
                add(ring, from, to, -top, vertices);
                at = to;
            }
            add(ring, at, length, -depth, vertices);
        }
        return new ToolPath(vertices);
    }

    private static void add(
            LineString ring, double from, double to, double z, List<ToolPath.Vertex> out) {
        if (to <= from) {
            return;
        }
        Geometry part = new LengthIndexedLine(ring).extractLine(from, to);
        for (Coordinate c : part.getCoordinates()) {
            out.add(new ToolPath.Vertex(c.x, c.y, z));
        }
    }
}
