package dev.lastcut.core.touch;

import dev.lastcut.core.geometry.Pt;
import java.util.Optional;

/**
 * A net as it is chosen: by its name, or by a place on copper of it where nothing names it.
 *
 * @param name empty where a place is given
 */
public record Net(String name, Optional<Pt> at) {
    public Net {
        if (name.isBlank() && at.isEmpty()) {
            throw new IllegalArgumentException("net: a name, or at: a place on its copper");
        }
    }

    public static Net named(String name) {
        return new Net(name, Optional.empty());
    }

    /** For people. */
    public String words() {
        return name.isBlank() ? "the net at " + Work.place(at.orElseThrow()) : name;
    }
}
