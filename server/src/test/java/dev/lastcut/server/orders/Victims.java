package dev.lastcut.server.orders;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.spi.ToolProvider;

/**
 * Starts {@link Victim}s. Their classes come from an archive that the first of them wrote, which
 * takes jars alone on the class path; so each is ready in half the time.
 */
final class Victims {
    private final Path folder;
    private final String classes;

    Victims(Path folder) throws Exception {
        this.folder = folder;
        this.classes = jars();
        Path data = Files.createDirectory(folder.resolve("first"));
        Process first = start("-XX:ArchiveClassesAtExit=" + archive(), data, "bring-in", 1);
        try (BufferedReader said = first.inputReader(StandardCharsets.UTF_8)) {
            go(first, 0);
            said.lines().anyMatch("done 0"::equals);
            first.toHandle().destroy();
            first.waitFor(30, TimeUnit.SECONDS);
        }
    }

    private Path archive() {
        return folder.resolve("classes.jsa");
    }

    /** The class path with its folders packed. */
    private String jars() {
        ToolProvider jar = ToolProvider.findFirst("jar").orElseThrow();
        List<String> all = new ArrayList<>();
        for (String entry : System.getProperty("java.class.path").split(File.pathSeparator)) {
            if (Files.isDirectory(Path.of(entry))) {
                String packed = folder.resolve(all.size() + ".jar").toString();
                jar.run(System.out, System.err, "cf", packed, "-C", entry, ".");
                all.add(packed);
            } else {
                all.add(entry);
            }
        }
        return String.join(File.pathSeparator, all);
    }

    /** One that gets ready. */
    Process start(Path data, String what, long job) throws IOException {
        return start("-XX:SharedArchiveFile=" + archive(), data, what, job);
    }

    private Process start(String option, Path data, String what, long job) throws IOException {
        return new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        option,
                        "-cp",
                        classes,
                        Victim.class.getName(),
                        data.toString(),
                        what,
                        String.valueOf(job))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    /** Lets it begin, told how often the work was begun before. */
    static void go(Process victim, int begun) throws IOException {
        try (Writer go = victim.outputWriter(StandardCharsets.UTF_8)) {
            go.write(begun + "\n");
        }
    }
}
