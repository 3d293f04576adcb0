package dev.lastcut.core.cut;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParseException;
import com.google.gson.JsonParser;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
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
 * @param faults what is not as the manifest says, in its order
 */
public record Verification(Optional<Named> cut, int files, List<Fault> faults) {
    public static final String MANIFEST = "manifest.json";

    /** The end of the list of a zip's files (PKWARE application note, 4.3.16). */
    private static final byte[] END = {'P', 'K', 5, 6};

    private static final int MOST_END = 22 + 65_535;
    private static final long MOST_BYTES = 1L << 30;

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

    public static Verification of(byte[] zip) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        List<Fault> faults = new ArrayList<>();
        unpack(zip, files, faults);
        byte[] manifest = files.get(MANIFEST);
        if (manifest == null) {
            faults.add(
                    new Fault(
                            Kind.MANIFEST,
                            MANIFEST,
                            "There is no manifest.json, so nothing says what should be in it. Ask"
                                    + " for the zip as it was handed over."));
            return new Verification(Optional.empty(), files.size(), faults);
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
            return new Verification(Optional.empty(), files.size(), faults);
        }
        hold(files, listed, faults);
        return new Verification(cut, files.size(), faults);
    }

    private static void hold(
            Map<String, byte[]> files, Map<String, Listed> listed, List<Fault> faults) {
        Map<String, String> added = new LinkedHashMap<>();
        files.forEach(
                (path, content) -> {
                    if (!path.equals(MANIFEST) && !listed.containsKey(path)) {
                        added.put(Manifest.sha256(content), path);
                    }
                });
        listed.forEach(
                (path, l) -> {
                    byte[] content = files.get(path);
                    if (content == null) {
                        String now = added.remove(l.sha256);
                        faults.add(
                                now == null
                                        ? new Fault(Kind.MISSING, path, path + " is missing.")
                                        : new Fault(
                                                Kind.RENAMED,
                                                path,
                                                path + " is called " + now + " here."));
                    } else if (!Manifest.sha256(content).equals(l.sha256)) {
                        boolean less = content.length < l.bytes;
                        faults.add(
                                new Fault(
                                        less ? Kind.SHORTENED : Kind.CHANGED,
                                        path,
                                        path
                                                + (less
                                                        ? " was shortened: "
                                                                + content.length
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

    private static void unpack(byte[] zip, Map<String, byte[]> files, List<Fault> faults) {
        String last = "";
        long bytes = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                last = e.getName();
                byte[] content = in.readNBytes((int) Math.min(1 << 29, MOST_BYTES - bytes));
                bytes += content.length;
                if (files.put(last, content) != null) {
                    faults.add(new Fault(Kind.ADDED, last, last + " is in the zip twice."));
                }
                if (bytes >= MOST_BYTES) {
                    faults.add(
                            new Fault(
                                    Kind.CUT_OFF,
                                    "",
                                    "It unpacks to more than a gigabyte, which no cut does; the"
                                            + " rest was not read."));
                    return;
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            faults.add(cutOff(last));
            return;
        }
        if (files.isEmpty()) {
            faults.add(new Fault(Kind.CUT_OFF, "", "It is no zip file."));
        } else if (!hasEnd(zip)) {
            faults.add(cutOff(last));
        }
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
