package dev.lastcut.server.jobs;

import dev.lastcut.core.cut.OutputFile;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** Packs and reads the files of a cut; every entry carries the cut's own time, in UTC. */
final class CutZip {
    private CutZip() {}

    static byte[] write(List<OutputFile> files, String created) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        // The same digits wherever it is made: zip times know no zone, so they are told in UTC.
        LocalDateTime time = LocalDateTime.ofInstant(Instant.parse(created), ZoneOffset.UTC);
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
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

    /** Every file of a cut, in its order. */
    static Map<String, byte[]> all(byte[] zip) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                files.put(e.getName(), in.readAllBytes());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return files;
    }

    /** One file of a cut; empty when it has none of that path. */
    static Optional<byte[]> read(byte[] zip, String path) {
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (e.getName().equals(path)) {
                    return Optional.of(in.readAllBytes());
                }
            }
            return Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
