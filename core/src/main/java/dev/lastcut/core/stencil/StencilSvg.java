package dev.lastcut.core.stencil;

import dev.lastcut.core.formats.Decimals;
import dev.lastcut.core.geometry.Geo;
import java.nio.charset.StandardCharsets;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * Writes stencil openings as an SVG in true size: user units are millimetres, y turned to run down,
 * the board's edge as a thin line to align by.
 */
public final class StencilSvg {
    private StencilSvg() {}

    /**
     * @param openings the areas to cut out, nm
     * @param board the board's area; may be empty
     */
    public static byte[] write(Geometry openings, Geometry board) {
        Envelope e = new Envelope(openings.getEnvelopeInternal());
        e.expandToInclude(board.getEnvelopeInternal());
        StringBuilder out = new StringBuilder();
        String w = mm(e.getWidth());
        String h = mm(e.getHeight());
        out.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
        out.append("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"").append(w);
        out.append("mm\" height=\"").append(h).append("mm\" viewBox=\"0 0 ").append(w);
        out.append(' ').append(h).append("\">\n");
        out.append("<g id=\"openings\" fill=\"black\" fill-rule=\"evenodd\" stroke=\"none\">\n");
        Geo.eachPolygon(
                openings,
                p -> {
                    out.append("<path d=\"");
                    ring(p.getExteriorRing(), e, out);
                    for (int i = 0; i < p.getNumInteriorRing(); i++) {
                        ring(p.getInteriorRingN(i), e, out);
                    }
                    out.append("\"/>\n");
                });
        out.append("</g>\n<g id=\"edge\" fill=\"none\" stroke=\"gray\" stroke-width=\"0.05\">\n");
        Geo.eachPolygon(
                board,
                p -> {
                    out.append("<path d=\"");
                    ring(p.getExteriorRing(), e, out);
                    out.append("\"/>\n");
                });
        return out.append("</g>\n</svg>\n").toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void ring(LineString ring, Envelope e, StringBuilder out) {
        Coordinate[] c = ring.getCoordinates();
        for (int i = 0; i < c.length - 1; i++) {
            out.append(i == 0 ? 'M' : 'L');
            Decimals.mm(out, c[i].x - e.getMinX(), 4).append(' ');
            Decimals.mm(out, e.getMaxY() - c[i].y, 4);
        }
        out.append('Z');
    }

    private static String mm(double nm) {
        return Decimals.mm(new StringBuilder(), nm, 4).toString();
    }
}
