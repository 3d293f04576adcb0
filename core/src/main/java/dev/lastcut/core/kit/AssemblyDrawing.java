package dev.lastcut.core.kit;

import static dev.lastcut.core.print.PaperPages.LEADING;
import static dev.lastcut.core.print.PaperPages.LEFT;
import static dev.lastcut.core.print.PaperPages.RIGHT;
import static dev.lastcut.core.print.PaperPages.TEXT;

import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignment.By;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.placement.PartPolarity;
import dev.lastcut.core.print.PaperPages;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * The assembly drawing, A4: each side that has parts, with their outlines, designators and the
 * terminals that must be told apart, to a whole scale where the page allows one. Parts whose
 * outline is too small for lettering are listed by the field of the drawing they are in. Lengths of
 * the layout in points.
 */
public final class AssemblyDrawing {
    private static final double POINTS_PER_MM = 72 / 25.4;
    private static final int[] SCALES = {10, 5, 4, 3, 2, 1};
    private static final float PICTURE_WIDTH = RIGHT - LEFT - 20;
    private static final float PICTURE_HEIGHT = 560;
    private static final float FRAME = 12;

    /** Smaller letters cannot be read on paper. */
    private static final float LEAST_LETTERS = 3.2f;

    private static final float MOST_LETTERS = 9;

    /**
     * The width of a letter of the plain font, as a share of its size; a little more than usual.
     */
    private static final float LETTER = 0.62f;

    /** Fields of the drawing along a side. */
    private static final int FIELDS = 6;

    /**
     * What is drawn.
     *
     * @param bodies of all placed parts, fitted or not
     * @param polarity of a part, where it has one
     * @param pinOne where pin 1 of a part is
     */
    public record Content(
            BoardGeometry geometry,
            Assignments who,
            List<Body> bodies,
            Function<Assignment, Optional<PartPolarity>> polarity,
            Function<Assignment, Optional<Pt>> pinOne,
            String variant) {}

    private final Content content;
    private final PaperPages pages;
    private final Map<String, Body> bodies = new HashMap<>();

    private AssemblyDrawing(Content content, PaperPages pages) {
        this.content = content;
        this.pages = pages;
        content.bodies().forEach(b -> bodies.put(b.designator(), b));
    }

    /** The drawing as PDF; empty where no part has a place. */
    public static Optional<byte[]> pdf(Content content) {
        if (content.who().all().stream().allMatch(a -> a.part().placed().isEmpty())) {
            return Optional.empty();
        }
        try (PaperPages pages = new PaperPages("Assembly drawing")) {
            AssemblyDrawing drawing = new AssemblyDrawing(content, pages);
            boolean first = true;
            for (Side side : Side.values()) {
                List<Assignment> there = drawing.on(side);
                if (!there.isEmpty()) {
                    if (!first) {
                        pages.newPage();
                    }
                    first = false;
                    drawing.side(side, there);
                }
            }
            return Optional.of(pages.bytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private List<Assignment> on(Side side) {
        return content.who().all().stream()
                .filter(
                        a ->
                                a.part()
                                        .placed()
                                        .map(PlacedPart::side)
                                        .filter(side::equals)
                                        .isPresent())
                .toList();
    }

    private void side(Side side, List<Assignment> parts) throws IOException {
        pages.line(
                pages.bold(),
                16,
                LEFT,
                "Assembly drawing, "
                        + side.word()
                        + (content.variant().isEmpty() ? "" : ", variant " + content.variant()));
        pages.skip(2);
        View view = view(side, parts);
        frame(view);
        outline(view);
        List<Assignment> unlettered = new ArrayList<>();
        for (Assignment a : parts) {
            if (!part(view, a)) {
                unlettered.add(a);
            }
        }
        pages.moveTo(view.bottom() - FRAME - 10);
        block(view, side, parts);
        positions(view, unlettered);
    }

    /** Places of the board on the page; the bottom is seen from below. */
    private record View(Envelope e, boolean below, double perNm, float left, float bottom) {
        float x(double nm) {
            return (float) (left + (below ? e.getMaxX() - nm : nm - e.getMinX()) * perNm);
        }

        float y(double nm) {
            return (float) (bottom + (nm - e.getMinY()) * perNm);
        }

        float width() {
            return (float) (e.getWidth() * perNm);
        }

        float height() {
            return (float) (e.getHeight() * perNm);
        }

        double scale() {
            return perNm * 1e6 / POINTS_PER_MM;
        }

        /** The field a place is in: a letter for the column, a number for the row from the top. */
        String field(Pt at) {
            int column = cell((x(at.x()) - left) / width());
            int row = cell(1 - (y(at.y()) - bottom) / height());
            return (char) ('A' + column) + String.valueOf(row + 1);
        }

        private static int cell(float share) {
            return Math.max(0, Math.min(FIELDS - 1, (int) (share * FIELDS)));
        }
    }

    private View view(Side side, List<Assignment> parts) {
        Envelope e = new Envelope(content.geometry().boardArea().getEnvelopeInternal());
        for (Assignment a : parts) {
            Body b = bodies.get(a.part().designator());
            e.expandToInclude(
                    b == null
                            ? new Envelope(a.part().placed().orElseThrow().at().coordinate())
                            : b.outline().getEnvelopeInternal());
        }
        e.expandBy(Math.max(0, 1e6 - Math.min(e.getWidth(), e.getHeight())));
        double most = Math.min(PICTURE_WIDTH / e.getWidth(), PICTURE_HEIGHT / e.getHeight());
        double one = POINTS_PER_MM / 1e6;
        double perNm = most;
        for (int s : SCALES) {
            if (s * one <= most) {
                perNm = s * one;
                break;
            }
        }
        float width = (float) (e.getWidth() * perNm);
        float height = (float) (e.getHeight() * perNm);
        return new View(
                e,
                side == Side.BOTTOM,
                perNm,
                LEFT + (RIGHT - LEFT - width) / 2,
                pages.y() - FRAME - height);
    }

    /** A thin frame with the letters and numbers of its fields. */
    private void frame(View v) throws IOException {
        PDPageContentStream pen = pages.pen();
        pen.setStrokingColor(0.62f, 0.58f, 0.52f);
        pen.setLineWidth(0.3f);
        for (int i = 0; i <= FIELDS; i++) {
            float x = v.left() + v.width() * i / FIELDS;
            float y = v.bottom() + v.height() * i / FIELDS;
            line(x, v.bottom() + v.height(), x, v.bottom() + v.height() + 5);
            line(v.left() - 5, y, v.left(), y);
            if (i < FIELDS) {
                text(
                        String.valueOf((char) ('A' + i)),
                        6,
                        x + v.width() / FIELDS / 2,
                        v.bottom() + v.height() + 3);
                text(String.valueOf(FIELDS - i), 6, v.left() - 6, y + v.height() / FIELDS / 2);
            }
        }
    }

    private void outline(View v) throws IOException {
        pages.pen().setStrokingColor(0.1f, 0.1f, 0.1f);
        pages.pen().setLineWidth(0.9f);
        for (Polygon p : Geo.polygons(content.geometry().boardArea())) {
            ring(v, p.getExteriorRing());
            for (int i = 0; i < p.getNumInteriorRing(); i++) {
                ring(v, p.getInteriorRingN(i));
            }
        }
    }

    private void ring(View v, LineString ring) throws IOException {
        path(v, ring);
        pages.pen().stroke();
    }

    private void path(View v, LineString ring) throws IOException {
        Coordinate[] c = ring.getCoordinates();
        pages.pen().moveTo(v.x(c[0].x), v.y(c[0].y));
        for (int i = 1; i < c.length - 1; i++) {
            pages.pen().lineTo(v.x(c[i].x), v.y(c[i].y));
        }
        pages.pen().closePath();
    }

    /** Draws a part; false when its designator had no room. */
    private boolean part(View v, Assignment a) throws IOException {
        Body b = bodies.get(a.part().designator());
        PDPageContentStream pen = pages.pen();
        if (b == null) {
            return false;
        }
        Polygon outline = b.outline();
        boolean empty = !a.part().fitted();
        pen.setStrokingColor(0.2f, 0.2f, 0.2f);
        pen.setLineWidth(0.5f);
        if (empty) {
            pen.setLineDashPattern(new float[] {1.5f, 1.5f}, 0);
            ring(v, outline.getExteriorRing());
            pen.setLineDashPattern(new float[0], 0);
        } else if (a.by() == By.HOUSE) {
            ring(v, outline.getExteriorRing());
        } else {
            // By hand shaded, by nobody darker: both are seen in black and white.
            float grey = a.by() == By.HAND ? 0.88f : 0.6f;
            pen.setNonStrokingColor(grey, grey, grey);
            path(v, outline.getExteriorRing());
            pen.fillAndStroke();
            pen.setNonStrokingColor(0f, 0f, 0f);
        }
        if (!empty) {
            terminal(v, a, b);
        }
        return letters(v, a.part().designator(), b);
    }

    private boolean letters(View v, String designator, Body b) throws IOException {
        double along = b.length() * v.perNm();
        double across = b.width() * v.perNm();
        double deg = ((b.angleDeg() % 180) + 180) % 180;
        boolean upright = deg > 45 && deg < 135;
        if (across > along) {
            double swap = along;
            along = across;
            across = swap;
            upright = !upright;
        }
        float size =
                (float)
                        Math.min(
                                MOST_LETTERS,
                                Math.min(
                                        0.9 * along / (LETTER * designator.length()),
                                        0.85 * across));
        if (size < LEAST_LETTERS) {
            return false;
        }
        float x = v.x(b.centre().x);
        float y = v.y(b.centre().y);
        float half = pages.plain().getStringWidth(designator) / 1000 * size / 2;
        float rise = size * 0.35f;
        PDPageContentStream pen = pages.pen();
        pen.setNonStrokingColor(0f, 0f, 0f);
        pen.beginText();
        pen.setFont(pages.plain(), size);
        pen.setTextMatrix(
                upright
                        ? new org.apache.pdfbox.util.Matrix(0, 1, -1, 0, x + rise, y - half)
                        : new org.apache.pdfbox.util.Matrix(1, 0, 0, 1, x - half, y - rise));
        pen.showText(designator);
        pen.endText();
        return true;
    }

    /** A bar at a cathode, a plus at a plus, a dot at pin 1; with a question mark where assumed. */
    private void terminal(View v, Assignment a, Body b) throws IOException {
        Optional<PartPolarity> polarity = content.polarity().apply(a);
        Optional<Pt> at = polarity.flatMap(PartPolarity::at);
        PDPageContentStream pen = pages.pen();
        pen.setStrokingColor(0f, 0f, 0f);
        pen.setNonStrokingColor(0f, 0f, 0f);
        if (polarity.isPresent() && polarity.get().terminal() != PartPolarity.Terminal.PIN_ONE) {
            if (at.isEmpty()) {
                return;
            }
            float x = v.x(at.get().x());
            float y = v.y(at.get().y());
            double dx = v.x(b.centre().x) - x;
            double dy = v.y(b.centre().y) - y;
            double far = Math.max(1e-6, Math.hypot(dx, dy));
            // Beyond the terminal, so that it is not under the outline.
            float mx = (float) (x - 3 * dx / far);
            float my = (float) (y - 3 * dy / far);
            if (polarity.get().isAssumed()) {
                text("?", 6, mx, my - 2);
            } else if (polarity.get().terminal() == PartPolarity.Terminal.PLUS) {
                pen.setLineWidth(0.8f);
                line(mx - 2, my, mx + 2, my);
                line(mx, my - 2, mx, my + 2);
            } else {
                pen.setLineWidth(1.4f);
                float ax = (float) (2.6 * dy / far);
                float ay = (float) (-2.6 * dx / far);
                line(mx - ax, my - ay, mx + ax, my + ay);
            }
            return;
        }
        Optional<Pt> one = at.or(() -> content.pinOne().apply(a));
        if (one.isPresent()) {
            float x = v.x(one.get().x());
            float y = v.y(one.get().y());
            float r = 1.3f;
            pen.moveTo(x + r, y);
            for (int i = 1; i < 12; i++) {
                double t = 2 * Math.PI * i / 12;
                pen.lineTo((float) (x + r * Math.cos(t)), (float) (y + r * Math.sin(t)));
            }
            pen.closePath();
            pen.fill();
        }
    }

    private void block(View v, Side side, List<Assignment> parts) throws IOException {
        long house = parts.stream().filter(a -> a.by() == By.HOUSE).count();
        long hand = parts.stream().filter(a -> a.by() == By.HAND).count();
        long off = parts.stream().filter(a -> !a.part().fitted()).count();
        long gaps = parts.stream().filter(Assignment::isGap).count();
        String scale =
                v.scale() >= 0.9999
                        ? String.format(Locale.ROOT, "Scale %.0f : 1", v.scale())
                        : String.format(Locale.ROOT, "Scale %.2f : 1", v.scale());
        pages.line(
                pages.plain(),
                TEXT,
                LEFT,
                scale
                        + (side == Side.BOTTOM ? ", seen from below. " : ", seen from the top. ")
                        + parts.size()
                        + " places: "
                        + house
                        + " fitted by the shop, "
                        + hand
                        + " soldered by hand, "
                        + (gaps == 0 ? "" : gaps + " fitted by nobody, ")
                        + off
                        + " left off.");
        pages.paragraph(
                pages.plain(),
                LEFT,
                "Plain outline: fitted by the shop. Shaded: soldered by hand. Dark: fitted by nobody."
                        + " Dashed: left off. A bar marks the cathode, + the plus, a dot pin 1; a"
                        + " question mark a terminal that nothing tells.");
    }

    /** The parts whose outlines are too small for their names, by their field and place. */
    private void positions(View v, List<Assignment> unlettered) throws IOException {
        if (unlettered.isEmpty()) {
            return;
        }
        pages.newPage();
        pages.line(pages.bold(), 12, LEFT, "Parts too small for lettering");
        pages.skip(2);
        float column = (RIGHT - LEFT) / 3;
        float top = pages.y();
        int in = 0;
        for (Assignment a : unlettered) {
            if (pages.y() - LEADING < 60) {
                if (++in == 3) {
                    pages.newPage();
                    top = pages.y();
                    in = 0;
                } else {
                    pages.moveTo(top);
                }
            }
            PlacedPart p = a.part().placed().orElseThrow();
            pages.line(
                    pages.plain(),
                    8,
                    LEFT + in * column,
                    String.format(
                            Locale.ROOT,
                            "%s  %s   %.2f, %.2f mm%s",
                            a.part().designator(),
                            v.field(p.at()),
                            Length.toMm(p.at().x()),
                            Length.toMm(p.at().y()),
                            a.part().fitted() ? "" : ", left off"));
        }
    }

    private void line(float x0, float y0, float x1, float y1) throws IOException {
        pages.pen().moveTo(x0, y0);
        pages.pen().lineTo(x1, y1);
        pages.pen().stroke();
    }

    private void text(String words, float size, float middle, float y) throws IOException {
        float half = pages.plain().getStringWidth(words) / 1000 * size / 2;
        PDPageContentStream pen = pages.pen();
        pen.setNonStrokingColor(0f, 0f, 0f);
        pen.beginText();
        pen.setFont(pages.plain(), size);
        pen.newLineAtOffset(middle - half, y);
        pen.showText(words);
        pen.endText();
    }
}
