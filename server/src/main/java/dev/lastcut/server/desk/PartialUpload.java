package dev.lastcut.server.desk;

import dev.lastcut.core.cut.CutZip;
import dev.lastcut.core.cut.Verification;
import dev.lastcut.server.report.Json;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * An upload that holds only what is new in a cut; the rest is taken from an upload before. Its
 * manifest lists all of the cut, so that the whole is held against it as any other.
 */
final class PartialUpload {
    private PartialUpload() {}

    /**
     * The zip of the whole cut.
     *
     * @param before a whole upload that was read
     * @param now the files that are new or changed
     */
    static byte[] whole(byte[] before, Map<String, byte[]> now) {
        Set<String> listed = listed(now.get(Verification.MANIFEST));
        Map<String, byte[]> all = new LinkedHashMap<>();
        CutZip.all(before)
                .forEach(
                        (path, content) -> {
                            if (listed.contains(path)) {
                                all.put(path, content);
                            }
                        });
        all.putAll(now);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> f : all.entrySet()) {
                zip.putNextEntry(new ZipEntry(f.getKey()));
                zip.write(f.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** The paths of a manifest; none where it is missing or damaged, which is found out later. */
    private static Set<String> listed(byte[] manifest) {
        Set<String> paths = new HashSet<>();
        if (manifest != null) {
            try {
                for (JsonNode f : Json.MAPPER.readTree(manifest).path("files")) {
                    paths.add(f.path("path").asString(""));
                }
            } catch (JacksonException e) {
                return Set.of();
            }
        }
        return paths;
    }
}
