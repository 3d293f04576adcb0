package dev.lastcut.core.cut;

/**
 * One file that is handed over.
 *
 * @param path within the cut, with forward slashes
 * @param purpose what it is, for people
 */
public record OutputFile(String path, byte[] content, String purpose) {}
