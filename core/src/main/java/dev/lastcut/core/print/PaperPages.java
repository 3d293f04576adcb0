package dev.lastcut.core.print;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * Text that runs down A4 pages, each with its number at the foot. Lengths in points, from the lower
 * left; the pen stands where the next line goes.
 */
public final class PaperPages implements AutoCloseable {
    public static final float LEFT = 45;
    public static final float RIGHT = 550;

    /** Height of plain text, and from line to line. */
    public static final float TEXT = 9.5f;

    public static final float LEADING = 12.5f;

    private static final float TOP = 795;
    private static final float FOOT = 50;

    private final PDDocument document = new PDDocument();
    private final PDType1Font plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    private final PDType1Font bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
    private final String footer;
    private PDPageContentStream pen;
    private float y;
    private int pages;

    /**
     * @param footer what stands before the number of each page
     */
    public PaperPages(String footer) throws IOException {
        this.footer = footer;
        page();
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
        line(plain, 8, LEFT, footer + ", page " + pages);
        y = TOP;
    }

    /** Goes to the next page. */
    public void newPage() throws IOException {
        page();
    }

    /** Goes to the next page when less is left on this one. */
    public void room(float height) throws IOException {
        if (y - height < FOOT) {
            page();
        }
    }

    public PDType1Font plain() {
        return plain;
    }

    public PDType1Font bold() {
        return bold;
    }

    /** For drawing; it is another one after {@link #room} and all that write. */
    public PDPageContentStream pen() {
        return pen;
    }

    public float y() {
        return y;
    }

    public void moveTo(float height) {
        y = height;
    }

    public void skip(float height) {
        y -= height;
    }

    public void line(PDType1Font font, float size, float left, String words) throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset(left, y);
        pen.showText(known(words));
        pen.endText();
        y -= Math.max(LEADING, size * 1.2f);
    }

    public void paragraph(PDType1Font font, float left, String words) throws IOException {
        for (String w : wrapped(font, words, RIGHT - left)) {
            room(LEADING);
            line(font, TEXT, left, w);
        }
    }

    /**
     * Draws a PNG or JPEG with its upper left corner where the pen stands, not larger than given,
     * and goes below it.
     *
     * @throws IOException when it is no such picture
     */
    public void picture(byte[] image, float left, float width, float height) throws IOException {
        PDImageXObject drawn;
        try {
            drawn = PDImageXObject.createFromByteArray(document, image, "picture");
        } catch (IllegalArgumentException e) {
            throw new IOException("This is neither a PNG nor a JPEG picture.", e);
        }
        float scale = Math.min(width / drawn.getWidth(), height / drawn.getHeight());
        float high = drawn.getHeight() * scale;
        pen.drawImage(drawn, left, y - high, drawn.getWidth() * scale, high);
        y -= high + LEADING;
    }

    /** Words in lines that are not wider. */
    public List<String> wrapped(PDType1Font font, String words, float width) throws IOException {
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

    /** The words as the standard fonts can write them: they know the western letters only. */
    public static String known(String words) {
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

    /** The document as it is now; nothing can be written after. */
    public byte[] bytes() throws IOException {
        pen.close();
        // A fixed id, so that the same pages give the same bytes.
        document.setDocumentId(1L);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
