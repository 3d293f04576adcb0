package dev.lastcut.server.api;

import dev.lastcut.core.board.Layer;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/** A layer's polygons, free of overlaps, packed for the wire. */
final class LayerBytes {
    private record NetPolygon(int net, Polygon polygon) {}

    /** What a screen cannot show: half the chord error allowed there. */
    private static final double SCREEN_NM = 2_500;

    private LayerBytes() {}

    static byte[] of(BoardGeometry geometry, Layer layer) {
        List<NetPolygon> polygons = new ArrayList<>();
        if (layer.role().isCopper()) {
            int index = geometry.board().copper().indexOf(layer);
            Map<Integer, List<Polygon>> byNet = new TreeMap<>();
            for (CopperNode n : geometry.nets().nodes()) {
                if (n.layer() == index) {
                    byNet.computeIfAbsent(n.net(), k -> new ArrayList<>()).add(n.polygon());
                }
            }
            byNet.forEach(
                    (net, parts) ->
                            Geo.eachPolygon(
                                    Geo.union(parts), p -> polygons.add(new NetPolygon(net, p))));
        } else {
            Geo.eachPolygon(geometry.area(layer.role()), p -> polygons.add(new NetPolygon(-1, p)));
        }
        return pack(polygons);
    }

    private static NetPolygon coarser(NetPolygon p) {
        Geometry simple = DouglasPeuckerSimplifier.simplify(p.polygon(), SCREEN_NM);
        return simple instanceof Polygon polygon && !polygon.isEmpty()
                ? new NetPolygon(p.net(), polygon)
                : p;
    }

    private static byte[] pack(List<NetPolygon> polygons) {
        int size = 1;
        List<NetPolygon> coarse = polygons.stream().map(LayerBytes::coarser).toList();
        for (NetPolygon p : coarse) {
            size += 2 + (1 + p.polygon().getNumInteriorRing()) + 2 * p.polygon().getNumPoints();
        }
        ByteBuffer out = ByteBuffer.allocate(size * 4).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(coarse.size());
        for (NetPolygon p : coarse) {
            out.putInt(p.net()).putInt(1 + p.polygon().getNumInteriorRing());
            ring(p.polygon().getExteriorRing(), out);
            for (int i = 0; i < p.polygon().getNumInteriorRing(); i++) {
                ring(p.polygon().getInteriorRingN(i), out);
            }
        }
        return out.array();
    }

    private static void ring(LineString ring, ByteBuffer out) {
        Coordinate[] points = ring.getCoordinates();
        out.putInt(points.length);
        for (Coordinate c : points) {
            out.putInt((int) Math.rint(c.x)).putInt((int) Math.rint(c.y));
        }
    }
}
