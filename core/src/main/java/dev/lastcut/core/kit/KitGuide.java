package dev.lastcut.core.kit;

import static dev.lastcut.core.print.PaperPages.LEADING;
import static dev.lastcut.core.print.PaperPages.LEFT;
import static dev.lastcut.core.print.PaperPages.RIGHT;
import static dev.lastcut.core.print.PaperPages.TEXT;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.kit.KitStep.Reading;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.print.PaperPages;
import dev.lastcut.core.value.ColourBand;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.pdmodel.font.PDType1Font;

/** The guide for the bench on A4, as PDF: a picture and a few words for each step. */
public final class KitGuide {
    private static final float PICTURE_WIDTH = 250;
    private static final float PICTURE_HEIGHT = 144;
    private static final float WORDS = LEFT + PICTURE_WIDTH + 14;
    private static final float BODY_WIDTH = 96;
    private static final float BODY_HEIGHT = 17;
    private static final float BOX = 9;

    /** As many as go on a line. */
    private static final int MOST_BOXES = 19;

    private final BoardGeometry geometry;
    private final BenchKit kit;
    private final Map<String, String> notes;
    private final int boards;
    private final Map<String, byte[]> pictures;
    private final PaperPages pages;
    private final StepPicture picture;

    private KitGuide(
            BoardGeometry geometry,
            BenchKit kit,
            Map<String, String> notes,
            int boards,
            Map<String, byte[]> pictures,
            PaperPages pages) {
        this.geometry = geometry;
        this.kit = kit;
        this.notes = notes;
        this.boards = boards;
        this.pictures = pictures;
        this.pages = pages;
        this.picture = new StepPicture(geometry, kit);
    }

    /**
     * @param notes by designator
     * @param boards of the batch: each step has a box to tick for each
     * @param joints places where both sides are joined by hand, on a board that is milled
     */
    public static byte[] pdf(
            BoardGeometry geometry,
            BenchKit kit,
            Map<String, String> notes,
            int boards,
            List<HandJoint> joints) {
        return pdf(geometry, kit, notes, boards, joints, Map.of());
    }

    /**
     * @param pictures PNG or JPEG by the part they belong to, printed with its step
     */
    public static byte[] pdf(
            BoardGeometry geometry,
            BenchKit kit,
            Map<String, String> notes,
            int boards,
            List<HandJoint> joints,
            Map<String, byte[]> pictures) {
        try (PaperPages pages = new PaperPages("Bench guide")) {
            KitGuide guide = new KitGuide(geometry, kit, notes, boards, pictures, pages);
            guide.front();
            guide.joints(joints);
            guide.steps();
            guide.probes();
            return pages.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void front() throws IOException {
        pages.line(pages.bold(), 16, LEFT, "Bench guide");
        pages.skip(4);
        if (kit.steps().isEmpty() && kit.unplaced().isEmpty()) {
            pages.paragraph(pages.plain(), LEFT, "Nothing is left to solder by hand.");
        }
        int parts = kit.steps().stream().mapToInt(s -> s.parts().size()).sum();
        if (parts > 0) {
            pages.paragraph(
                    pages.plain(),
                    LEFT,
                    parts
                            + (parts == 1 ? " part" : " parts")
                            + " to solder by hand, in "
                            + kit.steps().size()
                            + " steps. Tick a box for each board. In each picture the parts of the step are filled, a ring is the"
                            + " pad to start on, and a wedge the pin that the words are about. The"
                            + " bottom is drawn as seen from below.");
        }
        if (!kit.unplaced().isEmpty()) {
            pages.paragraph(
                    pages.plain(),
                    LEFT,
                    "Without a place on the board: "
                            + Designators.fold(
                                    kit.unplaced().stream().map(Part::designator).toList())
                            + ".");
        }
        if (!kit.gaps().isEmpty()) {
            pages.paragraph(pages.bold(), LEFT, Assignments.gapWords(kit.gaps()));
        }
        pages.skip(8);
    }

    private void joints(List<HandJoint> joints) throws IOException {
        List<HandJoint> wires = joints.stream().filter(j -> j.pin().isEmpty()).toList();
        if (wires.isEmpty()) {
            return;
        }
        pages.line(pages.bold(), 12, LEFT, "First: join both sides");
        pages.paragraph(
                pages.plain(),
                LEFT,
                wires.size()
                        + " holes need a wire or a rivet before anything covers them; the other "
                        + (joints.size() - wires.size())
                        + " are leads to solder on both sides when their part comes. The table"
                        + " joints-by-hand.csv has them all.");
        pages.room(PICTURE_HEIGHT + 10);
        picture.joints(
                pages.pen(),
                wires,
                LEFT,
                pages.y() - PICTURE_HEIGHT,
                PICTURE_WIDTH,
                PICTURE_HEIGHT);
        pages.skip(PICTURE_HEIGHT + 14);
    }

    private void steps() throws IOException {
        int n = 1;
        for (GuideLine l : kit.lines()) {
            if (l.step().isPresent()) {
                step(n++, l.step().get());
            } else {
                own(n++, l.own());
            }
        }
    }

    private void own(int n, String what) throws IOException {
        pages.room(4 * LEADING + BOX);
        pages.line(pages.bold(), 12, LEFT, n + ".");
        pages.paragraph(pages.plain(), LEFT, what);
        ticks(LEFT);
        pages.skip(10);
    }

    /** A box to tick for each board of the batch. */
    private void ticks(float left) throws IOException {
        int shown = Math.min(boards, MOST_BOXES);
        float y = pages.y() - BOX + 6;
        var pen = pages.pen();
        pen.setStrokingColor(0.3f, 0.3f, 0.3f);
        pen.setLineWidth(0.6f);
        for (int i = 0; i < shown; i++) {
            pen.addRect(left + i * (BOX + 3), y, BOX, BOX);
            pen.stroke();
        }
        pages.moveTo(y - LEADING + 2);
    }

    private void step(int n, KitStep s) throws IOException {
        pages.room(PICTURE_HEIGHT + 24);
        float top = pages.y();
        picture.step(pages.pen(), s, LEFT, top - PICTURE_HEIGHT + 8, PICTURE_WIDTH, PICTURE_HEIGHT);
        pages.line(
                pages.bold(),
                12,
                WORDS,
                n + ". " + (s.parts().size() == 1 ? "" : s.parts().size() + " x ") + s.value());
        words(pages.bold(), Designators.fold(s.designators()));
        Part p = s.parts().get(0);
        String footprint = p.placed().map(a -> a.footprint()).orElse(p.footprint());
        words(
                pages.plain(),
                String.join(
                        ", ",
                        footprint.isBlank()
                                ? "On the " + s.side().word()
                                : footprint + ", on the " + s.side().word(),
                        s.leads() ? "leaded" : "surface-mounted",
                        String.format(Locale.ROOT, "%.1f mm high", s.heightMm())));
        if (!p.partNumber().isBlank()) {
            words(pages.plain(), "Part " + p.partNumber());
        }
        if (s.spacingMm().isPresent()) {
            words(
                    pages.plain(),
                    String.format(
                            Locale.ROOT,
                            "Bend the leads to %.2f mm.",
                            s.spacingMm().getAsDouble()));
        }
        for (Reading r : s.colours()) {
            bands(r);
        }
        String polarity = KitTable.polarity(s);
        if (!polarity.isEmpty()) {
            words(pages.bold(), polarity);
        }
        if (!s.places().get(0).startPin().isEmpty()) {
            words(pages.plain(), "Start on pin " + s.places().get(0).startPin() + ".");
        }
        words(pages.plain(), "Why now: " + s.stage().why() + ".");
        ticks(WORDS);
        for (String d : s.designators()) {
            if (notes.containsKey(d)) {
                words(pages.bold(), d + ": " + notes.get(d));
            }
        }
        pages.moveTo(Math.min(pages.y(), top - PICTURE_HEIGHT) - 10);
        for (String d : s.designators()) {
            if (pictures.containsKey(d)) {
                added(d, pictures.get(d));
            }
        }
    }

    /** A picture that was added to a part; one that cannot be read is said to be so. */
    private void added(String designator, byte[] image) throws IOException {
        pages.room(PICTURE_HEIGHT + LEADING);
        try {
            pages.picture(image, LEFT, RIGHT - LEFT, PICTURE_HEIGHT);
        } catch (IOException e) {
            pages.paragraph(
                    pages.plain(), LEFT, "The picture added to " + designator + " cannot be read.");
        }
    }

    private void words(PDType1Font font, String said) throws IOException {
        for (String line : pages.wrapped(font, said, RIGHT - WORDS)) {
            pages.line(font, TEXT, WORDS, line);
        }
    }

    /** A resistor with its bands, and their names beneath. */
    private void bands(Reading r) throws IOException {
        float bottom = pages.y() - 10;
        var pen = pages.pen();
        pen.setStrokingColor(0.45f, 0.42f, 0.38f);
        pen.setLineWidth(1.2f);
        pen.moveTo(WORDS, bottom + BODY_HEIGHT / 2);
        pen.lineTo(WORDS + BODY_WIDTH + 32, bottom + BODY_HEIGHT / 2);
        pen.stroke();
        pen.setLineWidth(0.6f);
        pen.setNonStrokingColor(0.90f, 0.82f, 0.66f);
        pen.addRect(WORDS + 16, bottom, BODY_WIDTH, BODY_HEIGHT);
        pen.fillAndStroke();
        List<ColourBand> all = r.code().bands();
        float pitch = (BODY_WIDTH - 12) / Math.max(6, all.size());
        for (int i = 0; i < all.size(); i++) {
            int rgb = all.get(i).rgb();
            // The tolerance stands apart from the value, so that it is seen where to begin.
            boolean apart = all.size() >= 4 && i >= (all.size() == 4 ? 3 : 4);
            float x = WORDS + 22 + i * pitch + (apart ? pitch * 0.6f : 0);
            pen.setNonStrokingColor(
                    (rgb >> 16) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f);
            pen.addRect(x, bottom, pitch * 0.55f, BODY_HEIGHT);
            pen.fillAndStroke();
        }
        pen.setNonStrokingColor(0f, 0f, 0f);
        pages.moveTo(bottom - LEADING);
        words(
                pages.plain(),
                r.code().words()
                        + (r.tolerancePercent() == 0
                                ? ""
                                : String.format(
                                        Locale.ROOT, " (if it is %.0f %%)", r.tolerancePercent())));
    }

    private void probes() throws IOException {
        List<TestPoint> probes = TestPoint.of(geometry);
        if (probes.isEmpty()) {
            return;
        }
        pages.newPage();
        pages.line(pages.bold(), 14, LEFT, "Test points and plugs, by net");
        pages.skip(4);
        for (TestPoint p : probes) {
            pages.room(LEADING);
            float y = pages.y();
            cell(p.name(), LEFT, y);
            cell(p.net(), LEFT + 80, y);
            cell(p.side().map(Side::word).orElse("both sides"), LEFT + 260, y);
            cell(
                    String.format(Locale.ROOT, "%.2f, %.2f mm", p.at().x() / 1e6, p.at().y() / 1e6),
                    LEFT + 340,
                    y);
        }
    }

    private void cell(String words, float left, float y) throws IOException {
        pages.moveTo(y);
        pages.line(pages.plain(), TEXT, left, words);
    }
}
