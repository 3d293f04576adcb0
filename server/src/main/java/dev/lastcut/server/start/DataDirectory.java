package dev.lastcut.server.start;

import dev.lastcut.server.store.OwnerOnly;
import dev.lastcut.server.store.StorageFault;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/**
 * The directory everything is kept in: taken by one process at a time, readable by its owner alone,
 * with a database that this version can use.
 */
public final class DataDirectory {
    static final String DATABASE = "last-cut.db";

    private static final String LOCK = "last-cut.lock";

    /** The newest shape of the database that this version knows. */
    static final int NEWEST = 15;

    private DataDirectory() {}

    /** A directory that no other process can take until it is closed. */
    public record Held(Path path, FileChannel channel, FileLock lock) implements AutoCloseable {
        @Override
        public void close() {
            try {
                lock.release();
                channel.close();
            } catch (IOException e) {
                // The system releases it with the process in any case.
                return;
            }
        }
    }

    /**
     * Takes the directory, making it where there is none, and looks at its database.
     *
     * @throws StartFault when it is in use, cannot be written, or holds a database that is damaged
     *     or newer
     */
    public static Held take(Path path) throws StartFault {
        Held held = hold(path);
        try {
            look(path);
            return held;
        } catch (StartFault e) {
            held.close();
            throw e;
        }
    }

    /**
     * Takes the directory, whatever lies in it.
     *
     * @throws StartFault when it is in use or cannot be written
     */
    static Held hold(Path path) throws StartFault {
        String name = path.toAbsolutePath().normalize().toString();
        try {
            onlyForOwner(path);
            FileChannel channel =
                    FileChannel.open(
                            path.resolve(LOCK),
                            StandardOpenOption.CREATE,
                            StandardOpenOption.WRITE);
            FileLock lock = tryLock(channel);
            if (lock == null) {
                channel.close();
                throw new StartFault(
                        StartFault.IN_USE,
                        "Another Last Cut already uses "
                                + name
                                + ": use that one, stop it, or give this one another data"
                                + " directory.");
            }
            return new Held(path, channel, lock);
        } catch (IOException e) {
            throw new StartFault(
                    StartFault.STORAGE,
                    "The data directory "
                            + name
                            + " cannot be written ("
                            + reason(e)
                            + "): see that it belongs to you, is not read-only, and that the disk is"
                            + " not full.");
        }
    }

    private static String reason(IOException e) {
        String reason = e instanceof FileSystemException f ? f.getReason() : e.getMessage();
        return reason == null ? "permission denied" : reason;
    }

    private static FileLock tryLock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    /**
     * The directory where it is made here, and in any case the files that are written to, can be
     * read by their owner alone. A directory of somebody else's making keeps its permissions.
     */
    private static void onlyForOwner(Path path) throws IOException {
        if (!Files.isDirectory(path)) {
            OwnerOnly.directory(path);
        }
        for (String name : List.of(DATABASE, "last-cut.log", LOCK, "desk.db")) {
            OwnerOnly.file(path.resolve(name));
        }
    }

    /**
     * Looks whether the database in a directory can be used; nothing is to be said where there is
     * none.
     */
    static void look(Path path) throws StartFault {
        Path file = path.resolve(DATABASE);
        if (Files.notExists(file) || isEmpty(file)) {
            return;
        }
        String name = file.toAbsolutePath().normalize().toString();
        if (!Files.isWritable(file)) {
            throw new StartFault(
                    StartFault.STORAGE,
                    "The database " + name + " is read-only: make it writable for you.");
        }
        int version = version(file, name);
        if (version > NEWEST) {
            throw new StartFault(
                    StartFault.STORAGE,
                    "The database "
                            + name
                            + " was written by a newer Last Cut (its shape is "
                            + version
                            + ", this one knows up to "
                            + NEWEST
                            + "). Nothing was changed: start the newer one.");
        }
    }

    private static boolean isEmpty(Path file) {
        try {
            return Files.size(file) == 0;
        } catch (IOException e) {
            return false;
        }
    }

    private static int version(Path file, String name) throws StartFault {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement s = c.createStatement()) {
            try (ResultSet r = s.executeQuery("pragma quick_check(1)")) {
                if (!r.next() || !"ok".equals(r.getString(1))) {
                    throw damaged(name);
                }
            }
            try (ResultSet r =
                    s.executeQuery(
                            "select count(*) from sqlite_master where name ="
                                    + " 'flyway_schema_history'")) {
                if (r.getInt(1) == 0) {
                    return 0;
                }
            }
            try (ResultSet r =
                    s.executeQuery(
                            "select max(cast(version as integer)) from flyway_schema_history")) {
                return r.getInt(1);
            }
        } catch (SQLException e) {
            // A full disk, or one that cannot be read, is no damage: a copy must not replace it.
            if (StorageFault.isDamage(e)) {
                throw damaged(name);
            }
            throw new StartFault(
                    StartFault.STORAGE,
                    "The database "
                            + name
                            + " cannot be opened. "
                            + StorageFault.sentence(e)
                                    .orElse("Nothing was changed: " + e.getMessage() + "."));
        }
    }

    private static StartFault damaged(String name) {
        return new StartFault(
                StartFault.STORAGE,
                "The database "
                        + name
                        + " is damaged or no database. Nothing was changed: restore a copy with"
                        + " ./lastcut restore FILE.");
    }
}
