package dev.lastcut.core.fabrication.paper;

import static dev.lastcut.core.print.PaperPages.LEADING;
import static dev.lastcut.core.print.PaperPages.LEFT;
import static dev.lastcut.core.print.PaperPages.RIGHT;
import static dev.lastcut.core.print.PaperPages.TEXT;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.StackUp;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.print.PaperPages;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * What a board house wants on paper, A4: outline with its dimensions, a symbol at each hole and the
 * table that explains them, what the board is built of, and notes. Lengths of the layout in points.
 */
public final class FabricationDrawing {
    private static final float MOST_PICTURE_HEIGHT = 320;

    /** Rather two pages than a smaller picture. */
    private static final float LEAST_PICTURE_HEIGHT = 170;

    private static final float DIMENSIONS = 34;
    private static final float SYMBOL = 5;

    /** Cut-outs beyond these are dimensioned in the outline file only. */
    private static final int MOST_CUTOUTS = 12;

    private final String title;
    private final BoardGeometry geometry;
    private final StackUp stack;
    private final List<String> notes;
    private final Optional<OrderMark> mark;
    private final PaperPages pages;
    private final List<DrillTable.Row> rows;

    private FabricationDrawing(
            String title,
            BoardGeometry geometry,
            StackUp stack,
            List<String> notes,
            Optional<OrderMark> mark,
            PaperPages pages) {
        this.title = title;
        this.geometry = geometry;
        this.stack = stack;
        this.notes = notes;
        this.mark = mark;
        this.pages = pages;
        this.rows = DrillTable.of(geometry.board().holes());
    }

    /**
     * @param notes sentences from what is ordered
     * @param mark where the house may print its order mark
     */
    public static byte[] pdf(
            String title,
            BoardGeometry geometry,
            StackUp stack,
            List<String> notes,
            Optional<OrderMark> mark) {
        try (PaperPages pages = new PaperPages(title)) {
            new FabricationDrawing(title, geometry, stack, notes, mark, pages).make();
            return pages.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void make() throws IOException {
        pages.line(pages.bold(), 16, LEFT, title);
        pages.skip(2);
        Geometry board = geometry.boardArea();
        if (board.isEmpty()) {
            pages.paragraph(
                    pages.plain(), LEFT, "The pack has no closed outline: nothing to dimension.");
        } else {
            picture(board);
        }
        drillTable();
        stackTable();
        notes();
    }

    /** Places of the board on the page. */
    private record View(Envelope e, double scale, float left, float bottom) {
        float x(double nm) {
            return (float) (left + (nm - e.getMinX()) * scale);
        }

        float y(double nm) {
            return (float) (bottom + (nm - e.getMinY()) * scale);
        }
    }

    private void picture(Geometry board) throws IOException {
        Envelope e = new Envelope(board.getEnvelopeInternal());
        geometry.board().holes().forEach(h -> e.expandToInclude(h.middle().coordinate()));
        double wide = RIGHT - LEFT - 2 * DIMENSIONS;
        double high = pictureHeight() - DIMENSIONS;
        double scale = Math.min(wide / e.getWidth(), high / e.getHeight());
        float left = (float) (LEFT + DIMENSIONS + (wide - e.getWidth() * scale) / 2);
        float bottom = pages.y() - (float) (e.getHeight() * scale) + TEXT;
        View v = new View(e, scale, left, bottom);
        pages.pen().setLineWidth(0.9f);
        Shapes shapes = new Shapes(pages.pen(), v);
        Geometry drawn =
                geometry.board().outline().map(o -> o.area(Flattener.SCREEN)).orElse(Geo.empty());
        for (Polygon p : Geo.polygons(drawn)) {
            shapes.ring(p.getExteriorRing());
            for (int i = 0; i < p.getNumInteriorRing(); i++) {
                shapes.ring(p.getInteriorRingN(i));
            }
        }
        pages.pen().setLineWidth(0.45f);
        for (int i = 0; i < rows.size(); i++) {
            for (Hole h : rows.get(i).holes()) {
                hole(v, i, h);
            }
        }
        if (mark.isPresent()) {
            mark(mark.get(), v);
        }
        dimensions(board.getEnvelopeInternal(), v);
        pages.moveTo(bottom - DIMENSIONS - 6);
        pages.line(
                pages.plain(),
                8,
                LEFT,
                String.format(
                        Locale.ROOT,
                        "Seen from the top, scale %.2f : 1. Dimensions in mm. Lower left corner of"
                                + " the board at x %s, y %s in the files.",
                        scale * 1e6 / (72 / 25.4),
                        mm(board.getEnvelopeInternal().getMinX()),
                        mm(board.getEnvelopeInternal().getMinY())));
        cutouts(drawn);
    }

    /** As high as the page allows with all that is written below it. */
    private float pictureHeight() throws IOException {
        int lines = 2 + rows.size() + stack.plies().size() + 2;
        for (String note : notes) {
            lines += pages.wrapped(pages.plain(), "10. " + note, RIGHT - LEFT).size();
        }
        float headings = 3 * (5 + 12 * 1.2f);
        float left = pages.y() - 50 - headings - lines * LEADING - 2 * LEADING;
        return left < LEAST_PICTURE_HEIGHT
                ? MOST_PICTURE_HEIGHT
                : Math.min(MOST_PICTURE_HEIGHT, left);
    }

    /** The room for the order mark, dashed. */
    private void mark(OrderMark m, View v) throws IOException {
        Envelope room = m.room().getEnvelopeInternal();
        PDPageContentStream pen = pages.pen();
        pen.setLineDashPattern(new float[] {2, 2}, 0);
        pen.addRect(
                v.x(room.getMinX()),
                v.y(room.getMinY()),
                v.x(room.getMaxX()) - v.x(room.getMinX()),
                v.y(room.getMaxY()) - v.y(room.getMinY()));
        pen.stroke();
        pen.setLineDashPattern(new float[0], 0);
        float above = v.y(room.getMaxY()) + 2;
        centred("order mark, " + m.side().word(), v.x(m.at().x()), above, false);
    }

    private void hole(View v, int row, Hole h) throws IOException {
        if (h.isSlot()) {
            pages.pen().moveTo(v.x(h.from().x()), v.y(h.from().y()));
            pages.pen().lineTo(v.x(h.to().x()), v.y(h.to().y()));
            pages.pen().stroke();
        }
        Symbol.draw(pages.pen(), row, v.x(h.middle().x()), v.y(h.middle().y()), SYMBOL);
    }

    /** Lines on the page in the places of the board. */
    private record Shapes(PDPageContentStream pen, View v) {
        void ring(LineString ring) throws IOException {
            Coordinate[] c = ring.getCoordinates();
            pen.moveTo(v.x(c[0].x), v.y(c[0].y));
            for (int i = 1; i < c.length - 1; i++) {
                pen.lineTo(v.x(c[i].x), v.y(c[i].y));
            }
            pen.closePath();
            pen.stroke();
        }

        void line(float x0, float y0, float x1, float y1) throws IOException {
            pen.moveTo(x0, y0);
            pen.lineTo(x1, y1);
            pen.stroke();
        }

        /** A short stroke across the end of a dimension line. */
        void tick(float x, float y) throws IOException {
            line(x - 2.5f, y - 2.5f, x + 2.5f, y + 2.5f);
        }
    }

    private void dimensions(Envelope e, View v) throws IOException {
        Shapes s = new Shapes(pages.pen(), v);
        float x0 = v.x(e.getMinX());
        float x1 = v.x(e.getMaxX());
        float y0 = v.y(e.getMinY());
        float y1 = v.y(e.getMaxY());
        float below = y0 - 20;
        s.line(x0, y0 - 4, x0, below - 4);
        s.line(x1, y0 - 4, x1, below - 4);
        s.line(x0, below, x1, below);
        s.tick(x0, below);
        s.tick(x1, below);
        centred(mm(e.getWidth()), (x0 + x1) / 2, below + 3, false);
        float beside = x0 - 20;
        s.line(x0 - 4, y0, beside - 4, y0);
        s.line(x0 - 4, y1, beside - 4, y1);
        s.line(beside, y0, beside, y1);
        s.tick(beside, y0);
        s.tick(beside, y1);
        centred(mm(e.getHeight()), beside - 3, (y0 + y1) / 2, true);
    }

    private void centred(String words, float x, float y, boolean upright) throws IOException {
        float half = pages.plain().getStringWidth(words) / 1000 * TEXT / 2;
        PDPageContentStream pen = pages.pen();
        pen.beginText();
        pen.setFont(pages.plain(), TEXT);
        pen.setTextMatrix(
                upright
                        ? new org.apache.pdfbox.util.Matrix(0, 1, -1, 0, x, y - half)
                        : new org.apache.pdfbox.util.Matrix(1, 0, 0, 1, x - half, y));
        pen.showText(words);
        pen.endText();
    }

    private void cutouts(Geometry drawn) throws IOException {
        int said = 0;
        for (Polygon p : Geo.polygons(drawn)) {
            for (int i = 0; i < p.getNumInteriorRing() && said < MOST_CUTOUTS; i++, said++) {
                Envelope c = p.getInteriorRingN(i).getEnvelopeInternal();
                pages.paragraph(
                        pages.plain(),
                        LEFT,
                        String.format(
                                Locale.ROOT,
                                "Cut-out %d: %s × %s mm, its lower left corner %s, %s mm from that"
                                        + " of the board.",
                                said + 1,
                                mm(c.getWidth()),
                                mm(c.getHeight()),
                                mm(c.getMinX() - drawn.getEnvelopeInternal().getMinX()),
                                mm(c.getMinY() - drawn.getEnvelopeInternal().getMinY())));
            }
        }
    }

    private void heading(String words) throws IOException {
        pages.room(3 * LEADING);
        pages.skip(5);
        pages.line(pages.bold(), 12, LEFT, words);
    }

    private void drillTable() throws IOException {
        heading("Drill table");
        if (rows.isEmpty()) {
            pages.paragraph(pages.plain(), LEFT, "The board has no holes.");
            return;
        }
        int all = 0;
        cells(pages.y(), "Symbol", "Diameter", "Count", "Plating", "Shape", "Layers");
        pages.skip(LEADING);
        for (int i = 0; i < rows.size(); i++) {
            pages.room(LEADING);
            DrillTable.Kind k = rows.get(i).kind();
            float y = pages.y();
            pages.pen().setLineWidth(0.45f);
            Symbol.draw(pages.pen(), i, LEFT + 14, y + 3, SYMBOL);
            cells(
                    y,
                    "",
                    mm(k.diameter()) + " mm",
                    String.valueOf(rows.get(i).holes().size()),
                    k.plated() ? "plated" : "unplated",
                    k.slot() ? "slot, width given" : "round",
                    k.span().isThrough() ? "through" : k.span().first() + " to " + k.span().last());
            pages.skip(LEADING);
            all += rows.get(i).holes().size();
        }
        pages.paragraph(pages.plain(), LEFT, all + " holes in all, finished sizes.");
    }

    private void cells(float y, String... words) throws IOException {
        float[] at = {LEFT, LEFT + 55, LEFT + 135, LEFT + 190, LEFT + 260, LEFT + 370};
        for (int i = 0; i < words.length; i++) {
            pages.moveTo(y);
            pages.line(pages.plain(), TEXT, at[i], words[i]);
        }
        pages.moveTo(y);
    }

    private void stackTable() throws IOException {
        heading("Built up, from the top");
        int number = 0;
        for (StackUp.Ply p : stack.plies()) {
            pages.room(LEADING);
            number += p.kind() == StackUp.Kind.COPPER ? 1 : 0;
            cells(
                    pages.y(),
                    p.kind() == StackUp.Kind.COPPER ? "L" + number : "",
                    p.kind().word(),
                    "",
                    p.thicknessMm().isPresent()
                            ? Length.shortMm(p.thicknessMm().getAsDouble()) + " mm"
                            : "",
                    p.looks().orElse(""),
                    p.role().map(Role::id).orElse(""));
            pages.skip(LEADING);
        }
        if (stack.thicknessMm().isPresent()) {
            pages.paragraph(
                    pages.plain(),
                    LEFT,
                    "Finished board "
                            + Length.shortMm(stack.thicknessMm().getAsDouble())
                            + " mm thick.");
        }
    }

    private void notes() throws IOException {
        heading("Notes");
        int n = 1;
        for (String note : notes) {
            pages.paragraph(pages.plain(), LEFT, n++ + ". " + note);
        }
    }

    private static String mm(double nm) {
        return Length.shortMm(Length.toMm(nm));
    }
}
