package dev.lastcut.core.cut;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Packs files into a zip: the same bytes for the same files and time, wherever it is made. */
public final class ZipFiles {
    private ZipFiles() {}

    /**
     * @param created time of every entry, ISO 8601, UTC
     * @param comment of the zip; empty for none
     */
    public static byte[] write(List<OutputFile> files, String created, String comment) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        // The same digits wherever it is made: zip times know no zone, so they are told in UTC.
        LocalDateTime time = LocalDateTime.ofInstant(Instant.parse(created), ZoneOffset.UTC);
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            if (!comment.isEmpty()) {
                zip.setComment(comment);
            }
            for (OutputFile f : files) {
                ZipEntry entry = new ZipEntry(f.path());
                entry.setTimeLocal(time);
                zip.putNextEntry(entry);
                zip.write(f.content());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
