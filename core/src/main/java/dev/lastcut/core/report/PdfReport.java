package dev.lastcut.core.report;

import static dev.lastcut.core.print.PaperPages.LEADING;
import static dev.lastcut.core.print.PaperPages.LEFT;
import static dev.lastcut.core.print.PaperPages.RIGHT;
import static dev.lastcut.core.print.PaperPages.TEXT;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.print.PaperPages;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/** The report on A4 paper, as PDF. Lengths of the layout in points, from the lower left. */
public final class PdfReport {
    private static final float PICTURE_WIDTH = 168;
    private static final float PICTURE_HEIGHT = 126;

    private final CheckReport report;
    private final PaperPages pages;

    private PdfReport(CheckReport report, PaperPages pages) {
        this.report = report;
        this.pages = pages;
    }

    public static byte[] write(CheckReport report) {
        try (PaperPages pages = new PaperPages(report.job())) {
            new PdfReport(report, pages).make();
            return pages.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void make() throws IOException {
        pages.line(pages.bold(), 16, LEFT, "Check of " + report.job());
        pages.skip(8);
        pages.line(pages.plain(), TEXT, LEFT, report.created());
        for (String against : report.against()) {
            pages.paragraph(pages.plain(), LEFT, against);
        }
        pages.skip(4);
        pages.paragraph(pages.bold(), LEFT, report.summary());
        pages.skip(6);
        List<Finding> findings = report.run().findings();
        Map<String, String> titles = report.titles();
        for (int i = 0; i < findings.size(); i++) {
            finding(i, findings.get(i), titles.get(findings.get(i).rule()));
        }
        list("Could not be checked", Outcome.Status.NOT_RUN);
        list("Checked and passed", Outcome.Status.PASSED);
    }

    private void finding(int index, Finding f, String title) throws IOException {
        boolean drawn = report.hasPicture(index, f);
        float left = drawn ? LEFT + PICTURE_WIDTH + 12 : LEFT;
        List<String> words = pages.wrapped(pages.plain(), f.message(), RIGHT - left);
        float text = (3 + words.size() + (report.signOff(f).isPresent() ? 2 : 0)) * LEADING;
        pages.room(Math.max(text, drawn ? PICTURE_HEIGHT : 0) + 14);
        float top = pages.y();
        pages.pen().setStrokingColor(0.8f, 0.77f, 0.7f);
        pages.pen().setLineWidth(0.5f);
        pages.pen().moveTo(LEFT, top);
        pages.pen().lineTo(RIGHT, top);
        pages.pen().stroke();
        pages.moveTo(top - LEADING - 1);
        ink(f.severity());
        pages.line(pages.bold(), TEXT, left, (index + 1) + "  " + f.severity().id() + "  " + title);
        pages.pen().setNonStrokingColor(0f, 0f, 0f);
        pages.line(pages.plain(), TEXT, left, CheckReport.measure(f));
        pages.line(pages.plain(), TEXT, left, CheckReport.place(f) + "  " + CheckReport.layers(f));
        for (String w : words) {
            pages.line(pages.plain(), TEXT, left, w);
        }
        var signed = report.signOff(f);
        if (signed.isPresent()) {
            String s = "Signed off by " + signed.get().by() + ": " + signed.get().reason();
            for (String w : pages.wrapped(pages.bold(), s, RIGHT - left)) {
                pages.line(pages.bold(), TEXT, left, w);
            }
        }
        if (drawn) {
            picture(FindingPicture.of(report.geometryOf(f), f), LEFT, top - PICTURE_HEIGHT - 5);
            pages.moveTo(Math.min(pages.y(), top - PICTURE_HEIGHT - 9));
        }
        pages.skip(6);
    }

    private void ink(Severity s) throws IOException {
        switch (s) {
            case STOP -> pages.pen().setNonStrokingColor(0.64f, 0.15f, 0.16f);
            case LOOK -> pages.pen().setNonStrokingColor(0.54f, 0.35f, 0f);
            default -> pages.pen().setNonStrokingColor(0.3f, 0.35f, 0.42f);
        }
    }

    private void list(String heading, Outcome.Status status) throws IOException {
        List<CheckRun.Result> results = report.with(status);
        if (results.isEmpty()) {
            return;
        }
        pages.room(4 * LEADING);
        pages.skip(10);
        pages.line(pages.bold(), 12, LEFT, heading);
        for (CheckRun.Result r : results) {
            String reason = r.outcome().reason();
            pages.paragraph(
                    pages.plain(), LEFT, r.title() + (reason.isEmpty() ? "" : ": " + reason));
        }
    }

    private void picture(FindingPicture p, float left, float bottom) throws IOException {
        pages.pen().saveGraphicsState();
        pages.pen().setNonStrokingColor(1f, 0.99f, 0.97f);
        pages.pen().setStrokingColor(0.8f, 0.77f, 0.7f);
        pages.pen().setLineWidth(0.5f);
        pages.pen().addRect(left, bottom, PICTURE_WIDTH, PICTURE_HEIGHT);
        pages.pen().fillAndStroke();
        pages.pen().addRect(left, bottom, PICTURE_WIDTH, PICTURE_HEIGHT);
        pages.pen().clip();
        Envelope w = p.window();
        double scale = PICTURE_WIDTH / w.getWidth();
        blend(BlendMode.MULTIPLY);
        for (FindingPicture.Film f : p.films()) {
            pages.pen()
                    .setNonStrokingColor(f.ink()[0] / 255f, f.ink()[1] / 255f, f.ink()[2] / 255f);
            for (var polygon : Geo.polygons(f.shape())) {
                outline(polygon.getExteriorRing(), w, scale, left, bottom);
                for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                    outline(polygon.getInteriorRingN(i), w, scale, left, bottom);
                }
                pages.pen().fillEvenOdd();
            }
        }
        blend(BlendMode.NORMAL);
        pages.pen().setNonStrokingColor(1f, 1f, 1f);
        pages.pen().setStrokingColor(0.23f, 0.2f, 0.17f);
        for (Geometry hole : p.holes()) {
            for (var polygon : Geo.polygons(hole)) {
                outline(polygon.getExteriorRing(), w, scale, left, bottom);
                pages.pen().fillAndStroke();
            }
        }
        pages.pen().setLineWidth(1f);
        for (int i = 0; i < p.edge().getNumGeometries(); i++) {
            if (p.edge().getGeometryN(i) instanceof LineString edge && !edge.isEmpty()) {
                outline(edge, w, scale, left, bottom);
                pages.pen().stroke();
            }
        }
        pages.pen().setLineWidth(0.6f);
        for (Measure m : p.also()) {
            segment(m.from(), m.to(), w, scale, left, bottom);
        }
        pages.pen().setStrokingColor(0.64f, 0.15f, 0.16f);
        pages.pen().setLineWidth(1.3f);
        segment(p.caliper().from(), p.caliper().to(), w, scale, left, bottom);
        for (Pt at : List.of(p.caliper().from(), p.caliper().to())) {
            float x = x(at.x(), w, scale, left);
            float v = y(at.y(), w, scale, bottom);
            pages.pen().addRect(x - 2.5f, v - 2.5f, 5, 5);
            pages.pen().stroke();
        }
        pages.pen().restoreGraphicsState();
    }

    private void blend(BlendMode mode) throws IOException {
        PDExtendedGraphicsState state = new PDExtendedGraphicsState();
        state.setBlendMode(mode);
        pages.pen().setGraphicsStateParameters(state);
    }

    private void segment(Pt a, Pt b, Envelope w, double scale, float left, float bottom)
            throws IOException {
        pages.pen().moveTo(x(a.x(), w, scale, left), y(a.y(), w, scale, bottom));
        pages.pen().lineTo(x(b.x(), w, scale, left), y(b.y(), w, scale, bottom));
        pages.pen().stroke();
    }

    private void outline(LineString line, Envelope w, double scale, float left, float bottom)
            throws IOException {
        Coordinate[] c = line.getCoordinates();
        pages.pen().moveTo(x(c[0].x, w, scale, left), y(c[0].y, w, scale, bottom));
        for (int i = 1; i < c.length; i++) {
            pages.pen().lineTo(x(c[i].x, w, scale, left), y(c[i].y, w, scale, bottom));
        }
    }

    private static float x(double nm, Envelope w, double scale, float left) {
        return (float) (left + (nm - w.getMinX()) * scale);
    }

    private static float y(double nm, Envelope w, double scale, float bottom) {
        return (float) (bottom + (nm - w.getMinY()) * scale);
    }
}
