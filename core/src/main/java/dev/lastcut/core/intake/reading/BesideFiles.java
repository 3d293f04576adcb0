package dev.lastcut.core.intake.reading;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Files that come along in packs and are no part of the board: told by their first bytes. */
public final class BesideFiles {
    private static final Map<String, String> MARKS =
            Map.of(
                    "%PDF-", "a page to read (PDF)",
                    "\u0089PNG", "a picture (PNG)",
                    "\u00ff\u00d8\u00ff", "a picture (JPEG)",
                    "GIF8", "a picture (GIF)",
                    "BM", "a picture (BMP)",
                    "{\\rtf", "a page to read (RTF)",
                    "ISO-10303-21", "a solid model (STEP)",
                    "solid ", "a solid model (STL)",
                    "SQLite format 3", "a database");

    static final String LEFT_BEHIND = "left there by an operating system";

    private BesideFiles() {}

    /** What it is, in words; empty for what may be part of the board. */
    static Optional<String> what(String path, byte[] content, String head) {
        String first =
                new String(
                        content,
                        0,
                        Math.min(content.length, 32),
                        java.nio.charset.StandardCharsets.ISO_8859_1);
        for (Map.Entry<String, String> mark : MARKS.entrySet()) {
            if (first.startsWith(mark.getKey()) && (mark.getKey().length() > 2 || isImage(path))) {
                return Optional.of(mark.getValue());
            }
        }
        String start = head.stripLeading().toLowerCase(Locale.ROOT);
        if (start.startsWith("<!doctype html") || start.startsWith("<html")) {
            return Optional.of("a page to read (HTML)");
        }
        if (start.startsWith("(") && start.matches("(?s)\\([a-z_]+ ?[\\s(].*")) {
            return Optional.of("a file of a layout program");
        }
        boolean drawing = start.contains("<svg");
        if (start.startsWith("<?xml") && !drawing) {
            return Optional.of("a file of a layout program (XML)");
        }
        return Optional.empty();
    }

    /** What operating systems put beside files: hidden files, thumbnails, resource forks. */
    public static boolean isLeftBehind(String path) {
        return path.matches("(?i)(.*/)?(__MACOSX/.*|\\.[^/]*|thumbs\\.db|desktop\\.ini)");
    }

    private static boolean isImage(String path) {
        return path.toLowerCase(Locale.ROOT).endsWith(".bmp");
    }

    /** Texts that nobody takes for a picture of the board, by their ending. */
    static boolean isProse(String path) {
        return path.toLowerCase(Locale.ROOT)
                .matches(
                        "(.*/)?(readme|licen[cs]e|changelog|notes?)[^/]*"
                                + "|.*\\.(txt|md|log|rpt|rep|report|html?|ini|cfg|json|yaml|yml)");
    }
}
