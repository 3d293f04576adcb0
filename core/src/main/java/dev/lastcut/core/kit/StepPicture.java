package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.milling.HandJoint;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/** The board with the parts of one step filled, seen from their side. */
final class StepPicture {
    /** What is smaller on paper is not drawn, points. */
    private static final double LEAST = 0.8;

    private final BoardGeometry geometry;
    private final BenchKit kit;
    private final Envelope extent;

    private PDPageContentStream pen;
    private boolean below;
    private double scale;
    private double left;
    private double bottom;

    StepPicture(BoardGeometry geometry, BenchKit kit) {
        this.geometry = geometry;
        this.kit = kit;
        Envelope e = new Envelope(geometry.boardArea().getEnvelopeInternal());
        for (KitStep s : kit.steps()) {
            s.places().forEach(p -> e.expandToInclude(p.at().coordinate()));
        }
        this.extent = e.isNull() ? new Envelope(0, 1e7, 0, 1e7) : e;
    }

    void step(PDPageContentStream to, KitStep s, float x, float y, float w, float h)
            throws IOException {
        begin(to, s.side(), x, y, w, h);
        board(s.side());
        Set<String> lit = new HashSet<>(s.designators());
        for (Body b : kit.bodies()) {
            if (b.side() == s.side()) {
                body(b, lit.contains(b.designator()));
            }
        }
        for (KitStep.Place p : s.places()) {
            if (p.mark().isPresent()) {
                wedge(p.mark().get(), p.at(), p.assumed());
            }
            if (p.start().isPresent()) {
                ring(p.start().get());
            }
        }
        to.restoreGraphicsState();
    }

    void joints(PDPageContentStream to, List<HandJoint> joints, float x, float y, float w, float h)
            throws IOException {
        begin(to, Side.TOP, x, y, w, h);
        board(Side.TOP);
        for (HandJoint j : joints) {
            ring(j.at());
        }
        to.restoreGraphicsState();
    }

    private void begin(PDPageContentStream to, Side side, float x, float y, float w, float h)
            throws IOException {
        pen = to;
        below = side == Side.BOTTOM;
        scale = Math.min((w - 8) / extent.getWidth(), (h - 8) / extent.getHeight());
        left = x + (w - scale * extent.getWidth()) / 2;
        bottom = y + (h - scale * extent.getHeight()) / 2;
        to.saveGraphicsState();
    }

    private float x(double nm) {
        double in = below ? extent.getMaxX() - nm : nm - extent.getMinX();
        return (float) (left + in * scale);
    }

    private float y(double nm) {
        return (float) (bottom + (nm - extent.getMinY()) * scale);
    }

    private void board(Side side) throws IOException {
        pen.setLineWidth(0.7f);
        pen.setNonStrokingColor(0.985f, 0.97f, 0.94f);
        pen.setStrokingColor(0.35f, 0.32f, 0.28f);
        shape(geometry.boardArea(), true);
        pen.setNonStrokingColor(0.82f, 0.76f, 0.89f);
        Role mask = Role.of(Role.Kind.MASK, side);
        boolean masked = geometry.board().layer(mask).isPresent();
        for (Piece p : geometry.pieces(masked ? mask : Role.of(Role.Kind.COPPER, side))) {
            if (masked || p.feature() instanceof Feature.Flash) {
                pad(p.envelope());
            }
        }
        pen.setStrokingColor(0.62f, 0.58f, 0.52f);
        pen.setLineWidth(0.4f);
        for (Hole h : geometry.board().holes()) {
            if (h.diameter() * scale > LEAST) {
                circle(h.middle(), (float) (h.diameter() * scale / 2));
            }
        }
    }

    private void pad(Envelope e) throws IOException {
        // Vias and hair are not seen at this size.
        if (Math.max(e.getWidth(), e.getHeight()) * scale > LEAST) {
            pen.addRect(
                    Math.min(x(e.getMinX()), x(e.getMaxX())),
                    y(e.getMinY()),
                    (float) (e.getWidth() * scale),
                    (float) (e.getHeight() * scale));
            pen.fill();
        }
    }

    private void body(Body b, boolean lit) throws IOException {
        pen.setLineWidth(lit ? 0.9f : 0.3f);
        if (lit) {
            pen.setNonStrokingColor(0.85f, 0.54f, 0.37f);
            pen.setStrokingColor(0.48f, 0.22f, 0.10f);
        } else {
            pen.setStrokingColor(0.52f, 0.48f, 0.43f);
        }
        shape(b.outline(), lit);
    }

    private void shape(Geometry g, boolean fill) throws IOException {
        for (var p : Geo.polygons(g)) {
            ring(p.getExteriorRing());
            for (int i = 0; i < p.getNumInteriorRing(); i++) {
                ring(p.getInteriorRingN(i));
            }
            if (fill) {
                pen.fillAndStrokeEvenOdd();
            } else {
                pen.stroke();
            }
        }
    }

    private void ring(LineString line) throws IOException {
        Coordinate[] c = line.getCoordinates();
        for (int i = 0; i < c.length - 1; i++) {
            if (i == 0) {
                pen.moveTo(x(c[i].x), y(c[i].y));
            } else {
                pen.lineTo(x(c[i].x), y(c[i].y));
            }
        }
        pen.closePath();
    }

    /**
     * A small wedge in the pad that the words are about, its point to the part's middle; hollow
     * where it is assumed.
     */
    private void wedge(Pt at, Pt middle, boolean assumed) throws IOException {
        double dx = x(middle.x()) - x(at.x());
        double dy = y(middle.y()) - y(at.y());
        double far = Math.max(1e-6, Math.hypot(dx, dy));
        dx /= far;
        dy /= far;
        float px = x(at.x());
        float py = y(at.y());
        pen.setNonStrokingColor(0.12f, 0.11f, 0.10f);
        pen.setStrokingColor(0.12f, 0.11f, 0.10f);
        pen.setLineWidth(0.6f);
        pen.moveTo((float) (px + 3.2 * dx), (float) (py + 3.2 * dy));
        pen.lineTo((float) (px - 1.6 * dx - 2 * dy), (float) (py - 1.6 * dy + 2 * dx));
        pen.lineTo((float) (px - 1.6 * dx + 2 * dy), (float) (py - 1.6 * dy - 2 * dx));
        if (assumed) {
            pen.closeAndStroke();
        } else {
            pen.fill();
        }
    }

    private void ring(Pt at) throws IOException {
        pen.setStrokingColor(0.05f, 0.36f, 0.42f);
        pen.setLineWidth(1f);
        circle(at, 3.4f);
    }

    private void circle(Pt at, float r) throws IOException {
        float k = 0.5523f * r;
        float cx = x(at.x());
        float cy = y(at.y());
        pen.moveTo(cx + r, cy);
        pen.curveTo(cx + r, cy + k, cx + k, cy + r, cx, cy + r);
        pen.curveTo(cx - k, cy + r, cx - r, cy + k, cx - r, cy);
        pen.curveTo(cx - r, cy - k, cx - k, cy - r, cx, cy - r);
        pen.curveTo(cx + k, cy - r, cx + r, cy - k, cx + r, cy);
        pen.stroke();
    }
}
