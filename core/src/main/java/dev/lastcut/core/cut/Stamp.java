package dev.lastcut.core.cut;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.GregorianCalendar;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Writes into a file when it was made: the attribute {@code .CreationDate} of the Gerber format in
 * Gerber and drill files, the key {@code CreationDate} in a job file, the creation date of the
 * document in PDF. Nothing else of a file depends on the time.
 */
public final class Stamp {
    private static final String UNITS = "%MOMM*%\n";
    private static final String JOB_HEADER = "\"Header\": {";
    private static final String DRILL_ATTRIBUTE = "; #@! TF.";

    private Stamp() {}

    /**
     * @param at ISO 8601, UTC
     */
    public static OutputFile on(OutputFile file, String at) {
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
            return new OutputFile(path, pdf(file.content(), at), file.purpose());
        }
        return file;
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

    private static byte[] pdf(byte[] content, String at) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = Loader.loadPDF(content)) {
            Instant time = Instant.parse(at);
            document.getDocumentInformation()
                    .setCreationDate(GregorianCalendar.from(time.atZone(ZoneOffset.UTC)));
            document.setDocumentId(time.getEpochSecond());
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
