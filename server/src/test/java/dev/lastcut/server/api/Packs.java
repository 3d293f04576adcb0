package dev.lastcut.server.api;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** Makes variants of packs for tests. */
public final class Packs {
    private Packs() {}

    /** The pack with the text of some files changed. */
    public static byte[] edit(byte[] zip, Predicate<String> which, UnaryOperator<String> change)
            throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip));
                ZipOutputStream to = new ZipOutputStream(out)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                if (which.test(e.getName())) {
                    String text = new String(content, StandardCharsets.UTF_8);
                    content = change.apply(text).getBytes(StandardCharsets.UTF_8);
                }
                to.putNextEntry(new ZipEntry(e.getName()));
                to.write(content);
                to.closeEntry();
            }
        }
        return out.toByteArray();
    }

    /** A zip of files, by path. */
    public static byte[] zipped(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream to = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> f : files.entrySet()) {
                to.putNextEntry(new ZipEntry(f.getKey()));
                to.write(f.getValue());
                to.closeEntry();
            }
        }
        return out.toByteArray();
    }

    /** The files of a zip, by path. */
    public static Map<String, byte[]> unzipped(byte[] zip) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                files.put(e.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    /** A Gerber file in mm 4.6 with every place moved, nm. */
    public static String shifted(String gerber, long dx, long dy) {
        return Pattern.compile("X(-?\\d+)Y(-?\\d+)D0")
                .matcher(gerber)
                .replaceAll(
                        m ->
                                "X"
                                        + (Long.parseLong(m.group(1)) + dx)
                                        + "Y"
                                        + (Long.parseLong(m.group(2)) + dy)
                                        + "D0");
    }
}
