package dev.lastcut.core.cut;

import dev.lastcut.core.print.PaperPages;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.GregorianCalendar;
import java.util.Iterator;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;

/**
 * Writes into a file when it was made: the attribute {@code .CreationDate} of the Gerber format in
 * Gerber and drill files, the key {@code CreationDate} in a job file, the creation date of the
 * document in PDF; on drawings also the job and the cut, in a title block. Nothing else of a file
 * depends on the time.
 */
public final class Stamp {
    private static final String UNITS = "%MOMM*%\n";
    private static final String JOB_HEADER = "\"Header\": {";
    private static final String DRILL_ATTRIBUTE = "; #@! TF.";

    private static final String DRAWING = "drawing.pdf";

    private static final float LETTERS = 8;
    private static final float MARGIN = 45;

    private Stamp() {}

    /**
     * @param at ISO 8601, UTC
     */
    public static OutputFile on(OutputFile file, String at) {
        return on(file, at, "");
    }

    /**
     * @param at ISO 8601, UTC
     * @param title what stands at the foot of every page of a drawing, as "hive, cut 2"; "" for
     *     nothing
     */
    public static OutputFile on(OutputFile file, String at, String title) {
        String path = file.path();
        if (path.endsWith(".gbr")) {
            return inserted(file, UNITS, UNITS.length(), "%TF.CreationDate," + at + "*%\n");
        }
        if (path.endsWith(".xnc")) {
            return inserted(
                    file, DRILL_ATTRIBUTE, 0, DRILL_ATTRIBUTE + "CreationDate," + at + "\n");
        }
        if (path.endsWith(".gbrjob")) {
            return inserted(
                    file,
                    JOB_HEADER,
                    JOB_HEADER.length(),
                    "\n    \"CreationDate\": \"" + at + "\",");
        }
        if (path.endsWith(".pdf")) {
            String said = path.endsWith(DRAWING) ? title : "";
            return new OutputFile(path, pdf(file.content(), at, said), file.purpose());
        }
        return file;
    }

    /**
     * Whether two stamped files are the same but for the stamps that {@link #on} wrote into them.
     *
     * @param aAt and {@code bAt}, when each was made, as it was stamped
     */
    static boolean isSame(String path, byte[] a, String aAt, byte[] b, String bAt) {
        if (Arrays.equals(a, b)) {
            return true;
        }
        if (path.endsWith(".pdf")) {
            return pages(path, a).equals(pages(path, b));
        }
        // One character a byte, so that nothing is lost of a file that is no text.
        String other = new String(b, StandardCharsets.ISO_8859_1).replace(bAt, aAt);
        return new String(a, StandardCharsets.ISO_8859_1).equals(other);
    }

    /** What is drawn on each page but for the title block, which is the last that was put on it. */
    private static List<String> pages(String path, byte[] pdf) {
        List<String> all = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (PDPage page : document.getPages()) {
                List<String> drawn = new ArrayList<>();
                for (Iterator<PDStream> i = page.getContentStreams(); i.hasNext(); ) {
                    byte[] content = i.next().toByteArray();
                    drawn.add(new String(content, StandardCharsets.ISO_8859_1));
                }
                if (path.endsWith(DRAWING)) {
                    drawn.remove(drawn.size() - 1);
                }
                all.add(page.getMediaBox() + " " + drawn);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return all;
    }

    /** The file with a line put in, so far after the first place of some text. */
    private static OutputFile inserted(OutputFile file, String text, int after, String line) {
        String content = new String(file.content(), StandardCharsets.UTF_8);
        int at = content.indexOf(text);
        if (at < 0) {
            throw new IllegalStateException(file.path() + " has no line " + text.strip());
        }
        String stamped = content.substring(0, at + after) + line + content.substring(at + after);
        return new OutputFile(
                file.path(), stamped.getBytes(StandardCharsets.UTF_8), file.purpose());
    }

    /** The title block, at the right of the foot. */
    private static void block(PDDocument document, PDPage page, String words) throws IOException {
        PDType1Font font = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
        String known = PaperPages.known(words);
        float width = font.getStringWidth(known) / 1000 * LETTERS;
        float left = page.getMediaBox().getWidth() - MARGIN - width;
        try (PDPageContentStream pen =
                new PDPageContentStream(
                        document, page, PDPageContentStream.AppendMode.APPEND, true, true)) {
            pen.addRect(left - 4, 28, width + 8, 13);
            pen.setLineWidth(0.5f);
            pen.stroke();
            pen.beginText();
            pen.setFont(font, LETTERS);
            pen.newLineAtOffset(left, 32);
            pen.showText(known);
            pen.endText();
        }
    }

    private static byte[] pdf(byte[] content, String at, String title) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = Loader.loadPDF(content)) {
            Instant time = Instant.parse(at);
            document.getDocumentInformation()
                    .setCreationDate(GregorianCalendar.from(time.atZone(ZoneOffset.UTC)));
            document.setDocumentId(time.getEpochSecond());
            for (PDPage page : document.getPages()) {
                if (!title.isEmpty()) {
                    block(document, page, title + ", " + at.substring(0, 10));
                }
            }
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
