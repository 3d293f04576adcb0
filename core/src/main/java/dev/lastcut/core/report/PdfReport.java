package dev.lastcut.core.report;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

/** The report on A4 paper, as PDF. Lengths of the layout in points, from the lower left. */
public final class PdfReport {
    private static final float LEFT = 45;
    private static final float RIGHT = 550;
    private static final float TOP = 795;
    private static final float FOOT = 50;
    private static final float PICTURE_WIDTH = 168;
    private static final float PICTURE_HEIGHT = 126;
    private static final float TEXT = 9.5f;
    private static final float LEADING = 12.5f;

    private final CheckReport report;
    private final PDDocument document = new PDDocument();
    private final PDType1Font plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    private final PDType1Font bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
    private PDPageContentStream pen;
    private float y;
    private int pages;

    private PdfReport(CheckReport report) {
        this.report = report;
    }

    public static byte[] write(CheckReport report) {
        try (PDDocument document = new PdfReport(report).make()) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private PDDocument make() throws IOException {
        page();
        line(bold, 16, LEFT, "Check of " + report.job());
        y -= 8;
        line(plain, TEXT, LEFT, report.created());
        for (String against : report.against()) {
            paragraph(plain, LEFT, against);
        }
        y -= 4;
        paragraph(bold, LEFT, report.summary());
        y -= 6;
        List<Finding> findings = report.run().findings();
        Map<String, String> titles = report.titles();
        for (int i = 0; i < findings.size(); i++) {
            finding(i, findings.get(i), titles.get(findings.get(i).rule()));
        }
        list("Could not be checked", Outcome.Status.NOT_RUN);
        list("Checked and passed", Outcome.Status.PASSED);
        pen.close();
        return document;
    }

    private void page() throws IOException {
        if (pen != null) {
            pen.close();
        }
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        pen = new PDPageContentStream(document, page);
        pages++;
        y = FOOT - 18;
        line(plain, 8, LEFT, report.job() + ", page " + pages);
        y = TOP;
    }

    private void room(float height) throws IOException {
        if (y - height < FOOT) {
            page();
        }
    }

    private void finding(int index, Finding f, String title) throws IOException {
        boolean drawn = report.hasPicture(index, f);
        float left = drawn ? LEFT + PICTURE_WIDTH + 12 : LEFT;
        List<String> words = wrapped(plain, f.message(), RIGHT - left);
        float text = (3 + words.size() + (report.signOff(f).isPresent() ? 2 : 0)) * LEADING;
        room(Math.max(text, drawn ? PICTURE_HEIGHT : 0) + 14);
        float top = y;
        pen.setStrokingColor(0.8f, 0.77f, 0.7f);
        pen.setLineWidth(0.5f);
        pen.moveTo(LEFT, top);
        pen.lineTo(RIGHT, top);
        pen.stroke();
        y = top - LEADING - 1;
        ink(f.severity());
        line(bold, TEXT, left, (index + 1) + "  " + f.severity().id() + "  " + title);
        pen.setNonStrokingColor(0f, 0f, 0f);
        line(plain, TEXT, left, CheckReport.measure(f));
        line(plain, TEXT, left, CheckReport.place(f) + "  " + CheckReport.layers(f));
        for (String w : words) {
            line(plain, TEXT, left, w);
        }
        var signed = report.signOff(f);
        if (signed.isPresent()) {
            String s = "Signed off by " + signed.get().by() + ": " + signed.get().reason();
            for (String w : wrapped(bold, s, RIGHT - left)) {
                line(bold, TEXT, left, w);
            }
        }
        if (drawn) {
            picture(FindingPicture.of(report.geometry(), f), LEFT, top - PICTURE_HEIGHT - 5);
            y = Math.min(y, top - PICTURE_HEIGHT - 9);
        }
        y -= 6;
    }

    private void ink(Severity s) throws IOException {
        switch (s) {
            case STOP -> pen.setNonStrokingColor(0.64f, 0.15f, 0.16f);
            case LOOK -> pen.setNonStrokingColor(0.54f, 0.35f, 0f);
            default -> pen.setNonStrokingColor(0.3f, 0.35f, 0.42f);
        }
    }

    private void list(String heading, Outcome.Status status) throws IOException {
        List<CheckRun.Result> results = report.with(status);
        if (results.isEmpty()) {
            return;
        }
        room(4 * LEADING);
        y -= 10;
        line(bold, 12, LEFT, heading);
        for (CheckRun.Result r : results) {
            String reason = r.outcome().reason();
            paragraph(plain, LEFT, r.title() + (reason.isEmpty() ? "" : ": " + reason));
        }
    }

    private void paragraph(PDType1Font font, float left, String words) throws IOException {
        for (String w : wrapped(font, words, RIGHT - left)) {
            room(LEADING);
            line(font, TEXT, left, w);
        }
    }

    private void line(PDType1Font font, float size, float left, String words) throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset(left, y);
        pen.showText(known(words));
        pen.endText();
        y -= Math.max(LEADING, size * 1.2f);
    }

    private static List<String> wrapped(PDType1Font font, String words, float width)
            throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : known(words).split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && font.getStringWidth(longer) / 1000 * TEXT > width) {
                lines.add(line.toString());
                longer = word;
            }
            line = new StringBuilder(longer);
        }
        lines.add(line.toString());
        return lines;
    }

    /** The standard fonts know the western letters only. */
    private static String known(String words) {
        StringBuilder out = new StringBuilder();
        words.replace("Ω", "ohm")
                .replace("–", "-")
                .codePoints()
                .forEach(
                        c -> {
                            boolean western = (c >= 32 && c < 127) || (c >= 160 && c < 256);
                            out.append(western ? (char) c : '?');
                        });
        return out.toString();
    }

    private void picture(FindingPicture p, float left, float bottom) throws IOException {
        pen.saveGraphicsState();
        pen.setNonStrokingColor(1f, 0.99f, 0.97f);
        pen.setStrokingColor(0.8f, 0.77f, 0.7f);
        pen.setLineWidth(0.5f);
        pen.addRect(left, bottom, PICTURE_WIDTH, PICTURE_HEIGHT);
        pen.fillAndStroke();
        pen.addRect(left, bottom, PICTURE_WIDTH, PICTURE_HEIGHT);
        pen.clip();
        Envelope w = p.window();
        double scale = PICTURE_WIDTH / w.getWidth();
        blend(BlendMode.MULTIPLY);
        for (FindingPicture.Film f : p.films()) {
            pen.setNonStrokingColor(f.ink()[0] / 255f, f.ink()[1] / 255f, f.ink()[2] / 255f);
            for (var polygon : Geo.polygons(f.shape())) {
                outline(polygon.getExteriorRing(), w, scale, left, bottom);
                for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                    outline(polygon.getInteriorRingN(i), w, scale, left, bottom);
                }
                pen.fillEvenOdd();
            }
        }
        blend(BlendMode.NORMAL);
        pen.setNonStrokingColor(1f, 1f, 1f);
        pen.setStrokingColor(0.23f, 0.2f, 0.17f);
        for (Geometry hole : p.holes()) {
            for (var polygon : Geo.polygons(hole)) {
                outline(polygon.getExteriorRing(), w, scale, left, bottom);
                pen.fillAndStroke();
            }
        }
        pen.setLineWidth(1f);
        for (int i = 0; i < p.edge().getNumGeometries(); i++) {
            if (p.edge().getGeometryN(i) instanceof LineString edge && !edge.isEmpty()) {
                outline(edge, w, scale, left, bottom);
                pen.stroke();
            }
        }
        pen.setLineWidth(0.6f);
        for (Measure m : p.also()) {
            segment(m.from(), m.to(), w, scale, left, bottom);
        }
        pen.setStrokingColor(0.64f, 0.15f, 0.16f);
        pen.setLineWidth(1.3f);
        segment(p.caliper().from(), p.caliper().to(), w, scale, left, bottom);
        for (Pt at : List.of(p.caliper().from(), p.caliper().to())) {
            float x = x(at.x(), w, scale, left);
            float v = y(at.y(), w, scale, bottom);
            pen.addRect(x - 2.5f, v - 2.5f, 5, 5);
            pen.stroke();
        }
        pen.restoreGraphicsState();
    }

    private void blend(BlendMode mode) throws IOException {
        PDExtendedGraphicsState state = new PDExtendedGraphicsState();
        state.setBlendMode(mode);
        pen.setGraphicsStateParameters(state);
    }

    private void segment(Pt a, Pt b, Envelope w, double scale, float left, float bottom)
            throws IOException {
        pen.moveTo(x(a.x(), w, scale, left), y(a.y(), w, scale, bottom));
        pen.lineTo(x(b.x(), w, scale, left), y(b.y(), w, scale, bottom));
        pen.stroke();
    }

    private void outline(LineString line, Envelope w, double scale, float left, float bottom)
            throws IOException {
        Coordinate[] c = line.getCoordinates();
        pen.moveTo(x(c[0].x, w, scale, left), y(c[0].y, w, scale, bottom));
        for (int i = 1; i < c.length; i++) {
            pen.lineTo(x(c[i].x, w, scale, left), y(c[i].y, w, scale, bottom));
        }
    }

    private static float x(double nm, Envelope w, double scale, float left) {
        return (float) (left + (nm - w.getMinX()) * scale);
    }

    private static float y(double nm, Envelope w, double scale, float bottom) {
        return (float) (bottom + (nm - w.getMinY()) * scale);
    }
}
