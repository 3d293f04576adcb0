package dev.lastcut.core.board;

/**
 * A file of the pack and what it was taken for.
 *
 * @param evidence why, in a sentence
 * @param confidence 0 to 1; 1 where the file or the user says so
 * @param chosen true when the user set the role
 */
public record SourceFile(
        String path, Role role, String evidence, double confidence, boolean chosen) {}
