package dev.lastcut.server.start;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;

/**
 * Puts a copy of the database in the place of the one there is, which is kept beside it. Nothing is
 * changed when the copy cannot be used or the application runs.
 */
public final class Restore {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");

    private Restore() {}

    /**
     * @return a sentence of what was done
     * @throws StartFault with what keeps it from being done
     */
    public static String from(Path copy, Path data) throws StartFault {
        if (!Files.isRegularFile(copy)) {
            throw new StartFault(StartFault.OPTION, "There is no file " + copy + ".");
        }
        try {
            Path look = Files.createTempDirectory("last-cut-restore");
            Path trial = look.resolve(DataDirectory.DATABASE);
            try {
                Files.copy(copy, trial);
                // Refuses a copy that is damaged or newer.
                DataDirectory.look(look);
            } finally {
                Files.deleteIfExists(trial);
                Files.deleteIfExists(look);
            }
            return put(copy, data);
        } catch (IOException e) {
            throw new StartFault(
                    StartFault.STORAGE,
                    "The copy cannot be put in place: "
                            + e.getMessage()
                            + ". Nothing was changed.");
        }
    }

    private static String put(Path copy, Path data) throws StartFault, IOException {
        Path there = data.resolve(DataDirectory.DATABASE);
        // A damaged database is just what is to be replaced: only a running application is refused.
        DataDirectory.Held held = DataDirectory.hold(data);
        try {
            String kept = "";
            Path next = data.resolve("restored.db");
            Files.copy(copy, next, StandardCopyOption.REPLACE_EXISTING);
            if (Files.exists(there) && Files.size(there) > 0) {
                Path before =
                        data.resolve("before-restore-" + LocalDateTime.now().format(TIME) + ".db");
                for (String end : new String[] {"-wal", "-shm"}) {
                    Path beside = Path.of(there + end);
                    if (Files.exists(beside)) {
                        Files.move(beside, Path.of(before + end));
                    }
                }
                Files.move(there, before);
                kept = " What was there is kept as " + before + ".";
            }
            Files.move(next, there, StandardCopyOption.ATOMIC_MOVE);
            return "Restored from " + copy + "." + kept;
        } finally {
            held.close();
        }
    }
}
