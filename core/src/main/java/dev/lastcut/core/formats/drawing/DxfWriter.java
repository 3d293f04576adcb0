package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.formats.Decimals;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * Writes contours and circles of an R12 DXF in millimetres, which every reader of the format takes:
 * group codes after the published DXF reference, from memory. Arcs stay arcs, as bulges of
 * polylines.
 */
public final class DxfWriter {
    /** A vertex in nm and the tangent of a quarter of the angle to the next; 0 for a line. */
    private record Vertex(double x, double y, double bulge) {}

    /** A contour, closed but for a line of two, or a circle where there is a radius. */
    private record Shape(List<Vertex> ring, double radius) {}

    private final Map<String, List<Shape>> layers = new LinkedHashMap<>();

    /** Adds areas, nm, on a layer; empty ones are left out. */
    public DxfWriter layer(String name, Geometry areas) {
        Geo.eachPolygon(
                areas,
                p -> {
                    ring(name, p.getExteriorRing());
                    for (int i = 0; i < p.getNumInteriorRing(); i++) {
                        ring(name, p.getInteriorRingN(i));
                    }
                });
        return this;
    }

    /** Adds a closed path. */
    public DxfWriter path(String name, List<Segment> closed) {
        if (closed.size() == 1 && closed.get(0) instanceof Segment.Arc a) {
            return circle(name, a.centerX(), a.centerY(), a.startRadius());
        }
        List<Vertex> ring = new ArrayList<>();
        for (Segment s : closed) {
            double bulge = s instanceof Segment.Arc a ? Math.tan(a.sweep() / 4) : 0;
            ring.add(new Vertex(s.from().x(), s.from().y(), bulge));
        }
        return add(name, new Shape(ring, 0));
    }

    public DxfWriter circle(String name, double x, double y, double radius) {
        return add(name, new Shape(List.of(new Vertex(x, y, 0)), radius));
    }

    public DxfWriter line(String name, Pt from, Pt to) {
        return add(
                name,
                new Shape(
                        List.of(new Vertex(from.x(), from.y(), 0), new Vertex(to.x(), to.y(), 0)),
                        0));
    }

    private void ring(String name, LineString ring) {
        Coordinate[] c = ring.getCoordinates();
        List<Vertex> all = new ArrayList<>();
        for (int i = 0; i < c.length - 1; i++) {
            all.add(new Vertex(c[i].x, c[i].y, 0));
        }
        add(name, new Shape(all, 0));
    }

    private DxfWriter add(String name, Shape shape) {
        layers.computeIfAbsent(name, k -> new ArrayList<>()).add(shape);
        return this;
    }

    public byte[] write() {
        StringBuilder out = new StringBuilder();
        pair(out, 0, "SECTION");
        pair(out, 2, "HEADER");
        pair(out, 9, "$ACADVER");
        pair(out, 1, "AC1009");
        pair(out, 9, "$INSUNITS");
        pair(out, 70, "4");
        pair(out, 0, "ENDSEC");
        pair(out, 0, "SECTION");
        pair(out, 2, "TABLES");
        pair(out, 0, "TABLE");
        pair(out, 2, "LAYER");
        pair(out, 70, String.valueOf(layers.size()));
        for (String name : layers.keySet()) {
            pair(out, 0, "LAYER");
            pair(out, 2, name);
            pair(out, 70, "0");
            pair(out, 62, "7");
            pair(out, 6, "CONTINUOUS");
        }
        pair(out, 0, "ENDTAB");
        pair(out, 0, "ENDSEC");
        pair(out, 0, "SECTION");
        pair(out, 2, "ENTITIES");
        layers.forEach((name, shapes) -> shapes.forEach(s -> shape(out, name, s)));
        pair(out, 0, "ENDSEC");
        pair(out, 0, "EOF");
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static void shape(StringBuilder out, String layer, Shape shape) {
        if (shape.radius > 0) {
            pair(out, 0, "CIRCLE");
            pair(out, 8, layer);
            place(out, shape.ring.get(0));
            pair(out, 40, mm(shape.radius));
            return;
        }
        pair(out, 0, "POLYLINE");
        pair(out, 8, layer);
        pair(out, 66, "1");
        pair(out, 70, shape.ring.size() > 2 || shape.ring.get(0).bulge != 0 ? "1" : "0");
        for (Vertex v : shape.ring) {
            pair(out, 0, "VERTEX");
            pair(out, 8, layer);
            place(out, v);
            if (v.bulge != 0) {
                pair(out, 42, String.format(Locale.ROOT, "%.12f", v.bulge));
            }
        }
        pair(out, 0, "SEQEND");
        pair(out, 8, layer);
    }

    private static void place(StringBuilder out, Vertex v) {
        pair(out, 10, mm(v.x));
        pair(out, 20, mm(v.y));
    }

    private static String mm(double nm) {
        return Decimals.mm(new StringBuilder(), nm, 6).toString();
    }

    private static void pair(StringBuilder out, int code, String value) {
        out.append(code < 10 ? "  " : code < 100 ? " " : "").append(code);
        out.append('\n').append(value).append('\n');
    }
}
