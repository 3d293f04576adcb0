package dev.lastcut.core.intake;

import java.util.List;

/** The files brought in for a revision, in path order. */
public record Pack(String name, List<PackFile> files) {
    public Pack {
        files = List.copyOf(files);
    }

    /** One file: its path within the pack, with forward slashes, and its bytes (not copied). */
    public record PackFile(String path, byte[] content) {}
}
