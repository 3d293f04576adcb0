package dev.lastcut.server.api;

import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * A layer's pieces packed for the wire. They may overlap: the table paints every spot of a film
 * once. Round pads and straight tracks go as a line with a radius, which is a tenth of the size.
 */
final class LayerBytes {
    private static final int ROUND = -1;

    private record Item(int net, Piece piece, Polygon polygon) {}

    private final Shaper shaper = new Shaper(Flattener.SCREEN);
    private final List<Item> items = new ArrayList<>();

    private LayerBytes() {}

    static byte[] of(BoardGeometry geometry, Layer layer) {
        LayerBytes bytes = new LayerBytes();
        if (layer.role().isCopper()) {
            int index = geometry.board().copper().indexOf(layer);
            for (CopperNode n : geometry.nets().nodes()) {
                if (n.layer() == index) {
                    bytes.add(n.net(), n.piece());
                }
            }
            bytes.items.sort(Comparator.comparingInt(Item::net));
        } else {
            geometry.pieces(layer.role()).forEach(p -> bytes.add(-1, p));
        }
        return bytes.pack();
    }

    static byte[] of(Geometry area) {
        LayerBytes bytes = new LayerBytes();
        Geo.eachPolygon(area, p -> bytes.items.add(new Item(-1, null, p)));
        return bytes.pack();
    }

    private void add(int net, Piece piece) {
        if (piece.roundRadius() > 0) {
            items.add(new Item(net, piece, null));
        } else {
            Geo.eachPolygon(piece.shape(shaper), p -> items.add(new Item(net, null, p)));
        }
    }

    private byte[] pack() {
        int size = 1;
        for (Item i : items) {
            size +=
                    i.piece != null
                            ? 7
                            : 2
                                    + (1 + i.polygon.getNumInteriorRing())
                                    + 2 * i.polygon.getNumPoints();
        }
        ByteBuffer out = ByteBuffer.allocate(size * 4).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(items.size());
        for (Item i : items) {
            if (i.piece != null) {
                round(i, out);
                continue;
            }
            out.putInt(i.net).putInt(1 + i.polygon.getNumInteriorRing());
            ring(i.polygon.getExteriorRing(), out);
            for (int k = 0; k < i.polygon.getNumInteriorRing(); k++) {
                ring(i.polygon.getInteriorRingN(k), out);
            }
        }
        return out.array();
    }

    private static void round(Item i, ByteBuffer out) {
        Pt from = i.piece.roundFrom();
        Pt to = i.piece.roundTo();
        out.putInt(i.net).putInt(ROUND);
        out.putInt((int) from.x()).putInt((int) from.y()).putInt((int) to.x()).putInt((int) to.y());
        out.putInt((int) Math.round(i.piece.roundRadius()));
    }

    private static void ring(LineString ring, ByteBuffer out) {
        Coordinate[] points = ring.getCoordinates();
        out.putInt(points.length);
        for (Coordinate c : points) {
            out.putInt((int) Math.rint(c.x)).putInt((int) Math.rint(c.y));
        }
    }
}
