package dev.lastcut.server.desk;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Flattener;
import java.awt.AlphaComposite;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.locationtech.jts.awt.ShapeWriter;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * One side of a board as it will come out of the shop: laminate, copper under the mask, what the
 * mask leaves bare, silk, holes. The bottom is seen from below.
 */
final class FacePicture {
    private static final int PIXELS = 1000;
    private static final int MARGIN = 14;
    private static final Color LAMINATE = new Color(0xb9a77c);
    private static final Color BARE = new Color(0xd9b45c);
    private static final Color EDGE = new Color(0x4a433a);
    private static final Color BODY = new Color(0x3a, 0x3f, 0x46, 0xd8);
    private static final Color TURNED = new Color(0xa8, 0x4a, 0x32, 0xe6);
    private static final Color BODY_EDGE = new Color(0xf2, 0xee, 0xe4);
    private static final Color PIN_ONE = new Color(0xff, 0xe2, 0x7a);
    private static final double DOT_PIXELS = 4;
    private static final Map<String, Color> MASKS =
            Map.of(
                    "green", new Color(0x2f6b4f),
                    "black", new Color(0x2b2b2e),
                    "white", new Color(0xe6e4dd),
                    "red", new Color(0x8e2f2c),
                    "blue", new Color(0x2d4f86),
                    "yellow", new Color(0xc39a2b),
                    "purple", new Color(0x57356f),
                    "clear", new Color(0xc6b78d));

    private final BoardGeometry board;
    private final Side side;
    private final Color mask;
    private final Color silk;
    private final List<HouseView.Fitted> parts;

    private FacePicture(
            BoardGeometry board,
            Side side,
            String maskColour,
            String silkColour,
            List<HouseView.Fitted> parts) {
        this.board = board;
        this.side = side;
        this.parts = parts.stream().filter(p -> p.body().side() == side).toList();
        this.mask = MASKS.getOrDefault(maskColour, MASKS.get("green"));
        this.silk = silkColour.equals("black") ? Color.BLACK : Color.WHITE;
    }

    /**
     * As PNG, 1000 pixels on its longer side, with parts on it: each body with a dot where the
     * house has its pin 1, ringed where the board has it elsewhere.
     */
    static byte[] png(
            BoardGeometry board,
            Side side,
            String maskColour,
            String silkColour,
            List<HouseView.Fitted> parts) {
        return new FacePicture(board, side, maskColour, silkColour, parts).paint();
    }

    private byte[] paint() {
        Envelope e = board.boardArea().getEnvelopeInternal();
        double scale = (PIXELS - 2.0 * MARGIN) / Math.max(e.getWidth(), e.getHeight());
        int width = (int) Math.ceil(e.getWidth() * scale) + 2 * MARGIN;
        int height = (int) Math.ceil(e.getHeight() * scale) + 2 * MARGIN;
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        boolean below = side == Side.BOTTOM;
        AffineTransform view = new AffineTransform();
        view.translate(below ? width - MARGIN : MARGIN, height - MARGIN);
        view.scale(below ? -scale : scale, -scale);
        view.translate(-e.getMinX(), -e.getMinY());
        g.transform(view);
        layers(g, scale);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException ex) {
            throw new UncheckedIOException(ex);
        }
        return out.toByteArray();
    }

    private void layers(Graphics2D g, double scale) {
        Shape outline = shape(board.boardArea());
        Shape copper = all(Role.Kind.COPPER);
        boolean lacquered = board.board().layer(Role.Kind.MASK, side).isPresent();
        g.setColor(lacquered ? mask : LAMINATE);
        g.fill(outline);
        g.clip(outline);
        g.setColor(lacquered ? lighter(mask) : BARE);
        g.fill(copper);
        if (lacquered) {
            Shape openings = all(Role.Kind.MASK);
            g.setColor(LAMINATE);
            g.fill(openings);
            Shape board = g.getClip();
            g.clip(openings);
            g.setColor(BARE);
            g.fill(copper);
            g.setClip(board);
        }
        g.setColor(silk);
        g.fill(all(Role.Kind.SILK));
        // One sees through them, and past the board, to whatever it lies on.
        g.setComposite(AlphaComposite.Clear);
        for (Hole h : board.board().holes()) {
            g.fill(shape(h.shape(Flattener.SCREEN)));
        }
        g.setComposite(AlphaComposite.SrcOver);
        g.setClip(null);
        g.setColor(EDGE);
        g.setStroke(new BasicStroke((float) (1.6 / scale)));
        g.draw(outline);
        parts.forEach(p -> part(g, p, scale));
    }

    private static void part(Graphics2D g, HouseView.Fitted p, double scale) {
        Shape body = shape(p.body().outline());
        Double turn = p.placed().turnDeg();
        boolean elsewhere = turn != null && turn != 0;
        g.setColor(elsewhere ? TURNED : BODY);
        g.fill(body);
        g.setColor(BODY_EDGE);
        g.setStroke(new BasicStroke((float) (1.4 / scale)));
        g.draw(body);
        double dot = DOT_PIXELS / scale;
        p.pinOne()
                .ifPresent(
                        c -> {
                            g.setColor(PIN_ONE);
                            g.fill(round(c.x, c.y, dot));
                        });
        if (elsewhere) {
            g.setColor(PIN_ONE);
            p.boards().ifPresent(c -> g.draw(round(c.x(), c.y(), 2 * dot)));
        }
    }

    private static Shape round(double x, double y, double radius) {
        return new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius);
    }

    private Shape all(Role.Kind kind) {
        Path2D path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        Optional<List<Piece>> pieces =
                board.board().layer(kind, side).map(l -> board.pieces(l.role()));
        pieces.ifPresent(all -> all.forEach(p -> path.append(shape(p.polygon()), false)));
        return path;
    }

    private static Shape shape(Geometry geometry) {
        return new ShapeWriter().toShape(geometry);
    }

    private static Color lighter(Color c) {
        return new Color(
                Math.min(255, c.getRed() + 28),
                Math.min(255, c.getGreen() + 28),
                Math.min(255, c.getBlue() + 22));
    }
}
