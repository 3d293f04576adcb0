package dev.lastcut.core.milling;

import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/** Makes tool paths of the lines a tool follows: turned the right way, in a short order, joined. */
final class Routing {
    private Routing() {}

    /**
     * @param barred where the centre may not be, so that paths are joined only across free ground
     * @param depths of the passes, nm below the surface
     * @param copperOnRight which way round the copper the tool travels
     */
    static List<ToolPath> route(
            Isolation.Work work, Geometry barred, List<Double> depths, boolean copperOnRight) {
        List<Coordinate[]> lines =
                work.lines().stream()
                        .map(l -> (copperOnRight ? l : l.reverse()).getCoordinates())
                        .toList();
        PreparedGeometry bar = PreparedGeometryFactory.prepare(barred);
        List<ToolPath> paths = new ArrayList<>();
        List<Coordinate> joined = new ArrayList<>();
        for (Coordinate[] line : TravelOrder.nearest(lines)) {
            if (!joined.isEmpty() && !mayJoin(joined, line[0], 1.2 * work.width(), bar)) {
                addPasses(joined, depths, paths);
                joined = new ArrayList<>();
            }
            for (Coordinate c : line) {
                if (joined.isEmpty() || !joined.get(joined.size() - 1).equals2D(c)) {
                    joined.add(c);
                }
            }
        }
        if (!joined.isEmpty()) {
            addPasses(joined, depths, paths);
        }
        return paths;
    }

    private static boolean mayJoin(
            List<Coordinate> path, Coordinate next, double most, PreparedGeometry bar) {
        Coordinate end = path.get(path.size() - 1);
        double way = end.distance(next);
        if (way == 0) {
            return true;
        }
        if (way > most) {
            return false;
        }
        LineString link = Geo.FACTORY.createLineString(new Coordinate[] {end, next});
        // Both ends lie on the edge of what is barred, give or take a rounding; the middle counts.
        LineString inner = (LineString) shortened(link);
        return !bar.intersects(inner);
    }

    private static Geometry shortened(LineString link) {
        Coordinate a = link.getCoordinateN(0);
        Coordinate b = link.getCoordinateN(1);
        double t = Math.min(0.45, 1_500 / link.getLength());
        return Geo.FACTORY.createLineString(
                new Coordinate[] {between(a, b, t), between(a, b, 1 - t)});
    }

    private static Coordinate between(Coordinate a, Coordinate b, double t) {
        return new Coordinate(a.x + t * (b.x - a.x), a.y + t * (b.y - a.y));
    }

    private static void addPasses(
            List<Coordinate> line, List<Double> depths, List<ToolPath> paths) {
        boolean closed = line.get(0).equals2D(line.get(line.size() - 1));
        List<ToolPath.Vertex> vertices = new ArrayList<>();
        for (double depth : depths) {
            if (!closed && !vertices.isEmpty()) {
                paths.add(new ToolPath(vertices));
                vertices = new ArrayList<>();
            }
            for (Coordinate c : line) {
                vertices.add(new ToolPath.Vertex(c.x, c.y, -depth));
            }
        }
        paths.add(new ToolPath(vertices));
    }
}
