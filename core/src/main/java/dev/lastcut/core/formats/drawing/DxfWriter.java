package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.geometry.Geo;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * Writes areas as closed polylines of an R12 DXF in millimetres, which every reader of the format
 * takes: group codes after the published DXF reference, from memory.
 */
public final class DxfWriter {
    private final Map<String, Geometry> layers = new LinkedHashMap<>();

    /** Adds areas, nm, on a layer; empty ones are left out. */
    public DxfWriter layer(String name, Geometry areas) {
        if (!areas.isEmpty()) {
            layers.put(name, areas);
        }
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
        layers.forEach(
                (name, areas) ->
                        Geo.eachPolygon(
                                areas,
                                p -> {
                                    polyline(out, name, p.getExteriorRing());
                                    for (int i = 0; i < p.getNumInteriorRing(); i++) {
                                        polyline(out, name, p.getInteriorRingN(i));
                                    }
                                }));
        pair(out, 0, "ENDSEC");
        pair(out, 0, "EOF");
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static void polyline(StringBuilder out, String layer, LineString ring) {
        pair(out, 0, "POLYLINE");
        pair(out, 8, layer);
        pair(out, 66, "1");
        pair(out, 70, "1");
        Coordinate[] c = ring.getCoordinates();
        for (int i = 0; i < c.length - 1; i++) {
            pair(out, 0, "VERTEX");
            pair(out, 8, layer);
            pair(out, 10, mm(c[i].x));
            pair(out, 20, mm(c[i].y));
        }
        pair(out, 0, "SEQEND");
        pair(out, 8, layer);
    }

    private static String mm(double nm) {
        return String.format(Locale.ROOT, "%.6f", nm / 1e6);
    }

    private static void pair(StringBuilder out, int code, String value) {
        out.append(String.format(Locale.ROOT, "%3d", code)).append('\n').append(value).append('\n');
    }
}
