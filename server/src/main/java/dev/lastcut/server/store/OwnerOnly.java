package dev.lastcut.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;

/** Directories and files that their owner alone can read, where the file system knows owners. */
public final class OwnerOnly {
    private OwnerOnly() {}

    /** Makes a directory with those above it where there is none, and shuts it to others. */
    public static void directory(Path path) throws IOException {
        Files.createDirectories(path);
        permit(path, "rwx------");
    }

    /**
     * Makes an empty file where there is none, and shuts it to others; it stays read-only if so.
     */
    public static void file(Path path) throws IOException {
        if (!Files.exists(path)) {
            Files.createFile(path);
        }
        if (Files.isWritable(path)) {
            permit(path, "rw-------");
        }
    }

    private static void permit(Path path, String permissions) throws IOException {
        if (Files.getFileStore(path).supportsFileAttributeView("posix")) {
            Files.setPosixFilePermissions(path, PosixFilePermissions.fromString(permissions));
        }
    }
}
