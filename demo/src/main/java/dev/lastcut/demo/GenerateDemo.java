package dev.lastcut.demo;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes the demo packs as zips into the folder given as the only argument. */
public final class GenerateDemo {
    private GenerateDemo() {}

    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args.length > 0 ? args[0] : "packs");
        Files.createDirectories(folder);
        zip(folder.resolve("hive-scale-node.zip"), HiveScaleNode.files());
        zip(folder.resolve("joint-box.zip"), JointBox.files());
    }

    /** The same files give the same bytes: entries carry a fixed time. */
    private static void zip(Path path, Map<String, byte[]> files) throws IOException {
        try (OutputStream out = Files.newOutputStream(path);
                ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> e : files.entrySet()) {
                ZipEntry entry = new ZipEntry(e.getKey());
                entry.setLastModifiedTime(FileTime.fromMillis(1_767_225_600_000L));
                zip.putNextEntry(entry);
                zip.write(e.getValue());
                zip.closeEntry();
            }
        }
    }
}
