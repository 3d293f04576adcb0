package dev.lastcut.core.formats.solid;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Closed surfaces of triangles, counter-clockwise as seen from outside. Lengths in nm. */
public final class Mesh {
    /** One triangle, nine numbers: x, y and z of its corners. */
    private final List<double[]> triangles = new ArrayList<>();

    public List<double[]> triangles() {
        return triangles;
    }

    /** The same triangles, to add to. */
    public Mesh copy() {
        Mesh other = new Mesh();
        other.triangles.addAll(triangles);
        return other;
    }

    private record Edge(double ax, double ay, double bx, double by) {
        Edge back() {
            return new Edge(bx, by, ax, ay);
        }
    }

    /**
     * Adds what an area makes when it is drawn up from one height to another. Floor and ceiling
     * have the same corners as the walls, so that every edge lies in two triangles.
     */
    public Mesh prism(Polygon area, double floor, double ceiling) {
        Set<Edge> edges = new LinkedHashSet<>();
        for (Polygon strip : Strips.of(area)) {
            Geometry flat = PolygonTriangulator.triangulate(strip);
            for (int i = 0; i < flat.getNumGeometries(); i++) {
                Coordinate[] c = flat.getGeometryN(i).getCoordinates();
                boolean left = turn(c[0], c[1], c[2]) > 0;
                Coordinate b = left ? c[1] : c[2];
                Coordinate d = left ? c[2] : c[1];
                add(c[0], ceiling, b, ceiling, d, ceiling);
                add(c[0], floor, d, floor, b, floor);
            }
            ring(strip.getExteriorRing(), true, edges);
            for (int i = 0; i < strip.getNumInteriorRing(); i++) {
                ring(strip.getInteriorRingN(i), false, edges);
            }
        }
        for (Edge e : edges) {
            // Where two strips meet, the edge runs both ways and there is no wall.
            if (!edges.contains(e.back())) {
                Coordinate a = new Coordinate(e.ax, e.ay);
                Coordinate b = new Coordinate(e.bx, e.by);
                add(a, floor, b, floor, b, ceiling);
                add(a, floor, b, ceiling, a, ceiling);
            }
        }
        return this;
    }

    /** With the material at the left, so that walls face away from it. */
    private static void ring(LineString ring, boolean outer, Set<Edge> edges) {
        Coordinate[] c = ring.getCoordinates();
        boolean forward = Orientation.isCCW(c) == outer;
        for (int i = 0; i < c.length - 1; i++) {
            Coordinate a = forward ? c[i] : c[i + 1];
            Coordinate b = forward ? c[i + 1] : c[i];
            edges.add(new Edge(a.x, a.y, b.x, b.y));
        }
    }

    private static double turn(Coordinate a, Coordinate b, Coordinate c) {
        return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
    }

    private void add(Coordinate a, double az, Coordinate b, double bz, Coordinate c, double cz) {
        triangles.add(new double[] {a.x, a.y, az, b.x, b.y, bz, c.x, c.y, cz});
    }

    /** What it encloses, nm³, by the divergence theorem. */
    public double volume() {
        double sum = 0;
        for (double[] t : triangles) {
            sum +=
                    t[0] * (t[4] * t[8] - t[5] * t[7])
                            - t[1] * (t[3] * t[8] - t[5] * t[6])
                            + t[2] * (t[3] * t[7] - t[4] * t[6]);
        }
        return sum / 6;
    }
}
