package dev.lastcut.core.current;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.densify.Densifier;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;
import org.locationtech.jts.triangulate.DelaunayTriangulationBuilder;
import org.locationtech.jts.triangulate.quadedge.Vertex;

/**
 * A mesh of triangles over a shape: close along its edge and round the areas that matter, wider
 * inside (Delaunay triangulation of the geometry library).
 */
record Triangles(List<Coordinate> places, List<int[]> triangles) {
    /** Triangles may grow by this share of their distance from the edge. */
    private static final double GROWTH = 0.8;

    /** Along the edges; a large pour is meshed coarser than a track. */
    private static final int MOST_ON_EDGE = 6_000;

    /**
     * Outlines are simplified by this share of a step: 2 µm for a track of a quarter millimetre.
     */
    private static final double SIMPLER = 1.0 / 30;

    /** Triangles flatter than this carry nothing and spoil the solution: height by longest side. */
    private static final double FLAT = 0.004;

    /** How much of the area the mesh may miss. */
    private static final double MISSED = 0.01;

    static Triangles of(Geometry shape, List<Geometry> close, double step) {
        double finer = step;
        Triangles best = null;
        for (int attempt = 0; attempt < 2; attempt++) {
            Triangles t = mesh(shape, close, finer);
            best = t;
            if (Math.abs(t.area() - shape.getArea()) <= MISSED * shape.getArea()) {
                return t;
            }
            finer /= 2;
        }
        return best;
    }

    private static Triangles mesh(Geometry whole, List<Geometry> close, double step) {
        double s = Math.max(step, whole.getLength() / MOST_ON_EDGE);
        // Chords much shorter than a step say nothing to the current.
        Geometry shape = TopologyPreservingSimplifier.simplify(whole, s * SIMPLER);
        Set<Coordinate> sites = new LinkedHashSet<>();
        addEdge(shape, s, sites);
        var inside = new IndexedPointInAreaLocator(shape);
        for (Geometry c : close) {
            Set<Coordinate> ring = new LinkedHashSet<>();
            addEdge(TopologyPreservingSimplifier.simplify(c, s * SIMPLER), s, ring);
            ring.removeIf(p -> inside.locate(p) == Location.EXTERIOR);
            sites.addAll(ring);
        }
        IndexedFacetDistance edge = new IndexedFacetDistance(shape.getBoundary());
        fill(shape.getEnvelopeInternal(), inside, edge, s, sites);
        DelaunayTriangulationBuilder builder = new DelaunayTriangulationBuilder();
        builder.setSites(new ArrayList<>(sites));
        List<Coordinate> places = new ArrayList<>();
        Map<Coordinate, Integer> number = new HashMap<>();
        List<int[]> triangles = new ArrayList<>();
        for (Object o : builder.getSubdivision().getTriangleVertices(false)) {
            Vertex[] v = (Vertex[]) o;
            Coordinate middle =
                    new Coordinate(
                            (v[0].getX() + v[1].getX() + v[2].getX()) / 3,
                            (v[0].getY() + v[1].getY() + v[2].getY()) / 3);
            if (!isFlat(v) && inside.locate(middle) == Location.INTERIOR) {
                int[] t = new int[3];
                for (int i = 0; i < 3; i++) {
                    Coordinate c = v[i].getCoordinate();
                    t[i] =
                            number.computeIfAbsent(
                                    c,
                                    k -> {
                                        places.add(k);
                                        return places.size() - 1;
                                    });
                }
                triangles.add(t);
            }
        }
        return new Triangles(places, triangles);
    }

    private static boolean isFlat(Vertex[] v) {
        double ux = v[1].getX() - v[0].getX();
        double uy = v[1].getY() - v[0].getY();
        double wx = v[2].getX() - v[0].getX();
        double wy = v[2].getY() - v[0].getY();
        double longest =
                Math.max(
                        Math.max(ux * ux + uy * uy, wx * wx + wy * wy),
                        (ux - wx) * (ux - wx) + (uy - wy) * (uy - wy));
        return Math.abs(ux * wy - uy * wx) < FLAT * longest;
    }

    private static void addEdge(Geometry g, double step, Set<Coordinate> sites) {
        for (Coordinate c : Densifier.densify(g, step).getCoordinates()) {
            sites.add(new Coordinate(c.x, c.y));
        }
    }

    /** A quadtree whose cells grow with the distance from the edge; a place in each. */
    private static void fill(
            Envelope cell,
            IndexedPointInAreaLocator inside,
            IndexedFacetDistance edge,
            double step,
            Set<Coordinate> sites) {
        double size = Math.max(cell.getWidth(), cell.getHeight());
        Coordinate middle = cell.centre();
        double d = edge.distance(Geo.FACTORY.createPoint(middle));
        boolean within = inside.locate(middle) == Location.INTERIOR;
        if (!within && d > size) {
            return;
        }
        boolean square = size < 1.5 * Math.min(cell.getWidth(), cell.getHeight());
        if (square && size <= Math.max(step, within ? GROWTH * d : 0)) {
            if (within && d > 0.5 * step) {
                sites.add(middle);
            }
            return;
        }
        int columns = square || cell.getWidth() > cell.getHeight() ? 2 : 1;
        int rows = square || cell.getHeight() >= cell.getWidth() ? 2 : 1;
        double w = cell.getWidth() / columns;
        double h = cell.getHeight() / rows;
        for (int i = 0; i < columns; i++) {
            for (int k = 0; k < rows; k++) {
                double x = cell.getMinX() + i * w;
                double y = cell.getMinY() + k * h;
                fill(new Envelope(x, x + w, y, y + h), inside, edge, step, sites);
            }
        }
    }

    private double area() {
        double sum = 0;
        for (int[] t : triangles) {
            Coordinate a = places.get(t[0]);
            Coordinate b = places.get(t[1]);
            Coordinate c = places.get(t[2]);
            sum += Math.abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)) / 2;
        }
        return sum;
    }
}
