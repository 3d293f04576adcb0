package dev.lastcut.core.milling.paper;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ToPack;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** The set-up sheet on A4, as PDF. Lengths of the layout in points, from the lower left. */
public final class SetupSheet {
    private static final float LEFT = 45;
    private static final float RIGHT = 550;
    private static final float TOP = 795;
    private static final float FOOT = 50;
    private static final float TEXT = 9.5f;
    private static final float LEADING = 13f;
    private static final float PICTURE_HEIGHT = 210;
    private static final int MOST_JOINTS = 40;

    private final String millName;
    private final MillingPlan plan;
    private final List<HandJoint> joints;
    private final Geometry board;
    private final PDDocument document = new PDDocument();
    private final PDType1Font plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    private final PDType1Font bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
    private PDPageContentStream pen;
    private float y;

    private SetupSheet(String millName, MillingPlan plan, List<HandJoint> joints, Geometry board) {
        this.millName = millName;
        this.plan = plan;
        this.joints = joints;
        this.board = board;
    }

    /**
     * @param board the board's area, nm; may be empty
     */
    public static byte[] pdf(
            String millName, MillingPlan plan, List<HandJoint> joints, Geometry board) {
        SetupSheet sheet = new SetupSheet(millName, plan, joints, board);
        try (PDDocument document = sheet.make()) {
            // A fixed id, so that the same plan gives the same bytes.
            document.setDocumentId(1L);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private PDDocument make() throws IOException {
        page();
        Mill mill = plan.mill();
        line(bold, 16, "Set-up sheet for " + millName);
        y -= 4;
        line(
                plain,
                TEXT,
                String.format(
                        Locale.ROOT,
                        "Stock %s × %s mm, %s mm thick, foil %s µm. Board %.2f × %.2f mm.",
                        mm(mill.stock().width()),
                        mm(mill.stock().height()),
                        mm(mill.stock().thickness()),
                        String.valueOf(mill.stock().copper() / 1000),
                        plan.extent().getWidth() / 1e6,
                        plan.extent().getHeight() / 1e6));
        y -= 8;
        picture();
        notPlanned();
        steps();
        handWork();
        pen.close();
        return document;
    }

    private void notPlanned() throws IOException {
        if (plan.problems().isEmpty()) {
            return;
        }
        heading("Not planned");
        for (String p : plan.problems()) {
            paragraph(plain, 0, p);
        }
        y -= 6;
    }

    private static String mm(double nm) {
        String s = String.format(Locale.ROOT, "%.3f", nm / 1e6);
        return s.contains(".") ? s.replaceAll("0+$", "").replaceAll("\\.$", "") : s;
    }

    private void page() throws IOException {
        if (pen != null) {
            pen.close();
        }
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        pen = new PDPageContentStream(document, page);
        y = TOP;
    }

    private void room(float needed) throws IOException {
        if (y - needed < FOOT) {
            page();
        }
    }

    private void heading(String words) throws IOException {
        room(3 * LEADING);
        line(bold, 12, words);
        y -= 2;
    }

    private void line(PDType1Font font, float size, String words) throws IOException {
        room(size + 4);
        y -= size + 3.5f;
        text(font, size, LEFT, y, words);
    }

    private void text(PDType1Font font, float size, float x, float at, String words)
            throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset(x, at);
        pen.showText(plainWords(words));
        pen.endText();
    }

    /** The standard fonts hold Latin letters only. */
    private static String plainWords(String words) {
        return words.replaceAll("[^ -~°×µ±éèüöäß·]", "?");
    }

    private void paragraph(PDType1Font font, float indent, String words) throws IOException {
        StringBuilder now = new StringBuilder();
        for (String word : words.split(" ")) {
            String longer = now.isEmpty() ? word : now + " " + word;
            float width = font.getStringWidth(plainWords(longer)) / 1000 * TEXT;
            if (width > RIGHT - LEFT - indent && !now.isEmpty()) {
                room(LEADING);
                y -= LEADING;
                text(font, TEXT, LEFT + indent, y, now.toString());
                now = new StringBuilder(word);
            } else {
                now = new StringBuilder(longer);
            }
        }
        room(LEADING);
        y -= LEADING;
        text(font, TEXT, LEFT + indent, y, now.toString());
    }

    /** Stock, board and pins as seen from the side that is milled first. */
    private void picture() throws IOException {
        Mill.Stock stock = plan.mill().stock();
        MillSetup setup = plan.setup();
        Envelope e = plan.extent();
        double scale =
                Math.min(
                        (RIGHT - LEFT - 20) / (double) stock.width(),
                        (PICTURE_HEIGHT - 30) / (double) stock.height());
        float bottom = y - PICTURE_HEIGHT + 18;
        float w = (float) (stock.width() * scale);
        float h = (float) (stock.height() * scale);
        pen.setLineWidth(0.8f);
        pen.setNonStrokingColor(0.93f, 0.88f, 0.78f);
        pen.addRect(LEFT, bottom, w, h);
        pen.fill();
        pen.setStrokingColor(0.45f, 0.38f, 0.28f);
        pen.addRect(LEFT, bottom, w, h);
        pen.stroke();
        Side side = plan.operations().isEmpty() ? Side.TOP : plan.operations().get(0).side();
        var to = ToPack.seenFrom(side, setup.turnedOver(), e);
        pen.setNonStrokingColor(0.72f, 0.80f, 0.70f);
        pen.setStrokingColor(0.15f, 0.30f, 0.20f);
        for (Polygon p : Geo.polygons(board.isEmpty() ? Geo.rectangle(e) : board)) {
            Coordinate[] ring = p.getExteriorRing().getCoordinates();
            for (int i = 0; i < ring.length; i++) {
                float px = (float) (LEFT + (setup.inStockX() + to.programX(ring[i].x)) * scale);
                float py = (float) (bottom + (setup.inStockY() + to.programY(ring[i].y)) * scale);
                if (i == 0) {
                    pen.moveTo(px, py);
                } else {
                    pen.lineTo(px, py);
                }
            }
            pen.closePath();
            pen.fillAndStroke();
        }
        pins(to, bottom, scale);
        float zx = (float) (LEFT + setup.inStockX() * scale);
        float zy = (float) (bottom + setup.inStockY() * scale);
        pen.setStrokingColor(0.70f, 0.20f, 0.10f);
        pen.moveTo(zx - 8, zy);
        pen.lineTo(zx + 8, zy);
        pen.moveTo(zx, zy - 8);
        pen.lineTo(zx, zy + 8);
        pen.stroke();
        pen.setNonStrokingColor(0f, 0f, 0f);
        pen.setStrokingColor(0f, 0f, 0f);
        y = bottom - 4;
        paragraph(
                plain,
                0,
                String.format(
                        Locale.ROOT,
                        "Seen from the %s. Cross: x and y zero, the lower left corner of the board,"
                                + " %s mm from the left and %s mm from the lower edge of the stock.",
                        side.word(),
                        mm(setup.inStockX()),
                        mm(setup.inStockY())));
        y -= 6;
    }

    private void pins(ToPack to, float bottom, double scale) throws IOException {
        boolean drilled = plan.operations().stream().anyMatch(o -> o.kind() == Operation.Kind.PINS);
        if (!drilled) {
            return;
        }
        MillSetup setup = plan.setup();
        pen.setNonStrokingColor(0.1f, 0.1f, 0.1f);
        for (double[] at : plan.pinPlaces()) {
            float px = (float) (LEFT + (setup.inStockX() + to.programX(at[0])) * scale);
            float py = (float) (bottom + (setup.inStockY() + to.programY(at[1])) * scale);
            pen.addRect(px - 2, py - 2, 4, 4);
            pen.fill();
        }
    }

    private void steps() throws IOException {
        heading("What to do, in this order");
        int step = 1;
        Side lying = null;
        for (Program p : plan.programs()) {
            if (lying != p.side()) {
                paragraph(bold, 0, step++ + ". " + lay(lying, p.side()));
                lying = p.side();
            }
            Operation first = p.operations().get(0);
            if (p.operations().size() == 1) {
                paragraph(
                        bold,
                        0,
                        step++
                                + ". Tool "
                                + first.tool()
                                + ", "
                                + first.cutter().name()
                                + zero(first));
                paragraph(plain, 14, run(p) + " " + what(first));
            } else {
                paragraph(
                        bold,
                        0,
                        step++
                                + ". Start with tool "
                                + first.tool()
                                + ", "
                                + first.cutter().name()
                                + zero(first));
                paragraph(plain, 14, run(p) + " It pauses for each tool; set z zero anew then.");
                for (Operation o : p.operations()) {
                    paragraph(
                            plain,
                            14,
                            "Tool " + o.tool() + ", " + o.cutter().name() + ": " + what(o));
                }
            }
            if (first.kind() == Operation.Kind.PINS) {
                paragraph(plain, 14, "Put the index pins in: both sides register on them.");
            }
        }
        paragraph(bold, 0, step + ". Break the board out of its tabs and dress the edge.");
        y -= 6;
    }

    private String lay(Side before, Side now) {
        if (before == null) {
            return "Fix the stock, its " + now.word() + " side up. Probe it for levelling.";
        }
        String about =
                plan.setup().turnedOver() == MillSetup.FlipAxis.UPRIGHT
                        ? "left and right change places"
                        : "near and far change places";
        return "Turn the stock over, "
                + about
                + ", onto the pins: its "
                + now.word()
                + " side up. Probe it for levelling.";
    }

    private static String zero(Operation o) {
        return o.zero() == 0 ? ". Z zero: top of the stock." : ". Z zero: bed, under the stock.";
    }

    private static String run(Program p) {
        return String.format(
                Locale.ROOT, "Run %s (about %.0f min).", p.file(), Math.ceil(p.minutes()));
    }

    private String what(Operation o) {
        Cutter c = o.cutter();
        String speed =
                plan.mill().controller().spindleSpeed()
                        ? ""
                        : String.format(
                                Locale.ROOT, " Set the spindle to %d /min.", c.spindleRpm());
        return String.format(
                Locale.ROOT,
                "%s%s, %s mm deep, %.0f mm/min.%s",
                o.kind().words().substring(0, 1).toUpperCase(Locale.ROOT),
                o.kind().words().substring(1),
                mm(o.depth()),
                c.feed(),
                speed);
    }

    private void handWork() throws IOException {
        if (joints.isEmpty()) {
            return;
        }
        heading("Joints by hand: " + joints.size());
        paragraph(
                plain,
                0,
                "The mill plates no holes. At these places both sides are joined by hand.");
        List<String> lines = new ArrayList<>();
        for (HandJoint j : joints.subList(0, Math.min(MOST_JOINTS, joints.size()))) {
            lines.add(
                    String.format(
                            Locale.ROOT,
                            "x %.2f, y %.2f mm, hole %s mm, %s: %s",
                            (j.at().x() - plan.extent().getMinX()) / 1e6,
                            (j.at().y() - plan.extent().getMinY()) / 1e6,
                            mm(j.diameter()),
                            j.net(),
                            j.work()));
        }
        for (String l : lines) {
            paragraph(plain, 0, l);
        }
        if (joints.size() > MOST_JOINTS) {
            paragraph(plain, 0, "All " + joints.size() + " are in joints-by-hand.csv.");
        }
    }
}
