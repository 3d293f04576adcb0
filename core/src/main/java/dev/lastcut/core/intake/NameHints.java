package dev.lastcut.core.intake;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What the plain words in a file's name suggest. Weaker than anything the content says. */
record NameHints(Set<String> words) {
    static NameHints of(String path) {
        String spaced = path.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
        return new NameHints(new HashSet<>(Arrays.asList(spaced.split("[^a-z0-9]+"))));
    }

    private boolean any(String... candidates) {
        return List.of(candidates).stream().anyMatch(words::contains);
    }

    Optional<Role.Kind> kind() {
        if (any("mask", "soldermask", "resist")) {
            return Optional.of(Role.Kind.MASK);
        }
        if (any("paste", "stencil", "solderpaste")) {
            return Optional.of(Role.Kind.PASTE);
        }
        if (any("silk", "silkscreen", "legend", "overlay")) {
            return Optional.of(Role.Kind.SILK);
        }
        if (any("outline", "profile", "edge", "contour", "border")) {
            return Optional.of(Role.Kind.OUTLINE);
        }
        return any("copper", "cu", "tracks", "signal")
                ? Optional.of(Role.Kind.COPPER)
                : Optional.empty();
    }

    Optional<Side> side() {
        boolean top = any("top", "front", "upper", "component");
        boolean bottom = any("bottom", "bot", "back", "lower", "solder");
        return top == bottom ? Optional.empty() : Optional.of(top ? Side.TOP : Side.BOTTOM);
    }

    Optional<Boolean> plated() {
        if (any("npth", "unplated", "nonplated") || (any("non", "not") && any("plated"))) {
            return Optional.of(false);
        }
        return any("plated", "pth") ? Optional.of(true) : Optional.empty();
    }
}
