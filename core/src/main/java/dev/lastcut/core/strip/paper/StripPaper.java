package dev.lastcut.core.strip.paper;

import dev.lastcut.core.print.PaperPages;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.LeadForm;
import dev.lastcut.core.strip.StripBoard;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripNets;
import dev.lastcut.core.strip.StripPart;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.value.Amount;
import dev.lastcut.core.value.ColourBand;
import dev.lastcut.core.value.ColourCode;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.PartValue;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * A layout as pages to work from: the part side and the copper side at 1:1, each with a ruler of
 * 100 mm, then what to do in order: cuts, links, parts. Strips and holes are counted from 0, as in
 * the other files.
 */
public final class StripPaper {
    private static final float PT = (float) (72 / 25.4);
    private static final double MARGIN_MM = 20;
    private static final double RULER_MM = 100;
    private static final double HEAD_MM = 34;

    private final StripLayout layout;
    private final String job;
    private final PDDocument document = new PDDocument();
    private final PDType1Font plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    private final PDType1Font bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
    private final double width;
    private final double height;
    private PDPageContentStream pen;
    private double y;

    private StripPaper(StripLayout layout, String job) {
        this.layout = layout;
        this.job = job;
        double pitch = layout.pitchMm();
        // A board that no A4 sheet holds gets a sheet as large as it needs.
        width = Math.max(210, layout.plan().holes() * pitch + 2 * MARGIN_MM);
        height = Math.max(297, layout.plan().strips() * pitch + HEAD_MM + 2 * MARGIN_MM);
    }

    /**
     * @param title what the pages are headed with
     */
    public static byte[] pdf(StripLayout layout, String title) {
        StripPaper paper = new StripPaper(layout, title);
        try (PDDocument document = paper.document) {
            paper.face(false);
            paper.face(true);
            paper.cuts();
            paper.links();
            paper.parts();
            paper.probes();
            paper.pen.close();
            document.setDocumentId(1L);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void page(String title) throws IOException {
        if (pen != null) {
            pen.close();
        }
        PDPage page = new PDPage(new PDRectangle((float) width * PT, (float) height * PT));
        document.addPage(page);
        pen = new PDPageContentStream(document, page);
        y = height - 15;
        text(bold, 13, MARGIN_MM, title);
        y -= 6;
    }

    private void text(PDType1Font font, float size, double x, String words) throws IOException {
        write(font, size, x, y, words);
    }

    private void write(PDType1Font font, float size, double x, double at, String words)
            throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset((float) x * PT, (float) at * PT);
        pen.showText(PaperPages.known(words));
        pen.endText();
    }

    private void line(double x1, double y1, double x2, double y2) throws IOException {
        pen.moveTo((float) x1 * PT, (float) y1 * PT);
        pen.lineTo((float) x2 * PT, (float) y2 * PT);
        pen.stroke();
    }

    private void colour(int rgb) throws IOException {
        float r = (rgb >> 16 & 255) / 255f;
        float g = (rgb >> 8 & 255) / 255f;
        float b = (rgb & 255) / 255f;
        pen.setNonStrokingColor(r, g, b);
        pen.setStrokingColor(r, g, b);
    }

    // The two faces.

    private double left;
    private double top;
    private boolean mirrored;

    /** 1 for the drawing at true scale. */
    private double zoom = 1;

    private double x(double hole) {
        double from = mirrored ? layout.plan().holes() - 1 - hole : hole;
        return left + from * layout.pitchMm() * zoom;
    }

    private double y(double strip) {
        return top - strip * layout.pitchMm() * zoom;
    }

    private void face(boolean copperSide) throws IOException {
        StripPlan plan = layout.plan();
        mirrored = copperSide;
        page(job + (copperSide ? ": copper side, mirrored, for cutting" : ": part side"));
        text(
                plain,
                9,
                MARGIN_MM,
                "Print at 100 %. The ruler must measure 100 mm. Board: "
                        + plan.strips()
                        + " strips × "
                        + plan.holes()
                        + " holes, "
                        + String.format(
                                Locale.ROOT,
                                "%.1f × %.1f mm",
                                plan.holes() * layout.pitchMm(),
                                plan.strips() * layout.pitchMm())
                        + ", from: "
                        + layout.stock().name()
                        + ".");
        y -= 8;
        ruler();
        drawing(copperSide);
        enlarged(copperSide);
    }

    private void drawing(boolean copperSide) throws IOException {
        StripPlan plan = layout.plan();
        left = (width - (plan.holes() - 1) * layout.pitchMm() * zoom) / 2;
        top = y - 7 - 5 * zoom;
        scale();
        copper();
        if (copperSide) {
            colour(0xb3261e);
            pen.setLineWidth((float) (1.2 * zoom));
            for (StripTables.Cut c : StripTables.cuts(layout)) {
                cut(c);
            }
        } else {
            overlay();
        }
        y = top - plan.strips() * layout.pitchMm() * zoom - 2;
    }

    /** The same as large as the sheet allows, to be read; no sheet to lay the board on. */
    private void enlarged(boolean copperSide) throws IOException {
        StripPlan plan = layout.plan();
        double wide = (width - 2 * MARGIN_MM) / ((plan.holes() + 1) * layout.pitchMm());
        double high = (y - 32) / ((plan.strips() + 2) * layout.pitchMm());
        double most = Math.floor(Math.min(wide, high) * 2) / 2;
        if (most < 1.5) {
            return;
        }
        zoom = Math.min(4, most);
        y -= 8;
        colour(0x1f2a30);
        text(
                plain,
                9,
                MARGIN_MM,
                String.format(Locale.ROOT, "Enlarged %.1f times, to be read:", zoom));
        drawing(copperSide);
        zoom = 1;
    }

    private void ruler() throws IOException {
        colour(0x1f2a30);
        pen.setLineWidth(0.6f);
        line(MARGIN_MM, y, MARGIN_MM + RULER_MM, y);
        for (int mm = 0; mm <= RULER_MM; mm++) {
            line(MARGIN_MM + mm, y, MARGIN_MM + mm, y + (mm % 10 == 0 ? 3 : mm % 5 == 0 ? 2 : 1.2));
        }
        write(plain, 7, MARGIN_MM + RULER_MM + 2, y, "100 mm");
    }

    private void scale() throws IOException {
        StripPlan plan = layout.plan();
        colour(0x1f2a30);
        for (int h = 0; h < plan.holes(); h++) {
            if (h % 5 == 0 || h == plan.holes() - 1) {
                String n = String.valueOf(h);
                write(plain, sized(5.5), x(h) - n.length() * 0.5 * zoom, top + 2.4 * zoom, n);
            }
        }
        for (int s = 0; s < plan.strips(); s++) {
            write(plain, sized(5.5), left - 5 * zoom, y(s) - 0.7 * zoom, String.valueOf(s));
        }
    }

    private void copper() throws IOException {
        double half = layout.pitchMm() / 2 * zoom;
        for (StripCopper.StripPiece p : layout.copper().pieces()) {
            double a = Math.min(x(p.first()), x(p.last())) - half + 0.25 * zoom;
            double b = Math.max(x(p.first()), x(p.last())) + half - 0.25 * zoom;
            colour(mirrored ? 0xe3b98f : 0xf3e6d8);
            pen.addRect(
                    (float) a * PT,
                    (float) (y(p.strip()) - half + 0.25 * zoom) * PT,
                    (float) (b - a) * PT,
                    (float) (2 * half - 0.5 * zoom) * PT);
            pen.fill();
        }
        colour(0xffffff);
        for (int s = 0; s < layout.plan().strips(); s++) {
            for (int h = 0; h < layout.plan().holes(); h++) {
                dot(x(h), y(s), 0.5 * zoom);
            }
        }
        colour(0x1f2a30);
    }

    private void dot(double cx, double cy, double r) throws IOException {
        // A square stands for the hole: at 1 mm no printer tells it from a circle.
        pen.addRect(
                (float) (cx - r) * PT,
                (float) (cy - r) * PT,
                (float) (2 * r) * PT,
                (float) (2 * r) * PT);
        pen.fill();
    }

    private void cut(StripTables.Cut c) throws IOException {
        double cx = x(c.at().hole());
        double cy = y(c.at().strip());
        if (c.how() == StripTables.How.KNIFE) {
            double at = (cx + x(c.at().hole() + 1)) / 2;
            line(at, cy - 1.1 * zoom, at, cy + 1.1 * zoom);
        } else if (c.how() == StripTables.How.DRILL) {
            line(cx - 0.9 * zoom, cy - 0.9 * zoom, cx + 0.9 * zoom, cy + 0.9 * zoom);
            line(cx - 0.9 * zoom, cy + 0.9 * zoom, cx + 0.9 * zoom, cy - 0.9 * zoom);
        }
    }

    private void overlay() throws IOException {
        pen.setLineWidth((float) (1.1 * zoom));
        colour(0x0f6f74);
        for (StripPlan.Link l : layout.plan().links()) {
            line(x(l.from().hole()), y(l.from().strip()), x(l.to().hole()), y(l.to().strip()));
        }
        pen.setLineWidth((float) (0.7 * zoom));
        colour(0x1f2a30);
        layout.plan()
                .parts()
                .forEach(
                        (name, placed) ->
                                StripBoard.body(layout, name)
                                        .ifPresent(b -> body(name, placed, b)));
        colour(0xb3261e);
        pen.setLineWidth((float) (0.5 * zoom));
        for (StripTables.Cut c : StripTables.cuts(layout)) {
            cut(c);
        }
        colour(0x6b4fa0);
        for (StripPlan.ProbePoint p : layout.plan().probes()) {
            write(
                    plain,
                    sized(4),
                    x(p.at().hole()) + 0.5 * zoom,
                    y(p.at().strip()) + 0.4 * zoom,
                    p.net());
        }
    }

    private void body(String name, StripPlan.Placed placed, Geometry outline) {
        try {
            Coordinate[] ring = outline.getCoordinates();
            for (int i = 0; i + 1 < ring.length; i++) {
                line(
                        x(ring[i].x / layout.pitchMm()),
                        y(ring[i].y / layout.pitchMm()),
                        x(ring[i + 1].x / layout.pitchMm()),
                        y(ring[i + 1].y / layout.pitchMm()));
            }
            List<GridHole> ends = List.copyOf(placed.pins().values());
            if (ends.size() == 2) {
                line(
                        x(ends.get(0).hole()),
                        y(ends.get(0).strip()),
                        x(ends.get(1).hole()),
                        y(ends.get(1).strip()));
            }
            for (GridHole h : ends) {
                dot(x(h.hole()), y(h.strip()), 0.35 * zoom);
            }
            Coordinate c = outline.getCentroid().getCoordinate();
            write(
                    bold,
                    sized(5.5),
                    x(c.x / layout.pitchMm()) - name.length() * 0.55 * zoom,
                    y(c.y / layout.pitchMm()) - 0.7 * zoom,
                    name);
            // Pin 1 of parts that have more than two.
            if (placed.pins().size() > 2) {
                GridHole first = placed.pins().values().iterator().next();
                write(
                        plain,
                        sized(4.5),
                        x(first.hole()) - 1.6 * zoom,
                        y(first.strip()) + 0.5 * zoom,
                        placed.pins().keySet().iterator().next());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A text size in points that grows with the drawing. */
    private float sized(double points) {
        return (float) (points * zoom);
    }

    // What to do, in order.

    private void heading(String title, String below) throws IOException {
        room(24);
        y -= 5;
        colour(0x1f2a30);
        text(bold, 11, MARGIN_MM, title);
        y -= 5;
        text(plain, 8.5f, MARGIN_MM, below);
        y -= 5.5;
    }

    private void room(double mm) throws IOException {
        if (y - mm < 15) {
            page(job + ": steps");
            colour(0x1f2a30);
        }
    }

    private void row(double[] columns, String... cells) throws IOException {
        room(5);
        pen.setLineWidth(0.5f);
        pen.addRect((float) MARGIN_MM * PT, (float) (y - 0.4) * PT, 2.6f * PT, 2.6f * PT);
        pen.stroke();
        for (int i = 0; i < cells.length; i++) {
            text(plain, 8.5f, MARGIN_MM + columns[i], cells[i]);
        }
        y -= 4.6;
    }

    private void cuts() throws IOException {
        page(job + ": steps");
        List<StripTables.Cut> cuts = new ArrayList<>(StripTables.cuts(layout));
        cuts.removeIf(c -> c.how() == StripTables.How.AS_BOUGHT);
        heading(
                "1. Cuts: " + cuts.size(),
                "On the copper side. Take the copper round the hole away, and check each with a meter.");
        double[] columns = {6, 40, 70};
        for (StripTables.Cut c : cuts) {
            row(
                    columns,
                    "strip " + c.at().strip() + ", hole " + c.at().hole(),
                    c.how().word(),
                    c.parts());
        }
    }

    private void links() throws IOException {
        StripNets nets = new StripNets(layout);
        List<StripPlan.Link> links = StripTables.links(layout.plan());
        heading("2. Links: " + links.size(), "On the part side. Lengths are from hole to hole.");
        double[] columns = {6, 40, 76, 100, 124};
        for (StripPlan.Link l : links) {
            row(
                    columns,
                    "strip " + l.from().strip() + ", hole " + l.from().hole(),
                    "to strip " + l.to().strip() + ", hole " + l.to().hole(),
                    String.format(Locale.ROOT, "%.1f mm", l.length() * layout.pitchMm()),
                    StripTables.wire(l),
                    nets.at(l.from()).orElse(""));
        }
    }

    private void parts() throws IOException {
        heading(
                "3. Parts: " + layout.plan().parts().size(),
                "The lowest first. Pins are given as pin at strip/hole.");
        double[] columns = {6, 22, 50, 86};
        for (String name : StripTables.parts(layout)) {
            StripPart part = layout.part(name).orElseThrow();
            StripPlan.Placed placed = layout.plan().parts().get(name);
            room(5);
            double at = y;
            bands(part, 140, at);
            row(
                    columns,
                    name,
                    part.value(),
                    part.form().map(LeadForm::name).orElse("")
                            + (placed.standing() ? ", standing" : ""),
                    shortened(StripTables.holes(placed)));
        }
    }

    private static String shortened(String holes) {
        return holes.length() <= 64 ? holes : holes.substring(0, 60) + " ...";
    }

    private void bands(StripPart part, double x, double at) throws IOException {
        Optional<Amount> ohms =
                PartValue.read(part.value(), part.designator())
                        .amount()
                        .filter(a -> a.of() == Dimension.RESISTANCE);
        boolean banded = part.form().filter(f -> f.kind() == LeadForm.Kind.AXIAL).isPresent();
        if (!banded || ohms.isEmpty() || Dimension.of(part.designator()) != Dimension.RESISTANCE) {
            return;
        }
        Optional<ColourCode> code = ColourCode.of(ohms.get().number(), 5, OptionalInt.empty());
        double next = x;
        for (ColourBand b : code.map(ColourCode::bands).orElse(List.of())) {
            colour(b.rgb());
            pen.addRect((float) next * PT, (float) (at - 0.4) * PT, 1.6f * PT, 2.8f * PT);
            pen.fill();
            next += 2.4;
        }
        colour(0x1f2a30);
    }

    private void probes() throws IOException {
        heading(
                "4. Measure: " + layout.plan().probes().size() + " nets",
                "Before power: no net may have a connection to another one.");
        double[] columns = {6, 40};
        for (StripPlan.ProbePoint p : layout.plan().probes()) {
            row(columns, p.net(), "strip " + p.at().strip() + ", hole " + p.at().hole());
        }
    }
}
