package dev.lastcut.core.touch;

import java.util.Optional;

/** The files of the pack, for touches that draw with one. */
public interface Drawings {
    Drawings NONE = path -> Optional.empty();

    /** The bytes of a file; empty where the pack has none such. */
    Optional<byte[]> file(String path);
}
