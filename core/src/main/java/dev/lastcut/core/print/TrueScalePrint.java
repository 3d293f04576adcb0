package dev.lastcut.core.print;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * The board on A4 paper (ISO 216, 210 × 297 mm) at 1:1, as PDF. Each sheet carries a ruler of 100
 * mm to check the printer with, crop marks, and what it shows. A board larger than a sheet goes
 * over several that overlap.
 */
public final class TrueScalePrint {
    private static final double PT_PER_MM = 72 / 25.4;
    private static final double MARGIN_MM = 10;
    private static final double FOOT_MM = 22;

    /** How much neighbouring sheets share, so that they can be laid over each other. */
    public static final double OVERLAP_MM = 10;

    /**
     * What to print.
     *
     * @param title the first line on every sheet
     * @param roles the layers, in drawing order
     * @param composed all layers on one sheet in their inks, or a sheet in black for each
     * @param mirrored seen from below, as for transferring or holding under the board
     * @param inkOf the colour of a layer from 0 to 255 each, for composed prints
     */
    public record Order(
            String title,
            List<Role> roles,
            boolean composed,
            boolean mirrored,
            Function<Role, int[]> inkOf) {}

    /** A sheet's window on the board, in mm from the lower left corner of what is printed. */
    record Tile(int column, int row, int columns, int rows, Envelope window) {}

    private final BoardGeometry geometry;
    private final Order order;
    private final Shaper shaper = new Shaper(Flattener.SCREEN);
    private final Envelope extent;
    private final PDType1Font font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);

    private TrueScalePrint(BoardGeometry geometry, Order order) {
        this.geometry = geometry;
        this.order = order;
        this.extent = extent();
    }

    public static byte[] pdf(BoardGeometry geometry, Order order) {
        return new TrueScalePrint(geometry, order).print();
    }

    private Envelope extent() {
        Envelope all = new Envelope(geometry.boardArea().getEnvelopeInternal());
        if (all.isNull()) {
            for (Role role : order.roles) {
                geometry.pieces(role).forEach(p -> all.expandToInclude(p.envelope()));
            }
        }
        if (all.isNull()) {
            all.init(0, 1_000_000, 0, 1_000_000);
        }
        return all;
    }

    private byte[] print() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            boolean wide = extent.getWidth() > extent.getHeight();
            double width = wide ? 297 : 210;
            double height = wide ? 210 : 297;
            List<Tile> tiles = tiles(extent, width - 2 * MARGIN_MM, height - MARGIN_MM - FOOT_MM);
            List<List<Role>> sheets = new ArrayList<>();
            if (order.composed) {
                sheets.add(order.roles);
            } else {
                order.roles.forEach(r -> sheets.add(List.of(r)));
            }
            for (List<Role> roles : sheets) {
                for (Tile tile : tiles) {
                    PDPage page =
                            new PDPage(
                                    new PDRectangle(
                                            (float) (width * PT_PER_MM),
                                            (float) (height * PT_PER_MM)));
                    document.addPage(page);
                    try (PDPageContentStream pen = new PDPageContentStream(document, page)) {
                        sheet(pen, roles, tile, width);
                    }
                }
            }
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Windows that cover an extent, neighbours sharing {@link #OVERLAP_MM}; sizes in mm. */
    static List<Tile> tiles(Envelope extent, double roomWidth, double roomHeight) {
        double w = extent.getWidth() / 1e6;
        double h = extent.getHeight() / 1e6;
        int columns = count(w, roomWidth);
        int rows = count(h, roomHeight);
        List<Tile> tiles = new ArrayList<>();
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                double x = column * (roomWidth - OVERLAP_MM);
                double y = row * (roomHeight - OVERLAP_MM);
                Envelope window =
                        new Envelope(x, Math.min(w, x + roomWidth), y, Math.min(h, y + roomHeight));
                tiles.add(new Tile(column + 1, row + 1, columns, rows, window));
            }
        }
        return tiles;
    }

    private static int count(double size, double room) {
        return size <= room ? 1 : (int) Math.ceil((size - OVERLAP_MM) / (room - OVERLAP_MM) - 1e-9);
    }

    private void sheet(PDPageContentStream pen, List<Role> roles, Tile tile, double width)
            throws IOException {
        Envelope w = tile.window;
        double left = (width - w.getWidth()) / 2;
        pen.saveGraphicsState();
        pen.addRect(pt(left), pt(FOOT_MM), pt(w.getWidth()), pt(w.getHeight()));
        pen.clip();
        Paper paper = new Paper(left - w.getMinX(), FOOT_MM - w.getMinY());
        for (Role role : roles) {
            ink(pen, role, roles.size() > 1);
            draw(pen, role, paper, tile);
        }
        holes(pen, paper);
        pen.restoreGraphicsState();
        cropMarks(pen, left, w);
        ruler(pen);
        words(pen, roles, tile);
    }

    private void ink(PDPageContentStream pen, Role role, boolean mixed) throws IOException {
        int[] c = mixed ? order.inkOf.apply(role) : new int[] {0, 0, 0};
        pen.setNonStrokingColor(c[0] / 255f, c[1] / 255f, c[2] / 255f);
        if (mixed) {
            PDExtendedGraphicsState state = new PDExtendedGraphicsState();
            state.setBlendMode(BlendMode.MULTIPLY);
            pen.setGraphicsStateParameters(state);
        }
    }

    /** From nm on the board to mm on the paper. */
    private final class Paper {
        private final double left;
        private final double bottom;

        Paper(double left, double bottom) {
            this.left = left;
            this.bottom = bottom;
        }

        float x(double nm) {
            double mm =
                    order.mirrored ? (extent.getMaxX() - nm) / 1e6 : (nm - extent.getMinX()) / 1e6;
            return pt(left + mm);
        }

        float y(double nm) {
            return pt(bottom + (nm - extent.getMinY()) / 1e6);
        }
    }

    private void draw(PDPageContentStream pen, Role role, Paper paper, Tile tile)
            throws IOException {
        Envelope seen = onBoard(tile.window);
        for (Piece piece : geometry.pieces(role)) {
            if (piece.envelope().intersects(seen)) {
                Geometry shape = piece.shape(shaper);
                for (var polygon : Geo.polygons(shape)) {
                    ring(pen, polygon.getExteriorRing(), paper);
                    for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                        ring(pen, polygon.getInteriorRingN(i), paper);
                    }
                    pen.fillEvenOdd();
                }
            }
        }
    }

    private Envelope onBoard(Envelope window) {
        double x0 = window.getMinX() * 1e6;
        double x1 = window.getMaxX() * 1e6;
        double y0 = extent.getMinY() + window.getMinY() * 1e6;
        double y1 = extent.getMinY() + window.getMaxY() * 1e6;
        return order.mirrored
                ? new Envelope(extent.getMaxX() - x1, extent.getMaxX() - x0, y0, y1)
                : new Envelope(extent.getMinX() + x0, extent.getMinX() + x1, y0, y1);
    }

    private static void ring(PDPageContentStream pen, LineString ring, Paper paper)
            throws IOException {
        Coordinate[] c = ring.getCoordinates();
        pen.moveTo(paper.x(c[0].x), paper.y(c[0].y));
        for (int i = 1; i < c.length - 1; i++) {
            pen.lineTo(paper.x(c[i].x), paper.y(c[i].y));
        }
        pen.closePath();
    }

    /** Holes are white with a thin edge, so that a part's leads can be held against them. */
    private void holes(PDPageContentStream pen, Paper paper) throws IOException {
        PDExtendedGraphicsState plain = new PDExtendedGraphicsState();
        plain.setBlendMode(BlendMode.NORMAL);
        pen.setGraphicsStateParameters(plain);
        pen.setNonStrokingColor(1f, 1f, 1f);
        pen.setStrokingColor(0f, 0f, 0f);
        pen.setLineWidth(0.25f);
        for (Hole h : geometry.board().holes()) {
            for (var polygon : Geo.polygons(h.shape(Flattener.SCREEN))) {
                ring(pen, polygon.getExteriorRing(), paper);
                pen.fillAndStroke();
            }
        }
    }

    private static void cropMarks(PDPageContentStream pen, double left, Envelope w)
            throws IOException {
        pen.setStrokingColor(0f, 0f, 0f);
        pen.setLineWidth(0.3f);
        double right = left + w.getWidth();
        double top = FOOT_MM + w.getHeight();
        for (double x : new double[] {left, right}) {
            for (double y : new double[] {FOOT_MM, top}) {
                double outX = x == left ? -1 : 1;
                double outY = y == FOOT_MM ? -1 : 1;
                line(pen, x + outX, y, x + 5 * outX, y);
                line(pen, x, y + outY, x, y + 5 * outY);
            }
        }
    }

    private void ruler(PDPageContentStream pen) throws IOException {
        double y = 6;
        line(pen, MARGIN_MM, y, MARGIN_MM + 100, y);
        for (int mm = 0; mm <= 100; mm++) {
            double tick = mm % 10 == 0 ? 3.5 : mm % 5 == 0 ? 2.5 : 1.5;
            line(pen, MARGIN_MM + mm, y, MARGIN_MM + mm, y + tick);
        }
        text(pen, 7, MARGIN_MM, y + 4.2, "0");
        text(pen, 7, MARGIN_MM + 98, y + 4.2, "100 mm: measure it, the printer may have scaled");
    }

    private void words(PDPageContentStream pen, List<Role> roles, Tile tile) throws IOException {
        String layers = String.join(", ", roles.stream().map(Role::words).toList());
        String sheet =
                tile.columns * tile.rows == 1
                        ? ""
                        : String.format(
                                Locale.ROOT,
                                "  sheet column %d of %d, row %d of %d, overlapping by %.0f mm",
                                tile.column,
                                tile.columns,
                                tile.row,
                                tile.rows,
                                OVERLAP_MM);
        String seen = order.mirrored ? ", seen from below" : "";
        text(pen, 9, MARGIN_MM, 14.5, order.title + ": " + layers + seen + ", 1:1" + sheet);
    }

    private void text(PDPageContentStream pen, int size, double x, double y, String words)
            throws IOException {
        StringBuilder plain = new StringBuilder();
        // The standard fonts know the western letters only.
        words.codePoints()
                .limit(160)
                .forEach(c -> plain.append(c >= 32 && c < 127 ? (char) c : '?'));
        pen.beginText();
        pen.setNonStrokingColor(0f, 0f, 0f);
        pen.setFont(font, size);
        pen.newLineAtOffset(pt(x), pt(y));
        pen.showText(plain.toString());
        pen.endText();
    }

    private static void line(PDPageContentStream pen, double x0, double y0, double x1, double y1)
            throws IOException {
        pen.moveTo(pt(x0), pt(y0));
        pen.lineTo(pt(x1), pt(y1));
        pen.stroke();
    }

    private static float pt(double mm) {
        return (float) (mm * PT_PER_MM);
    }
}
