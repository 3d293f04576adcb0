package dev.lastcut.core.board;

/**
 * One thing wrong in a brought-in file. Callers match on {@code code}; {@code text} and {@code
 * action} are for people.
 *
 * @param file the path within the pack
 * @param line counted from 1; 0 when it concerns the file as a whole
 * @param text what was expected and what was found
 * @param action what was done about it
 */
public record Problem(Code code, String file, int line, String text, String action) {
    /** What sort of thing is wrong. */
    public enum Code {
        BAD_NUMBER,
        UNKNOWN_COMMAND,
        MISSING_FORMAT,
        UNDEFINED_APERTURE,
        BAD_APERTURE,
        BAD_ARC,
        OPEN_CONTOUR,
        TRUNCATED,
        LIMIT,
        NOT_READABLE,
        UNKNOWN_FILE,
        UNDEFINED_TOOL,
        FORMAT_GUESSED,
        MISSING_COLUMN,
        BAD_ROW,
        DUPLICATE_ROLE,
        DUPLICATE_FILE,
        MISREGISTERED,
        MISSING_FILE,
        JOB_FILE_DISAGREES,
        DEPRECATED
    }
}
