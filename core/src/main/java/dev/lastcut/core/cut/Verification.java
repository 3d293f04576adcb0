package dev.lastcut.core.cut;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParseException;
import com.google.gson.JsonParser;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/**
 * A cut's zip held against the manifest in it.
 *
 * @param cut which cut it says it is; empty where it has no manifest that can be read
 * @param files how many it holds
 * @param manifest the SHA-256 of its manifest; empty where it has none
 * @param faults what is not as the manifest says, in its order
 */
public record Verification(Optional<Named> cut, int files, String manifest, List<Fault> faults) {
    public static final String MANIFEST = "manifest.json";

    /** The end of the list of a zip's files (PKWARE application note, 4.3.16). */
    private static final byte[] END = {'P', 'K', 5, 6};

    private static final int MOST_END = 22 + 65_535;
    private static final long MOST_BYTES = 1L << 30;
    private static final int MOST_MANIFEST = 16 << 20;
    private static final int MOST_FILES = 10_000;

    /** Which cut a manifest is of. */
    public record Named(String job, int number, String created) {}

    /** What can be wrong with a file. */
    public enum Kind {
        CHANGED,
        SHORTENED,
        MISSING,
        ADDED,
        RENAMED,
        MANIFEST,
        CUT_OFF
    }

    /** One thing that is wrong: with a file, or with the zip as a whole where there is no path. */
    public record Fault(Kind kind, String path, String says) {}

    public Verification {
        faults = List.copyOf(faults);
    }

    public boolean isWhole() {
        return cut.isPresent() && faults.isEmpty();
    }

    private record Listed(long bytes, String sha256) {}

    /** A zip in memory. */
    public static Verification of(byte[] zip) {
        byte[] end = Arrays.copyOfRange(zip, Math.max(0, zip.length - MOST_END), zip.length);
        return of(new ByteArrayInputStream(zip), end);
    }

    /**
     * A zip on the disk, which may be larger than the memory.
     *
     * @throws IOException when it cannot be read
     */
    public static Verification of(Path zip) throws IOException {
        byte[] end;
        try (RandomAccessFile file = new RandomAccessFile(zip.toFile(), "r")) {
            end = new byte[(int) Math.min(MOST_END, file.length())];
            file.seek(file.length() - end.length);
            file.readFully(end);
        }
        try (InputStream in = new BufferedInputStream(Files.newInputStream(zip))) {
            return of(in, end);
        }
    }

    private static Verification of(InputStream zip, byte[] end) {
        Map<String, Listed> files = new LinkedHashMap<>();
        List<Fault> faults = new ArrayList<>();
        byte[] manifest = unpack(zip, end, files, faults);
        String sha256 = manifest == null ? "" : files.get(MANIFEST).sha256;
        if (manifest == null) {
            faults.add(
                    new Fault(
                            Kind.MANIFEST,
                            MANIFEST,
                            "There is no manifest.json, so nothing says what should be in it. Ask"
                                    + " for the zip as it was handed over."));
            return new Verification(Optional.empty(), files.size(), sha256, faults);
        }
        Map<String, Listed> listed = new LinkedHashMap<>();
        Optional<Named> cut;
        try {
            JsonObject root =
                    JsonParser.parseString(new String(manifest, StandardCharsets.UTF_8))
                            .getAsJsonObject();
            for (JsonElement e : root.getAsJsonArray("files")) {
                JsonObject f = e.getAsJsonObject();
                listed.put(
                        f.get("path").getAsString(),
                        new Listed(f.get("bytes").getAsLong(), f.get("sha256").getAsString()));
            }
            cut =
                    Optional.of(
                            new Named(
                                    root.get("job").getAsString(),
                                    root.get("number").getAsInt(),
                                    root.get("created").getAsString()));
        } catch (JsonParseException
                | IllegalStateException
                | NullPointerException
                | ClassCastException
                | UnsupportedOperationException
                | NumberFormatException
                | StackOverflowError e) {
            faults.add(
                    new Fault(
                            Kind.MANIFEST,
                            MANIFEST,
                            "The manifest is damaged: " + e.getMessage() + "."));
            return new Verification(Optional.empty(), files.size(), sha256, faults);
        }
        hold(files, listed, faults);
        return new Verification(cut, files.size(), sha256, faults);
    }

    private static void hold(
            Map<String, Listed> files, Map<String, Listed> listed, List<Fault> faults) {
        Map<String, String> added = new LinkedHashMap<>();
        files.forEach(
                (path, content) -> {
                    if (!path.equals(MANIFEST) && !listed.containsKey(path)) {
                        added.put(content.sha256, path);
                    }
                });
        listed.forEach(
                (path, l) -> {
                    Listed content = files.get(path);
                    if (content == null) {
                        String now = added.remove(l.sha256);
                        faults.add(
                                now == null
                                        ? new Fault(Kind.MISSING, path, path + " is missing.")
                                        : new Fault(
                                                Kind.RENAMED,
                                                path,
                                                path + " is called " + now + " here."));
                    } else if (!content.sha256.equals(l.sha256)) {
                        boolean less = content.bytes < l.bytes;
                        faults.add(
                                new Fault(
                                        less ? Kind.SHORTENED : Kind.CHANGED,
                                        path,
                                        path
                                                + (less
                                                        ? " was shortened: "
                                                                + content.bytes
                                                                + " bytes instead of "
                                                                + l.bytes
                                                                + "."
                                                        : " was changed: its hash is another.")));
                    }
                });
        added.values()
                .forEach(
                        path ->
                                faults.add(
                                        new Fault(
                                                Kind.ADDED,
                                                path,
                                                path
                                                        + " was added: the manifest has no such"
                                                        + " file.")));
    }

    /** Weighs every file as it passes; only the manifest is kept. Null when there is none. */
    private static byte[] unpack(
            InputStream zip, byte[] end, Map<String, Listed> files, List<Fault> faults) {
        String last = "";
        long bytes = 0;
        byte[] manifest = null;
        byte[] buffer = new byte[1 << 16];
        try (ZipInputStream in = new ZipInputStream(zip)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                last = e.getName();
                ByteArrayOutputStream kept = new ByteArrayOutputStream();
                MessageDigest digest = Manifest.digest();
                long size = 0;
                for (int n = in.read(buffer); n >= 0 && bytes < MOST_BYTES; n = in.read(buffer)) {
                    digest.update(buffer, 0, n);
                    size += n;
                    bytes += n;
                    if (last.equals(MANIFEST) && size <= MOST_MANIFEST) {
                        kept.write(buffer, 0, n);
                    }
                }
                String sha256 = HexFormat.of().formatHex(digest.digest());
                if (files.put(last, new Listed(size, sha256)) != null) {
                    faults.add(new Fault(Kind.ADDED, last, last + " is in the zip twice."));
                }
                manifest = last.equals(MANIFEST) ? kept.toByteArray() : manifest;
                if (bytes >= MOST_BYTES || files.size() > MOST_FILES) {
                    faults.add(
                            new Fault(
                                    Kind.CUT_OFF,
                                    "",
                                    "It unpacks to more than a gigabyte or 10,000 files, which no"
                                            + " cut does; the rest was not read."));
                    return manifest;
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            faults.add(cutOff(last));
            return manifest;
        }
        if (files.isEmpty()) {
            faults.add(new Fault(Kind.CUT_OFF, "", "It is no zip file."));
        } else if (!hasEnd(end)) {
            faults.add(cutOff(last));
        }
        return manifest;
    }

    private static Fault cutOff(String last) {
        return new Fault(
                Kind.CUT_OFF,
                last,
                "The zip is damaged or cut off"
                        + (last.isEmpty() ? "" : " in or after " + last)
                        + ". Fetch it again.");
    }

    private static boolean hasEnd(byte[] zip) {
        for (int i = zip.length - 22; i >= Math.max(0, zip.length - MOST_END); i--) {
            boolean here = true;
            for (int k = 0; k < END.length; k++) {
                here &= zip[i + k] == END[k];
            }
            if (here) {
                return true;
            }
        }
        return false;
    }
}
