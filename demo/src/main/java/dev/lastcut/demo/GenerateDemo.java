package dev.lastcut.demo;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import java.util.function.Supplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes the demo packs as zips into a folder: all of them, or the one whose name is given. */
public final class GenerateDemo {
    private static final Map<String, Supplier<Map<String, byte[]>>> BOARDS =
            Map.of(
                    "hive-scale-node", HiveScaleNode::files,
                    "joint-box", JointBox::files,
                    "honeycomb-tag", HoneycombTag::files,
                    "hive-alarm", HiveAlarm::files);

    private GenerateDemo() {}

    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args.length > 0 ? args[0] : "packs");
        Files.createDirectories(folder);
        for (String name : BOARDS.keySet()) {
            if (args.length < 2 || args[1].equals(name)) {
                zip(folder.resolve(name + ".zip"), BOARDS.get(name).get());
            }
        }
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
