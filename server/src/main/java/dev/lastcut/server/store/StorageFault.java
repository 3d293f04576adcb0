package dev.lastcut.server.store;

import java.sql.SQLException;
import java.util.Optional;
import org.springframework.transaction.TransactionSystemException;

/** What keeps the storage from being written, in a sentence for people. */
public final class StorageFault {
    private static final int CORRUPT = 11;
    private static final int NOT_A_DATABASE = 26;

    private StorageFault() {}

    /** The sentence; empty for what is no fault of the storage. */
    public static Optional<String> sentence(Throwable fault) {
        for (Throwable t = fault; t != null && t != t.getCause(); t = t.getCause()) {
            if (t instanceof SQLException s && s.getErrorCode() != 0) {
                return ofCode(s.getErrorCode());
            }
            // What failed first is kept apart when taking it back failed as well.
            if (t instanceof TransactionSystemException both
                    && both.getApplicationException() != null) {
                Optional<String> first = sentence(both.getApplicationException());
                if (first.isPresent()) {
                    return first;
                }
            }
            for (Throwable also : t.getSuppressed()) {
                Optional<String> found = sentence(also);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }

    /** Whether the database itself is damaged, or none. */
    public static boolean isDamage(SQLException e) {
        int kind = e.getErrorCode() & 0xff;
        return kind == CORRUPT || kind == NOT_A_DATABASE;
    }

    /** SQLite's result codes: the lowest byte is the kind, the others say more of it. */
    private static Optional<String> ofCode(int code) {
        return switch (code & 0xff) {
            case 13 ->
                    Optional.of("The disk is full. Nothing was changed: make room and try again.");
            case 8, 14, 23 ->
                    Optional.of(
                            "The data directory cannot be written. Nothing was changed: see that it"
                                    + " belongs to you and is not read-only.");
            case 10 ->
                    Optional.of(
                            "The disk could not be read or written. Nothing was changed: see whether"
                                    + " it is full or failing.");
            case CORRUPT, NOT_A_DATABASE ->
                    Optional.of(
                            "The database is damaged. Nothing was changed: stop the application and"
                                    + " restore a copy (./lastcut restore FILE).");
            case 5, 6 ->
                    Optional.of("The database is in use by something else. Try again in a moment.");
            default -> Optional.empty();
        };
    }
}
